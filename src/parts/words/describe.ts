// The board in words: the text equivalent that is announced on change, and the sentence that says what an action would do.

import { type Clearing, type Connection, FAILURE_WORDS, isOnLine, isPerson, type Party, takesPart } from '@/core/calls'
import { withExtension } from '@/core/directory'
import type { AgentId } from '@/core/ids'
import { formatClock } from '@/core/time'
import type { CallView, CentreView, MeView, SeatView } from '@/services/exchange/protocol'
import { numberWords } from './number-words'

export interface Names {
  readonly me: Pick<MeView, 'id'>
  readonly seats: readonly Pick<SeatView, 'id' | 'name'>[]
  readonly centre: { readonly queues: readonly Pick<CentreView['queues'][number], 'id' | 'name'>[] }
}

export const isMine = (connection: Connection, agentId: AgentId): boolean => connection.party.kind === 'agent' && connection.party.agentId === agentId

export function nameOf(party: Party, { me, seats, centre }: Names): string {
  const agent = (id: AgentId) => (id === me.id ? 'you' : (seats.find((s) => s.id === id)?.name ?? 'a colleague'))
  switch (party.kind) {
    case 'agent':
      return agent(party.agentId)
    case 'outside':
      return withExtension(party.name ?? (party.number === null ? 'Withheld number' : numberWords(party.number)), party.extension)
    case 'queue':
      return centre.queues.find((q) => q.id === party.queueId)?.name ?? 'the queue'
    case 'voicemail':
      return `Voicemail of ${agent(party.agentId)}`
    case 'queueVoicemail':
      return `Mailbox of ${centre.queues.find((q) => q.id === party.queueId)?.name ?? 'the queue'}`
    case 'conferenceLine':
      return 'the conference line'
    case 'park':
      return `slot ${party.slot}`
  }
}

export const othersOn = ({ call }: CallView, agentId: AgentId): readonly Connection[] =>
  call.connections.filter((c) => !isMine(c, agentId) && isPerson(c.party))

/** One sentence a call. With `nowMs` a hold says how long it lasts; null leaves clocks out, for what is announced. */
export function describeBoard(me: MeView, views: readonly CallView[], names: Names, nowMs: number | null): string {
  if (views.length === 0) return me.state === 'wrapUp' ? 'No call. The last call has ended; outcome needed.' : 'No call on the board.'
  return views.map((view) => describeCall(me, view, names, nowMs)).join(' ')
}

const CLEARING_WORDS: Readonly<Record<Clearing['what'], (who: string) => string>> = {
  hangUp: (who) => `You are leaving the call with ${who}. Undo keeps it.`,
  remove: (who) => `${who}: one party is being removed. Undo keeps them.`,
  endForEveryone: (who) => `The call with ${who} is ending for everyone. Undo keeps it.`,
  decline: (who) => `You are declining the call from ${who}. Undo keeps it ringing.`,
}

function describeCall(me: MeView, view: CallView, names: Names, nowMs: number | null): string {
  const { call } = view
  const mine = call.connections.find((c) => isMine(c, me.id))
  if (mine !== undefined && !takesPart(mine)) return describeListening(view, mine, names)
  const others = othersOn(view, me.id).filter(takesPart)
  const reached = others.filter((c) => c.state !== 'failed')
  const who = listed((reached.length > 0 ? reached : others).map((c) => nameOf(c.party, names)))
  const failed = others
    .filter((c) => c.failure !== null)
    .map((c) => ` ${nameOf(c.party, names)} ${failureWords(c)}.`)
    .join('')
  if (call.clearing !== null && mine !== undefined) return CLEARING_WORDS[call.clearing.what](who)
  if (call.messageId !== null && others.length === 0) {
    const from = call.customer?.name ?? (call.number === null ? 'a withheld number' : numberWords(call.number))
    return mine?.state === 'alerting' ? `A message from ${from} is offered.` : `You have the message from ${from}.`
  }
  if (call.conferenceId !== null && others.length === 0) return 'You are the first in the conference, and wait for the others.'
  if (call.keptFor !== null && others.length === 0)
    return `${call.customer?.name ?? numberWords(call.keptFor)} keeps a place and waits to be called.${mine?.state === 'alerting' ? ' Answering calls them.' : ''}`
  if (mine?.state === 'alerting') return `${who} is ringing.`
  const waiting = call.connections.find((c) => c.state === 'queued')
  if (waiting !== undefined && reached.length === 0) return `You wait for somebody of ${nameOf(waiting.party, names)}.`
  if (reached.length === 0) return failed === '' ? 'You are dialling.' : failed.trim()
  if (reached.every((c) => c.state === 'alerting' || c.state === 'initiated')) return `It rings at ${who}.${failed}`
  if (mine?.state === 'held')
    return `${who} ${reached.length === 1 ? 'is' : 'are'} on hold${nowMs === null ? '' : `, ${formatClock(nowMs - mine.sinceMs)}`}.${failed}`
  const private_ = call.aside?.byAgentId === me.id ? others.find((c) => c.deviceId === call.aside?.deviceId) : undefined
  if (private_ !== undefined) {
    const rest = reached.filter((c) => c !== private_).map((c) => nameOf(c.party, names))
    const hear = rest.length === 1 ? 'hears' : 'hear'
    return `You are talking privately with ${nameOf(private_.party, names)}; ${listed(rest)} ${hear} ${call.aside?.othersHear === 'music' ? 'music' : 'each other'}.`
  }
  return `You are talking with ${who}.${me.muted ? ' You are muted.' : ''}${failed}${listeners(view, me, names)}`
}

/** Of whoever listens in or whispers: to whom, and who hears them. */
function describeListening({ call }: CallView, mine: Connection, names: Names): string {
  const beside = call.connections.find((c) => c.deviceId === mine.beside)
  const who = listed(call.connections.filter((c) => isPerson(c.party) && takesPart(c) && c.state !== 'failed').map((c) => nameOf(c.party, names)))
  const agent = beside === undefined ? 'the agent' : nameOf(beside.party, names)
  const quiet = beside?.state === 'held' ? ' They are on hold: there is nothing to hear.' : ''
  return mine.role === 'whispers' ? `You whisper to ${agent}; nobody else of ${who} hears you.${quiet}` : `You listen to ${who}. Nobody hears you.${quiet}`
}

/** Who of those who came beside me is no party, and what they do. */
function listeners({ call }: CallView, me: Names['me'], names: Names): string {
  return call.connections
    .filter((c) => !takesPart(c) && !isMine(c, me.id))
    .map(
      (c) =>
        ` ${capital(nameOf(c.party, names))} ${c.role === 'listens' ? 'listens in' : c.whispersTo === mineOf(call, me) ? 'whispers to you' : 'whispers to a colleague'}.`,
    )
    .join('')
}

const mineOf = (call: CallView['call'], me: Names['me']) => call.connections.find((c) => isMine(c, me.id))?.deviceId

export const failureWords = ({ failure }: Connection): string | null => (failure === null ? null : FAILURE_WORDS[failure])

/**
 * What the calls will be after an action, as one sentence about who hears whom: "Yrsa Tidesley and Ottoline Fjelding will
 * talk; you leave." `after` holds the calls that change; one without connections is over.
 */
export function describeAfter(after: readonly CallView[], names: Names): string {
  const parts = after.flatMap((view) => afterCall(view, names))
  const stays = after.some(({ call }) => call.connections.some((c) => isMine(c, names.me.id)))
  const others = after.some(({ call }) => call.connections.some((c) => isOnLine(c)))
  if (!stays && others) parts.push('you leave')
  return parts.length === 0 ? 'Nothing changes for who hears whom.' : `${capital(parts.join('; '))}.`
}

function afterCall({ call, ears }: CallView, names: Names): string[] {
  if (call.connections.length === 0) return call.consultFor === null ? ['the call ends'] : []
  const name = (c: Connection) => nameOf(c.party, names)
  const voice = (a: Connection, b: Connection) => ears.some((e) => e.listener === a.deviceId && e.speaker === b.deviceId && e.hears === 'voice')
  const people = call.connections.filter((c) => isPerson(c.party) && takesPart(c))
  const parts = groups(people, (a, b) => voice(a, b) || voice(b, a)).map((group) => `${listed(youFirst(group, names).map(name))} will talk`)
  for (const c of people) {
    const hears = ears.filter((e) => e.listener === c.deviceId).map((e) => e.hears)
    if (hears.includes('voice')) continue
    if (hears.includes('ringing') && !isMine(c, names.me.id)) parts.push(`${name(c)} hears ringing`)
    else if (hears.includes('music')) parts.push(`${name(c)} ${c.party.kind === 'agent' && c.party.agentId === names.me.id ? 'hear' : 'hears'} music`)
  }
  const ringing = people.filter((c) => c.state === 'alerting' || c.state === 'initiated').filter((c) => !isMine(c, names.me.id))
  if (ringing.length > 0) parts.push(`it rings at ${listed(ringing.map(name))}`)
  for (const c of call.connections) {
    if (takesPart(c)) continue
    const heardBy = call.connections.find((o) => voice(o, c))
    const [who, does] = isMine(c, names.me.id) ? ['you', ['listen', 'whisper']] : [name(c), ['listens', 'whispers']]
    parts.push(heardBy === undefined ? `${who} ${does[0]}, heard by nobody` : `${who} ${does[1]} to ${name(heardBy)}`)
  }
  const queue = call.connections.find((c) => c.party.kind === 'queue')
  if (queue !== undefined) parts.push(`the call waits in ${name(queue)}`)
  const slot = call.connections.find((c) => c.party.kind === 'park')
  if (slot !== undefined) parts.push(`parked in ${name(slot)}`)
  return parts
}

/** Parties joined by who hears whom; single ones are left out. */
function groups(people: readonly Connection[], linked: (a: Connection, b: Connection) => boolean): Connection[][] {
  const left = new Set(people)
  const found: Connection[][] = []
  for (const person of people) {
    if (!left.delete(person)) continue
    const group = [person]
    for (const member of group) for (const other of [...left]) if (linked(member, other) && left.delete(other)) group.push(other)
    if (group.length > 1) found.push(group)
  }
  return found
}

const youFirst = (group: readonly Connection[], { me }: Names): Connection[] => group.toSorted((a, b) => Number(isMine(b, me.id)) - Number(isMine(a, me.id)))

const MANY = 4
/** `A, B and C`; more than four are counted, so that a sentence stays one. */
export function listed(names: readonly string[]): string {
  if (names.length <= 1) return names.join('')
  if (names.length > MANY) return `${names.slice(0, MANY - 1).join(', ')} and ${names.length - MANY + 1} more`
  return `${names.slice(0, -1).join(', ')} and ${names.at(-1)}`
}

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1)
