// Going on with live calls after a break of the floor: everybody gets a fresh intention from where they stand.
import { LEDGER_VERSION, type LedgerEntry } from '@/core/ledger'
import type { FloorState } from '@/core/state'
import { values } from '@/core/table'
import { MINUTE, SECOND } from '@/core/time'
import { resumeAttempts } from './attempts'
import { isOutside } from './far-ends'
import { personaIn, type Scene } from './scene'
import { resumeWriting } from './writers'

export function resume(scene: Scene, state: FloorState, atMs: number, observeOne: (entry: LedgerEntry, state: FloorState) => void): void {
  const { note } = scene
  const { plays } = scene.memory
  const seen = (event: LedgerEntry['event']) => observeOne({ version: LEDGER_VERSION, seq: state.seq, atMs, causedBy: null, event }, state)
  for (const call of values(state.calls)) {
    if (call.leaving !== null) note(Math.max(atMs + 5 * SECOND, call.leaving.toneAtMs + 5 * SECOND), { kind: 'leave', callId: call.id })
    else if (call.direction === 'inbound' && call.answeredAtMs === null)
      note(Math.max(atMs + 5 * SECOND, call.offeredAtMs + personaIn(scene, call.id, call.queueId).patienceMs), { kind: 'giveUp', callId: call.id })
    if ((call.direction === 'outbound' || call.direction === 'campaign') && call.outsideCount === 0)
      note(atMs + SECOND, { kind: 'farEnd', callId: call.id, report: 'noAnswer' })
    for (const c of call.connections) {
      if (isOutside(c) && (c.state === 'initiated' || c.state === 'alerting'))
        note(atMs + SECOND, { kind: 'farEnd', callId: call.id, deviceId: c.deviceId, report: 'noAnswer' })
      // Whoever was dialled talks on with who dialled them, and it comes to an end.
      if (isOutside(c) && c.state === 'connected' && call.answeredAtMs !== null && (call.direction === 'outbound' || call.direction === 'message'))
        seen({ kind: 'connectionEstablished', callId: call.id, deviceId: c.deviceId })
      if (c.party.kind !== 'agent') continue
      const at = { callId: call.id, deviceId: c.deviceId }
      if (c.state === 'alerting') seen({ kind: 'connectionDelivered', ...at, party: c.party })
      if (c.state === 'held' && plays.has(c.party.agentId)) note(atMs + 5 * SECOND, { kind: 'retrieve', agentId: c.party.agentId, callId: call.id })
      // Whoever has a message in hand listens on, and calls back.
      if ((c.state === 'connected' || c.state === 'held') && (call.answeredAtMs !== null || call.messageId !== null))
        seen({ kind: 'connectionEstablished', ...at })
      if (c.state === 'held') note(atMs + MINUTE, { kind: 'fedUp', callId: call.id, heldSinceMs: c.sinceMs })
    }
  }
  resumeAttempts(scene, state, atMs)
  resumeWriting(scene, state, atMs)
  for (const agent of values(state.agents)) {
    if (agent.shift === null || !plays.has(agent.id)) continue
    for (const { callId, recommendedMs, overMs, limitMs } of agent.wrapUps)
      seen({ kind: 'wrapUpStarted', agentId: agent.id, callId, recommendedMs, overMs, limitMs })
    const preview = state.previews.get(agent.id)
    if (preview !== undefined) seen({ kind: 'recordOffered', ...preview })
    if (agent.state.name === 'notReady') note(atMs + 5 * SECOND, { kind: 'goReady', agentId: agent.id })
  }
}
