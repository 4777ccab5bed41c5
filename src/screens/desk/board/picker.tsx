'use client'
// Chooses whom in place, on the line it is for: one field finds colleagues, queues, mailboxes, places and any number. Each
// row shows the state before anyone is sent there; the verbs stand beside, and Enter takes the one the agent prefers.
import clsx from 'clsx'
import { type ComponentProps, type KeyboardEvent, useEffect, useId, useRef, useState } from 'react'
import type { Target } from '@/core/calls'
import { type Ask, toRefusalText } from '@/core/floor'
import type { CallId } from '@/core/ids'
import { Button, Clock, More, Problem, useFinder, usePersonalSetting } from '@/parts/ui'
import { useNumberReader } from '@/screens/desk/number-reader'
import { numbers } from '@/services/exchange/numbers'
import { useSeen } from '@/services/exchange/react'
import { useBoard } from './board-context'
import { type Choice, choicesFor, choicesOf, shownOf } from './targets'

export type PickerUse = 'transfer' | 'conference' | 'divert'

type Verb = 'transfer' | 'consult' | 'addParty' | 'divert'
const LABELS: Record<Verb, string> = { transfer: 'Blind transfer', consult: 'Consult', addParty: 'Add now', divert: 'Divert' }
/** The call goes to whom it is said of; the others are brought to it. */
const GOES_TO: ReadonlySet<Verb> = new Set(['transfer', 'divert'])
const VERBS: Record<PickerUse, readonly Verb[]> = { transfer: ['consult', 'transfer'], conference: ['consult', 'addParty'], divert: ['divert'] }
const TITLES: Record<PickerUse, string> = { transfer: 'Transfer', conference: 'Conference', divert: 'Divert' }

interface Props {
  readonly callId: CallId
  readonly use: PickerUse
  /** Already chosen, when it was dropped on the line. */
  readonly target?: Target | null
  readonly onClose: () => void
}

export function Picker({ callId, use, target = null, onClose }: Props) {
  const { me, centre, seats, give, startPreview, endPreview } = useBoard()
  const queues = useSeen((view) => view.queues) ?? []
  const parked = useSeen((view) => view.parked) ?? []
  const [typed, setTyped] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const [preferred, setPreferred] = usePersonalSetting<Verb>(`verb of ${use}`, VERBS[use][0] as Verb)
  const readNumber = useNumberReader()
  const field = useRef<HTMLInputElement>(null)
  const id = useId()
  // The agent asked for this field, so the focus follows; it goes back to where it was when the picker closes.
  useEffect(() => {
    const before = document.activeElement
    field.current?.focus()
    return () => {
      if (before instanceof HTMLElement && before.isConnected) before.focus()
    }
  }, [])

  const reading = /\d/.test(typed) ? readNumber(typed, centre.homeCountry, true) : undefined
  const all = choicesFor(typed, { me, centre, seats, queues, parked }, reading)
  const shown = shownOf(typed)
  const choices = target === null || typed !== '' ? all.slice(0, shown) : choicesOf(target, { me, centre, seats, queues })
  const type = (next: string) => {
    setTyped(next)
    setProblem(null)
  }
  const finder = useFinder({ id, items: choices, typed, onTyped: type, keyOf: (c) => c.key, alwaysOpen: true })
  const { marked: chosen } = finder
  const verbs = VERBS[use]

  const commandFor = (verb: Verb, { target: whom, instead }: Choice): Ask => {
    if (instead === undefined) return { kind: verb, callId, target: whom }
    if (instead.verb === 'Pick up') return { kind: 'pickUp', callId: instead.callId }
    return { kind: 'moveCall', callId, endpoint: instead.endpoint }
  }
  const labelOf = (verb: Verb) => chosen?.instead?.verb ?? LABELS[verb]
  const take = async (verb: Verb, marked: Choice | undefined) => {
    // Enter may be pressed before it is known how the last letter is read.
    const read = marked !== undefined || !/\d/.test(typed) ? reading : await numbers.reading(typed, centre.homeCountry)
    const choice = marked ?? (read?.ok ? choicesFor(typed, { me, centre, seats, queues, parked }, read)[0] : undefined)
    if (choice === undefined) {
      setProblem(
        read !== undefined && !read.ok
          ? `${toRefusalText(read.refusal).says} ${toRefusalText(read.refusal).next}`
          : `“${typed.trim()}” matches nobody here and is not a number. Check the spelling, or type the number.`,
      )
      field.current?.focus()
      return
    }
    if (choice.instead === undefined) setPreferred(verb)
    endPreview()
    if (await give(commandFor(verb, choice))) onClose()
    else field.current?.focus()
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.altKey) return
    if (event.key === 'Enter' && event.target === field.current) {
      event.preventDefault()
      void take(preferred, chosen)
    } else if (event.key === 'Escape') {
      event.preventDefault()
      event.stopPropagation()
      endPreview()
      onClose()
    }
  }

  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: keys are heard for the field and its list together
    <div onKeyDown={onKeyDown} className="mt-1 rounded-sm border border-ink bg-raised p-3 shadow-lg">
      <section aria-label={TITLES[use]} className="grid grid-cols-1 gap-x-4 gap-y-2 @4xl:grid-cols-[18.75rem_minmax(0,1fr)]">
        <div>
          <label htmlFor={id} className="font-semibold">
            Who or what number
          </label>
          <input
            {...finder.inputProps({ id, ref: field })}
            aria-invalid={problem !== null || undefined}
            autoComplete="off"
            className="mt-1 h-9 w-full rounded-sm border border-line-strong bg-paper px-2 text-base aria-invalid:border-2 aria-invalid:border-red"
          />
          <div className="mt-2 flex flex-wrap gap-2">
            {(chosen?.instead === undefined ? verbs : [preferred]).map((verb) => (
              <Button
                key={verb}
                tone={verb === preferred ? 'primary' : 'plain'}
                onPointerEnter={() => chosen && startPreview(commandFor(verb, chosen))}
                onPointerLeave={endPreview}
                onFocus={() => chosen && startPreview(commandFor(verb, chosen))}
                onBlur={endPreview}
                onClick={() => void take(verb, chosen)}
              >
                {labelOf(verb)}
              </Button>
            ))}
            <Button tone="quiet" onClick={onClose}>
              Cancel
            </Button>
          </div>
          <p className="mt-2 text-soft">
            {chosen === undefined
              ? 'Enter needs somebody to go to.'
              : `Enter: ${labelOf(preferred)} ${(chosen.instead === undefined ? GOES_TO.has(preferred) : chosen.instead.verb !== 'Pick up') ? 'to ' : ''}${chosen.name}`}
          </p>
          {choices.length === shown && <More of={all.length} shown={shown} what="type a letter of the name" />}
          {problem !== null && <Problem of="Who or what number">{problem}</Problem>}
        </div>
        <div {...finder.listProps('Where to')} className="max-h-[14.25rem] min-w-0 overflow-auto">
          {choices.length === 0 && <p className="py-1 text-soft">{typed === '' ? 'Nobody else is here.' : `Nothing here is called “${typed.trim()}”.`}</p>}
          {choices.map((choice, i) => (
            <Row key={choice.key} option={finder.optionProps(choice, i)} choice={choice} onChoose={() => finder.mark(i)} />
          ))}
        </div>
      </section>
    </div>
  )
}

function Row({ option, choice, onChoose }: { option: ComponentProps<'div'>; choice: Choice; onChoose: () => void }) {
  const chosen = option['aria-selected'] === true
  return (
    <div
      {...option}
      onPointerDown={(event) => {
        event.preventDefault()
        onChoose()
      }}
      className={clsx(
        'grid cursor-pointer grid-cols-[minmax(0,1fr)_minmax(0,1fr)] @2xl:grid-cols-[minmax(9.375rem,1fr)_9.375rem_minmax(0,1.6fr)_3.5rem] items-baseline gap-3 border-l-4 px-2 py-1',
        chosen ? 'border-l-ink bg-green-wash' : 'border-l-transparent',
      )}
    >
      <span className="truncate font-semibold" title={choice.name}>
        {choice.name}
      </span>
      <span className="truncate text-soft">{choice.kind}</span>
      <span className={clsx('truncate', choice.isFree ? 'font-semibold text-green' : 'text-soft')} title={choice.state}>
        {choice.state}
      </span>
      <span className="text-soft">{choice.sinceMs !== null && <Clock sinceMs={choice.sinceMs} />}</span>
    </div>
  )
}
