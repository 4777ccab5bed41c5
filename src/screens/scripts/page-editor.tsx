'use client'
// The editor of a page: its words, what it asks, where it leads. Every keystroke is in the preview beside it.
import { useCallback, useRef } from 'react'
import type { OutcomeCode } from '@/core/outcomes'
import type { Page, Question, Script } from '@/core/scripts'
import { Button, TextField } from '@/parts/ui'
import type { PutPage } from './page-editor-props'
import { AREA, moved, RowButtons } from './parts'
import { QuestionsEditor } from './questions-editor'
import { SaysEditor } from './says-editor'
import { WaysEditor } from './ways-editor'

interface Props {
  readonly script: Script
  readonly page: Page
  /** Codes of the outcome sets that calls with this script are coded by. */
  readonly codes: readonly Pick<OutcomeCode, 'code' | 'label'>[]
  readonly questions: readonly Question[]
  readonly onChange: (page: Page, of: string | null) => void
  readonly onStart: () => void
  readonly onRemove: () => void
  readonly onAdd: () => void
  readonly onSelect: (pageId: string) => void
}

export function PageEditor({ script, page, codes, questions, onChange, onStart, onRemove, onAdd, onSelect }: Props) {
  const isStart = page.id === script.startPage
  const latest = useRef({ page, onChange })
  latest.current = { page, onChange }
  const put = useCallback<PutPage>((change, of) => latest.current.onChange({ ...latest.current.page, ...change }, of), [])
  const titles = useSame(
    script.pages.map(({ id, title }) => ({ id, title })),
    (a, b) => a.id === b.id && a.title === b.title,
  )
  const asked = useSame(questions, Object.is)
  return (
    <section aria-label="Page editor" className="min-w-0 space-y-4 px-4 py-3">
      <div className="flex items-end gap-2">
        <TextField label="Title" className="min-w-0 flex-1" value={page.title} onChange={(e) => put({ title: e.target.value }, 'title')} />
        <Button onClick={onAdd}>Add a page after it</Button>
        <Button disabled={isStart} title={isStart ? 'The script starts here' : undefined} onClick={onStart}>
          Start here
        </Button>
        <Button
          tone="loss"
          disabled={script.pages.length === 1}
          title={script.pages.length === 1 ? 'A script has one page at least' : undefined}
          onClick={onRemove}
        >
          Remove page
        </Button>
      </div>
      <SaysEditor say={page.say} questions={asked} put={put} />
      <label className="block">
        <span className="font-semibold">For the agent, not read aloud</span>
        <textarea
          rows={1}
          className={AREA}
          value={page.direction ?? ''}
          onChange={(e) => put({ direction: e.target.value === '' ? null : e.target.value }, 'direction')}
        />
      </label>
      <QuestionsEditor asks={page.questions} questions={asked} put={put} />
      <WaysEditor pageId={page.id} ways={page.ways} asks={page.questions} titles={titles} questions={asked} put={put} onSelect={onSelect} />
      {page.ways.length === 0 && <Suggests suggests={page.suggests} codes={codes} put={put} />}
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2 border-line border-t pt-3">
        <label className="flex items-center gap-2">
          <input type="checkbox" className="size-4 accent-green" checked={page.sensitive} onChange={(e) => put({ sensitive: e.target.checked }, null)} />
          Sensitive: a recording pauses here
        </label>
        <label className="flex items-center gap-2">
          Should be read within
          <input
            type="number"
            min={1}
            placeholder="–"
            aria-label="Reading time in seconds"
            className="h-8 w-20 rounded-sm border border-line-strong bg-raised px-2"
            value={page.readingMs === null ? '' : page.readingMs / 1000}
            onChange={(e) => put({ readingMs: e.target.valueAsNumber > 0 ? e.target.valueAsNumber * 1000 : null }, 'reading')}
          />
          seconds
        </label>
      </div>
    </section>
  )
}

/** An end page speaks for outcomes, the likeliest first. */
function Suggests({ suggests, codes, put }: Pick<Props, 'codes'> & { suggests: Page['suggests']; put: PutPage }) {
  const keep = (next: readonly string[]) => put({ suggests: next }, null)
  const left = codes.filter((c) => !suggests.includes(c.code))
  return (
    <fieldset className="border-line border-t pt-3">
      <legend className="float-left w-full font-semibold">This page ends the script and speaks for</legend>
      <ul className="clear-both space-y-1">
        {suggests.map((code, at) => (
          <li key={code} className="flex items-center gap-2">
            <span className="min-w-0 flex-1 truncate">{codes.find((c) => c.code === code)?.label ?? `${code} (in no set)`}</span>
            <RowButtons
              of={`outcome ${at + 1}`}
              at={at}
              last={suggests.length - 1}
              onMove={(to) => keep(moved(suggests, at, to))}
              onRemove={() => keep(suggests.filter((c) => c !== code))}
            />
          </li>
        ))}
      </ul>
      <select
        aria-label="Add an outcome"
        className="mt-1 h-8 rounded-sm border border-line-strong bg-raised px-2"
        value=""
        onChange={(e) => e.target.value !== '' && keep([...suggests, e.target.value])}
      >
        <option value="">{codes.length === 0 ? 'No queue uses this script, so no outcomes are known' : 'Add an outcome…'}</option>
        {left.map((c) => (
          <option key={c.code} value={c.code}>
            {c.label}
          </option>
        ))}
      </select>
    </fieldset>
  )
}

/** The list of before for as long as its items are the same. */
function useSame<T>(items: readonly T[], isSame: (a: T, b: T) => boolean): readonly T[] {
  const held = useRef(items)
  const before = held.current
  if (before.length !== items.length || !items.every((item, i) => isSame(item, before[i] as T))) held.current = items
  return held.current
}
