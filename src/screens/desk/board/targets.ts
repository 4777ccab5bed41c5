// What the picker offers for what is typed: colleagues, queues, mailboxes, places, people we know with each of their numbers,
// any number; and, of one's own, the devices a call may be moved to and the slots with a parked call.
import type { Endpoint, Target } from '@/core/calls'
import { type NumberReading, numberIn, type ReadNumber, reachesIn, withExtension } from '@/core/directory'
import type { CallId } from '@/core/ids'
import { extensionIn } from '@/core/set-up'
import { formatClock } from '@/core/time'
import { diversionShort, numberWords, stateWords } from '@/parts/words'
import type { CentreView, MeView, ParkedView, QueueView, SeatView } from '@/services/exchange/protocol'

/** What is not somebody to go to, but has a verb of its own. */
export type Instead = { readonly verb: 'Move call'; readonly endpoint: Endpoint } | { readonly verb: 'Pick up'; readonly callId: CallId }

export interface Choice {
  readonly key: string
  readonly target: Target
  /** Set where the usual verbs do not apply; `target` then says nothing. */
  readonly instead?: Instead
  /** Of what is no person and no number: where it is opened. */
  readonly href?: string
  readonly name: string
  readonly kind: string
  /** State in words: what the agent must know before sending anybody there. */
  readonly state: string
  /** Since when, for a clock; null when there is none to show. */
  readonly sinceMs: number | null
  /** Free now: stands out and comes first. */
  readonly isFree: boolean
}

interface Known {
  readonly me: MeView
  readonly centre: CentreView
  readonly seats: readonly SeatView[]
  readonly queues: readonly QueueView[]
  readonly parked?: readonly ParkedView[]
}

/** More are found by another letter. */
export const shownOf = (typed: string): number => (typed.trim() === '' ? 12 : 7)

const ORDER = { ready: 0, notReady: 1, writing: 2, wrapUp: 3, ringing: 4, listening: 5, internalCall: 6, onCall: 7, signedOut: 8 } as const

/** Best first: who is free, then the rest by state; numbers and people only once something is typed. */
export function choicesFor(typed: string, known: Known, reading: NumberReading | undefined): readonly Choice[] {
  const wanted = typed.trim().toLowerCase()
  const fits = (name: string) => wanted === '' || name.toLowerCase().includes(wanted)
  const desk = deskDialled(typed, known.seats)
  if (desk !== undefined && desk.id !== known.me.id) return [colleague(desk)]
  const colleagues = known.seats
    .filter((s) => s.id !== known.me.id && s.role === 'agent' && fits(s.name) && (wanted !== '' || s.state !== 'signedOut'))
    .toSorted((a, b) => ORDER[a.state] - ORDER[b.state] || a.sinceMs - b.sinceMs)
    .flatMap((s) => [colleague(s), ...coverOf(s, known)])
  const queues = known.centre.queues.filter((q) => fits(q.name)).map((q) => queue(q.name, known.queues.find((v) => v.id === q.id) as QueueView))
  const mailboxes = known.seats
    .filter((s) => s.role === 'agent' && wanted !== '' && (fits(`voicemail of ${s.name}`) || (s.state === 'signedOut' && fits(s.name))))
    .map(mailbox)
  const shared = known.centre.queues.filter((q) => q.takesMessages && wanted !== '' && fits(`mailbox of ${q.name}`)).map(queueMailbox)
  const places = known.centre.places.filter((p) => fits(p.name)).map((p) => outside(p.name, p.number, 'Place'))
  const people = wanted.length < 2 ? [] : known.centre.people.filter((p) => fits(p.name)).flatMap(numbersOf)
  // Only where a line is there to move: the dial line asks without.
  const devices = known.parked === undefined || wanted === '' ? [] : DEVICES.filter((d) => fits(d.name)).map(device)
  const slots = wanted === '' ? [] : (known.parked ?? []).filter((p) => fits(`slot ${p.slot}`) || fits(p.label)).map(slot)
  const number = reading?.ok ? [typedNumber(typed, reading.number)] : []
  const free = colleagues.filter((c) => c.isFree)
  const rest = colleagues.filter((c) => !c.isFree)
  return wanted === ''
    ? [...queues, ...free, ...rest, ...places]
    : [...number, ...slots, ...devices, ...free, ...queues, ...rest, ...mailboxes, ...shared, ...places, ...people]
}

/** Whose extension was typed: then nobody else is meant. */
export const deskDialled = (typed: string, seats: readonly SeatView[]): SeatView | undefined => {
  const digits = extensionIn(typed)
  return digits === '' ? undefined : seats.find((s) => s.extension === digits)
}

/** The one choice that stands for somebody who was named already. */
export function choicesOf(target: Target, known: Known): readonly Choice[] {
  switch (target.kind) {
    case 'agent':
      return known.seats.filter((s) => s.id === target.agentId).map(colleague)
    case 'queue':
      return known.queues.filter((q) => q.id === target.queueId).map((q) => queue(known.centre.queues.find((c) => c.id === q.id)?.name ?? q.id, q))
    case 'voicemail':
      return known.seats.filter((s) => s.id === target.agentId).map(mailbox)
    case 'queueVoicemail':
      return known.centre.queues.filter((q) => q.id === target.queueId).map(queueMailbox)
    case 'number':
      return [outside(target.name ?? target.typed, target.typed, 'Number')]
  }
}

/** Whoever covers for a colleague follows them in the list, where a note names somebody and one was looked for by name. */
function coverOf(s: SeatView, { seats, me }: Known): Choice[] {
  const cover = s.note === null || s.state === 'ready' ? undefined : seats.find((c) => c.id === s.note?.coverId && c.id !== me.id)
  return cover === undefined ? [] : [{ ...colleague(cover), key: `${s.id} covered by ${cover.id}`, kind: `Covers for ${s.name}` }]
}

/** What an agent must know before they send anybody there: the state, and what goes elsewhere. */
function colleagueState(s: SeatView): string {
  const sent = s.diversion === null ? (s.doNotDisturb ? 'do not disturb: to voicemail' : null) : diversionShort(s.diversion)
  return [stateWords(s.state, s.reason), sent, s.note === null ? null : `“${s.note.text}”`].filter((t) => t !== null).join(' · ')
}

const colleague = (s: SeatView): Choice => ({
  key: s.id,
  target: { kind: 'agent', agentId: s.id },
  name: s.name,
  kind: s.extension === '' ? 'Colleague' : `Colleague · ${s.extension}`,
  state: colleagueState(s),
  sinceMs: s.state === 'signedOut' ? null : s.sinceMs,
  isFree: s.state === 'ready',
})

function queue(name: string, view: QueueView): Choice {
  const waiting = view.waiting === 0 ? 'nobody waiting' : `${view.waiting} waiting`
  const served = view.onShift === 0 ? 'nobody serves it' : `${view.ready} of ${view.onShift} ready`
  const expected = view.ready > view.waiting ? 'no wait' : view.expectedWaitMs === null ? null : `expect ${formatClock(view.expectedWaitMs)}`
  return {
    key: view.id,
    target: { kind: 'queue', queueId: view.id },
    name,
    kind: 'Queue',
    state: [waiting, served, expected].filter((t) => t !== null).join(' · '),
    sinceMs: null,
    isFree: view.ready > view.waiting,
  }
}

const numbersOf = (p: CentreView['people'][number]): Choice[] =>
  p.mobile === null
    ? [outside(p.name, p.number, p.group)]
    : [outside(p.name, p.number, `${p.group} · at home`), outside(p.name, p.mobile, `${p.group} · mobile`)]

const DEVICES: readonly { readonly name: string; readonly endpoint: Endpoint }[] = [
  { name: 'This computer', endpoint: 'computer' },
  { name: 'Desk handset', endpoint: 'handset' },
  { name: 'My own phone', endpoint: 'ownPhone' },
]
const NOBODY: Target = { kind: 'number', typed: '', name: null }

const device = ({ name, endpoint }: (typeof DEVICES)[number]): Choice => ({
  key: `device ${endpoint}`,
  target: NOBODY,
  instead: { verb: 'Move call', endpoint },
  name,
  kind: 'Your device',
  state: 'takes this call over',
  sinceMs: null,
  isFree: false,
})

const slot = (p: ParkedView): Choice => ({
  key: `slot ${p.slot}`,
  target: NOBODY,
  instead: { verb: 'Pick up', callId: p.callId },
  name: p.label,
  kind: `Parked, slot ${p.slot}`,
  state: p.byName === null ? 'waits' : `by ${p.byName}`,
  sinceMs: p.sinceMs,
  isFree: false,
})

const mailbox = (s: SeatView): Choice => ({
  key: `voicemail ${s.id}`,
  target: { kind: 'voicemail', agentId: s.id },
  name: `Voicemail of ${s.name}`,
  kind: 'Voicemail',
  state: 'takes a message',
  sinceMs: null,
  isFree: false,
})

const queueMailbox = ({ id, name }: CentreView['queues'][number]): Choice => ({
  key: `mailbox ${id}`,
  target: { kind: 'queueVoicemail', queueId: id },
  name: `Mailbox of ${name}`,
  kind: 'Voicemail',
  state: 'takes a message for its agents',
  sinceMs: null,
  isFree: false,
})

const outside = (name: string, number: string, kind: string): Choice => ({
  key: `${name} ${number}`,
  target: { kind: 'number', typed: number, name },
  name,
  kind,
  state: numberWords(number),
  sinceMs: null,
  isFree: false,
})

const typedNumber = (typed: string, number: ReadNumber): Choice => ({
  key: 'typed',
  target: { kind: 'number', typed, name: null },
  name: withExtension(number.international, number.extension),
  kind: 'Number',
  state: number.kind === 'number' ? `read as ${numberIn(number.readAs)}` : reachesIn(number),
  sinceMs: null,
  isFree: false,
})
