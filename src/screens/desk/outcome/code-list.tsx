'use client'
// The codes of the set: those the script speaks for first, with the reason; the others by their groups.
import clsx from 'clsx'
import { type Ref, useId } from 'react'
import { codesFor, type OutcomeCode, type OutcomeSet } from '@/core/outcomes'
import { pageOf, type Script } from '@/core/scripts'
import type { Work } from '@/core/work'
import { outcomeShortcut } from '@/parts/frame'
import { ShortcutHint } from '@/parts/ui'

interface Props {
  readonly set: OutcomeSet
  readonly script: Script | null
  readonly work: Work
  readonly chosen: string
  readonly onChoose: (code: string) => void
  readonly ref: Ref<HTMLFieldSetElement>
}

export function CodeList({ set, script, work, chosen, onChoose, ref }: Props) {
  const id = useId()
  const ordered = suggestedFirst(set, script, work)
  return (
    <fieldset ref={ref} className="min-w-0">
      <legend className="float-left font-semibold">
        Outcome
        <span aria-hidden className="ml-2 font-normal text-soft text-xs">
          Alt and its key
        </span>
      </legend>
      <div className="clear-both grid grid-cols-2 gap-1 pt-1">
        {ordered.map(({ option, reason }) => (
          <CodeOption
            key={option.code}
            option={option}
            reason={reason}
            name={`${id}-code`}
            chosen={chosen === option.code}
            onChoose={() => onChoose(option.code)}
          />
        ))}
      </div>
    </fieldset>
  )
}

interface Ordered {
  readonly option: OutcomeCode
  /** Why it stands first; null when it is not suggested. */
  readonly reason: string | null
}

function suggestedFirst(set: OutcomeSet, script: Script | null, work: Work): readonly Ordered[] {
  const page = script === null || work.run === null ? null : pageOf(script, work.run.pageId)
  const suggests = page?.suggests ?? []
  const codes = codesFor(set, work.dialled)
  const groups = [...new Set(codes.map((c) => c.group))]
  const all = codes
    .toSorted((a, b) => groups.indexOf(a.group) - groups.indexOf(b.group))
    .map((option) => ({ option, reason: suggests.includes(option.code) ? `“${page?.title}” speaks for it` : null }))
  return [...all.filter((o) => o.reason !== null), ...all.filter((o) => o.reason === null)]
}

interface CodeOptionProps {
  readonly option: OutcomeCode
  readonly reason: string | null
  readonly name: string
  readonly chosen: boolean
  readonly onChoose: () => void
}

function CodeOption({ option, reason, name, chosen, onChoose }: CodeOptionProps) {
  const about = [option.group, option.means, reason ?? ''].filter((text) => text !== '').join(' · ')
  return (
    <label
      title={about}
      className={clsx(
        'relative flex h-8 min-w-0 cursor-pointer items-center gap-2 rounded-sm border px-2 has-focus-visible:outline-3 has-focus-visible:outline-ink',
        reason !== null && 'col-span-2',
        chosen ? 'border-2 border-green bg-green-wash font-semibold' : reason === null ? 'border-line' : 'border-line-strong border-l-4 border-l-brass',
      )}
    >
      <input
        type="radio"
        name={name}
        className="sr-only"
        checked={chosen}
        onChange={onChoose}
        aria-label={option.label}
        aria-keyshortcuts={outcomeShortcut(option.key)}
      />
      <span aria-hidden className="tabular w-3 text-soft">
        {option.key}
      </span>
      <span className="truncate">{option.label}</span>
      {reason !== null && <span className="ml-auto min-w-0 truncate font-normal text-brass-text text-xs">suggested: {reason}</span>}
      {chosen && (
        <span aria-hidden className={reason === null ? 'ml-auto' : ''}>
          ✓
        </span>
      )}
      <ShortcutHint keys={outcomeShortcut(option.key)} />
    </label>
  )
}
