// Whoever is invited to a conference comes to it: colleagues with one press, when they are free, and people from outside by the number and the code.
import { createChance, seedFor } from '@/core/chance'
import { type ConferenceEvent, type Plan, presentAt } from '@/core/conferences'
import { deviceOutside } from '@/core/ids'
import { isInvited } from '@/core/rules/conferences'
import type { FloorState } from '@/core/state'
import { get, values } from '@/core/table'
import { MINUTE, SECOND } from '@/core/time'
import { detectDigits, dtmfSamples } from '@/core/tones'
import type { Acts, Scene, Sees } from './scene'

const COMES_WITHIN_MS = 25 * SECOND
const KEYS_AFTER_MS = 7 * SECOND
const TRIES_AGAIN_MS = 20 * SECOND
/** Somebody from outside stays as long. */
const STAYS_MS = 4 * MINUTE

function mindPlan({ memory: { plays, seed }, note }: Scene, conferenceId: ConferenceEvent['conferenceId'], plan: Plan, floor: FloorState, atMs: number): void {
  const conference = get(floor.conferences, conferenceId)
  if (conference === undefined) return
  const chance = createChance(seedFor(seed, `conference ${conferenceId} ${plan.startsAtMs}`))
  const comesMs = () => Math.max(atMs, plan.startsAtMs) + 2 * SECOND + chance.next() * COMES_WITHIN_MS
  for (const agentId of plays) if (isInvited(floor, conference, agentId)) note(comesMs(), { kind: 'joinConference', agentId, conferenceId })
  for (const invited of plan.invited)
    if (invited.kind === 'outside' && invited.number !== null)
      note(comesMs(), { kind: 'dialConference', conferenceId, number: invited.number, name: invited.name })
}

export const CONFERENCES: Acts<'joinConference' | 'dialConference' | 'keyCode'> = {
  /** Not in the middle of something; and nobody waits for ever. */
  joinConference(scene, act, floor, atMs) {
    const { agentId, conferenceId } = act
    const conference = get(floor.conferences, conferenceId)
    const agent = get(floor.agents, agentId)
    if (conference === undefined || agent?.shift == null || presentAt(conference).some((a) => a.agentId === agentId)) return []
    if (agent.engagements.length > 0) {
      if (atMs < conference.plan.startsAtMs + conference.plan.lastsMs / 2) scene.note(atMs + TRIES_AGAIN_MS, act)
      return []
    }
    return [{ kind: 'joinConference', agentId, conferenceId }]
  },
  dialConference({ note, memory }, { conferenceId, number, name }, floor, atMs) {
    const conference = get(floor.conferences, conferenceId)
    if (conference === undefined || conference.cancelledAtMs !== null) return []
    memory.dialsIn.push({ number, code: conference.code })
    note(atMs + KEYS_AFTER_MS, { kind: 'keyCode', number })
    return [{ kind: 'conferenceLineRings', number, customer: { name, group: '', facts: [] } }]
  },
  /** By tones, which the line decodes as it does anybody's. */
  keyCode({ memory, note }, { number }, floor, atMs) {
    const at = memory.dialsIn.findIndex((d) => d.number === number)
    const [dials] = at < 0 ? [] : memory.dialsIn.splice(at, 1)
    const call = values(floor.calls).find((c) => c.number === number && c.connections.some((x) => x.party.kind === 'conferenceLine'))
    if (dials === undefined || call === undefined) return []
    note(atMs + STAYS_MS, { kind: 'leave', callId: call.id, deviceId: deviceOutside(call.id, 1) })
    return [{ kind: 'callerKeys', callId: call.id, digits: detectDigits(dtmfSamples(dials.code)) }]
  },
}

export const CONFERENCES_SEE: Sees = {
  conferencePlanned: (scene, { conferenceId, plan }, floor, atMs) => mindPlan(scene, conferenceId, plan, floor, atMs),
  conferenceReplanned: (scene, { conferenceId, plan }, floor, atMs) => mindPlan(scene, conferenceId, plan, floor, atMs),
  /** Whoever is let in from the line goes on as another end of the conference's call. */
  conferenceJoined({ note }, { callId, deviceId, agentId }, _, atMs) {
    if (agentId === null) note(atMs + STAYS_MS, { kind: 'leave', callId, deviceId })
  },
}
