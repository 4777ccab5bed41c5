'use client'
// The dial line: type or paste anything; suggestions open upward; what Enter will do is written beside it. With a call on
// the board it finds whom to bring to it: Enter opens the choices there, and a suggestion may be dragged onto a line.
import clsx from 'clsx'
import { useRouter, useSearchParams } from 'next/navigation'
import { type KeyboardEvent, type Ref, useEffect, useId, useImperativeHandle, useRef, useState } from 'react'
import type { Target } from '@/core/calls'
import { type NumberReading, numberIn, reachesIn, withExtension } from '@/core/directory'
import { type Ask, toRefusalText } from '@/core/floor'
import type { CallId } from '@/core/ids'
import { type Found, SHORTCUTS, ShownNumberMenu, useFound, useShownNumber } from '@/parts/frame'
import { Button, More, ShortcutHint, useFinder } from '@/parts/ui'
import { lackingToDial, memoInWords } from '@/parts/words'
import { WriteFirst } from '@/parts/written'
import type { CentreView, MeView } from '@/services/exchange/protocol'
import { useCommand, useSeen } from '@/services/exchange/react'
import { type Choice, choicesFor, deskDialled, shownOf } from './board/targets'
import { ChoiceRow } from './choice-row'
import { choicesBefore, REDIALLED, useDialledBefore } from './dialled-before'
import type { DraggableChoices } from './draggable-choices'
import { useNumberReader } from './number-reader'
import { usePeopleBeside } from './people-beside'
import { WaiverButton } from './waiver'

interface Props {
  readonly me: MeView
  readonly centre: CentreView
  /** Opens the choices for somebody on the line in front; null while no line is on. */
  readonly onPick: ((target: Target) => void) | null
  /** Somebody was dragged onto a line. */
  readonly onDrop: (callId: CallId, target: Target) => void
  readonly onOver: (callId: CallId | null) => void
  readonly ref: Ref<DialLineHandle>
}

export interface DialLineHandle {
  focus(): void
  /** Looks somebody up as if their name had been typed. */
  find(name: string): void
}

export const DialLine = memoInWords(function DialLine({ me, centre, onPick, onDrop, onOver, ref }: Props) {
  const [Draggable, loadDraggable] = useDraggable()
  const command = useCommand()
  const [typed, setTyped] = useState('')
  // Who is there is of use only to what is typed.
  const isTyped = typed.trim() !== ''
  const seats = useSeen((view) => (isTyped ? view.seats : NONE)) ?? NONE
  const queues = useSeen((view) => (isTyped ? view.queues : NONE)) ?? NONE
  const [problem, setProblem] = useState<string | null>(null)
  const shown = useShownNumber()
  const [isUsed, setUsed] = useState(false)
  const dialled = useDialledBefore(isUsed && onPick === null)
  /** What was refused because of the do-not-call list: a supervisor may let this one call be made. */
  const [withheld, setWithheld] = useState<{ readonly typed: string; readonly says: string } | null>(null)
  const readNumber = useNumberReader()
  const router = useRouter()
  const input = useRef<HTMLInputElement>(null)
  const id = useId()
  useImperativeHandle(ref, () => ({
    focus: () => input.current?.focus(),
    find: (name) => {
      type(name)
      finder.open()
      input.current?.focus()
    },
  }))
  // A link with a number leads here: it is put into the line, and nobody is called before the press.
  const asked = useSearchParams().get('dial')
  useEffect(() => {
    if (asked === null) return
    setTyped(asked.replace(/^tel:/i, ''))
    const rest = new URLSearchParams(location.search)
    rest.delete('dial')
    history.replaceState(history.state, '', `${location.pathname}${rest.size === 0 ? '' : `?${rest}`}`)
    input.current?.focus()
  }, [asked])
  const type = (next: string) => {
    setTyped(next)
    setProblem(null)
    setWithheld(null)
  }

  const text = typed.trim()
  const reading = /[\d*#]/.test(text) || !/\p{L}/u.test(text) ? (text === '' ? undefined : readNumber(text, centre.homeCountry, true)) : undefined
  const before =
    onPick === null && deskDialled(text, seats) === undefined
      ? choicesBefore(dialled, reading?.ok ? reading.number.e164 : text).slice(0, text === '' ? REDIALLED : 3)
      : []
  const all = text === '' ? [] : choicesFor(text, { me, centre, seats, queues }, onPick === null ? undefined : reading)
  // Without a call only who can be called is of use, and each of them once.
  const fit = onPick !== null ? all : all.filter((c) => c.target.kind !== 'queue' && !before.some((b) => sameTarget(b.target, c.target)))
  const found = fit.slice(0, shownOf(text))
  const { found: others, more: othersMore } = useFound(onPick === null && reading === undefined ? text : '')
  const isEmergency = reading?.ok === true && reading.number.kind === 'emergency'
  // Nothing stands between that and the press.
  const choices = onPick !== null ? found : isEmergency ? [] : [...before, ...found, ...others.map(opens)]
  const finder = useFinder({ id, items: choices, typed, onTyped: type, keyOf: (c) => c.key })
  const more = fit.length - found.length + othersMore
  const readAs = reading?.ok ? reading.number.readAs : null
  const missing =
    onPick === null && text !== '' && !isEmergency && !isInside(finder.marked) && finder.marked?.href === undefined ? lackingToDial(me, centre, readAs) : null
  const why = missing === null ? null : toRefusalText(missing)
  const { marked: choice, listed } = finder

  const [beside, setBeside] = usePeopleBeside(me.id)
  const clear = () => {
    setTyped('')
    setProblem(null)
    finder.close()
  }
  const act = async () => {
    if (onPick !== null && choice !== undefined) {
      clear()
      return onPick(choice.target)
    }
    // With nothing typed somebody has to be chosen from the list first.
    if (text === '' && (choice === undefined || !listed)) return
    if (choice?.href !== undefined) {
      clear()
      router.push(choice.href)
      return
    }
    const number = choice?.target.kind === 'number' ? choice.target.typed : typed
    const reply = await command(
      isInside(choice) ? callInside(choice) : { kind: 'makeCall', typed: number, customer: null, queueId: shown?.shown.queueId ?? null },
    )
    if (!reply.ok) {
      if (reply.refusal.reason === 'onDoNotCall') setWithheld({ typed: number, says: reply.refusal.says })
      setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
      input.current?.focus()
      return
    }
    clear()
    input.current?.blur()
  }
  const drop = (callId: CallId, target: Target) => {
    clear()
    onDrop(callId, target)
  }
  const allowed = () => {
    setWithheld(null)
    clear()
  }
  const onKeyDown = (event: KeyboardEvent) => {
    if (event.altKey) return
    if (event.key === 'Enter') {
      event.preventDefault()
      void act()
    } else if (event.key === 'Escape' && !listed) setTyped('')
  }

  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: whom somebody has called is asked for while they are here, and not at every call of the day
    <footer
      onFocus={() => setUsed(true)}
      onBlur={() => setUsed(false)}
      className="relative flex h-11 shrink-0 items-center gap-3 border-line-strong border-t bg-raised px-4 max-lg:h-auto max-lg:min-h-11 max-lg:flex-wrap max-lg:py-1.5"
    >
      <label htmlFor={id} className="relative shrink-0 font-semibold">
        Dial line
        <ShortcutHint keys={SHORTCUTS.dial.keys} />
      </label>
      <input
        {...finder.inputProps({ id, ref: input, onKeyDown, onFocus: loadDraggable })}
        aria-invalid={problem !== null || undefined}
        aria-describedby={`${id}-does`}
        autoComplete="off"
        placeholder="A number in any form, or a name"
        className="h-8 w-80 min-w-0 max-w-full shrink-0 rounded-sm border border-line-strong bg-paper px-2 aria-invalid:border-2 aria-invalid:border-red"
      />
      {text === '' && onPick === null && (
        <Button
          tone="quiet"
          className="!px-1"
          onPointerDown={(e) => e.preventDefault()}
          onClick={() => {
            loadDraggable()
            input.current?.focus()
            finder.open()
          }}
        >
          Redial
        </Button>
      )}
      {text !== '' && (
        <Button
          aria-disabled={why !== null || undefined}
          title={why === null ? undefined : `${why.says} ${why.next}`}
          onPointerDown={(e) => e.preventDefault()}
          onClick={() => void act()}
        >
          {onPick !== null ? 'Choose' : choice?.href !== undefined ? 'Open' : 'Call'}
        </Button>
      )}
      {onPick === null && !isInside(choice) && <ShownNumberMenu />}
      {text === '' && <WriteFirst me={me} centre={centre} />}
      {withheld !== null && <WaiverButton seats={seats} typed={withheld.typed} says={withheld.says} onDone={allowed} />}
      <div
        {...finder.listProps(text === '' ? 'Called before' : 'People')}
        hidden={!listed}
        className="absolute bottom-11 left-24 z-20 w-[32.5rem] border max-lg:right-2 max-lg:bottom-full max-lg:left-2 max-lg:w-auto border-line-strong bg-raised py-1 shadow-lg"
      >
        {listed &&
          (onPick !== null && Draggable !== null ? (
            <Draggable choices={choices} optionOf={finder.optionProps} onChoose={finder.mark} onDrop={drop} onOver={onOver} />
          ) : (
            choices.map((c, i) => <ChoiceRow key={c.key} option={finder.optionProps(c, i)} choice={c} onChoose={() => finder.mark(i)} />)
          ))}
        {listed && more > 0 && (
          <div className="px-3" aria-hidden>
            <More of={more} shown={0} />
          </div>
        )}
      </div>
      <p id={`${id}-does`} aria-live="polite" className="min-w-0 truncate" title={problem ?? undefined}>
        {problem !== null || why !== null ? (
          <span className={problem === null ? 'text-soft' : 'text-red'}>{problem ?? `${why?.says} ${why?.next}`}</span>
        ) : (
          <EnterDoes choice={text === '' && !listed ? null : (choice ?? null)} reading={reading} text={text} brings={onPick !== null} />
        )}
      </p>
      {onPick !== null && problem === null && (
        <Button tone="quiet" className="!px-1 ml-auto" onClick={() => setBeside(beside === 'yes' ? 'no' : 'yes')}>
          {beside === 'yes' ? 'Hide people' : 'Show people'}
        </Button>
      )}
      {problem === null && <span className={clsx('shrink-0 text-soft', onPick === null && 'ml-auto')}>Press ? for the keyboard</span>}
    </footer>
  )
})

const NONE = [] as const

/** Whatever else has that name. */
const opens = ({ key, name, kind, href }: Found): Choice => ({
  key: `open ${key}`,
  name,
  kind,
  state: 'open',
  sinceMs: null,
  isFree: false,
  target: { kind: 'number', typed: '', name: null },
  href,
})

const sameTarget = (a: Target, b: Target): boolean =>
  a.kind === 'agent' ? b.kind === 'agent' && a.agentId === b.agentId : a.kind === 'number' && b.kind === 'number' && a.typed === b.typed

type Inside = Choice & { readonly target: Extract<Target, { kind: 'agent' | 'voicemail' }> }

/** A colleague, or their mailbox: no number is dialled for those. */
const isInside = (choice: Choice | undefined): choice is Inside => choice?.target.kind === 'agent' || choice?.target.kind === 'voicemail'

const callInside = ({ target }: Inside): Ask => ({
  kind: 'callColleague',
  toAgentId: target.agentId,
  at: target.kind === 'agent' ? 'desk' : 'voicemail',
})

type Draggable = typeof DraggableChoices

/** What dragging takes is fetched when somebody comes to the dial line, and never for those who only take calls. Without it everything works by keys and presses. */
function useDraggable(): readonly [Draggable | null, () => void] {
  const [draggable, setDraggable] = useState<Draggable | null>(null)
  const load = () => {
    if (draggable === null) import('./draggable-choices').then((m) => setDraggable(() => m.DraggableChoices), console.error)
  }
  return [draggable, load]
}

interface EnterProps {
  readonly choice: Choice | null
  readonly reading: NumberReading | undefined
  readonly text: string
  readonly brings: boolean
}

function EnterDoes({ choice, reading, text, brings }: EnterProps) {
  if (text === '' && choice === null) return null
  if (choice?.href !== undefined)
    return (
      <>
        Enter opens <strong>{choice.name}</strong>
      </>
    )
  if (choice !== null && brings)
    return (
      <>
        Enter: choose what to do with <strong>{choice.name}</strong>, or drag it onto a line
      </>
    )
  if (choice !== null && isInside(choice))
    return choice.target.kind === 'voicemail' ? (
      <>
        Enter leaves a message: <strong>{choice.name}</strong>
      </>
    ) : (
      <>
        Enter calls <strong>{choice.name}</strong> · {choice.state}
      </>
    )
  if (choice !== null)
    return (
      <>
        Enter dials <strong>{choice.name}</strong> on <span className="tabular">{choice.state}</span>
      </>
    )
  if (reading === undefined) return <span className="text-soft">Nobody by that name, and not a number.</span>
  if (!reading.ok) return <span className="text-soft">Not a whole number yet.</span>
  const { international, readAs, kind, extension } = reading.number
  return (
    <>
      Enter dials <strong className="tabular">{withExtension(international, extension)}</strong>,{' '}
      {kind === 'number' ? `read as ${numberIn(readAs)}` : reachesIn(reading.number)}
      {kind === 'emergency' && '. Whoever supervises is told at once'}
    </>
  )
}
