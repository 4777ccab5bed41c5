// What an agent lets the others know: note, do not disturb; and the device they speak through.
import { type Agent, canBeReached, LONGEST_NOTE } from '@/core/agents'
import { agentConnection, services } from '@/core/calls'
import { refuse } from '@/core/rules/rule'
import { SOUND_LOST } from '@/core/set-up'
import { type Draft, emit } from '@/core/state'
import { get } from '@/core/table'
import { A_YEAR_MS } from '@/core/time'
import type { Of, Ruling } from './commands'
import { isOverOwed } from './owed'

/** Refused: noteEmpty, noteEndsInThePast, noteEndsTooLate, coverUnknown, coversThemselves. A longer note is cut to `LONGEST_NOTE` characters. */
export function setNote(draft: Draft, agent: Agent, { text, untilMs, coverId }: Of<'setNote'>): Ruling {
  const said = text.trim().slice(0, LONGEST_NOTE)
  if (said === '') return refuse({ reason: 'noteEmpty' })
  if (untilMs !== null && untilMs <= draft.atMs) return refuse({ reason: 'noteEndsInThePast' })
  if (untilMs !== null && untilMs > draft.atMs + A_YEAR_MS) return refuse({ reason: 'noteEndsTooLate' })
  if (coverId === agent.id) return refuse({ reason: 'coversThemselves' })
  if (coverId !== null && get(draft.state.agents, coverId) === undefined) return refuse({ reason: 'coverUnknown' })
  return emit(draft, null, { kind: 'noteSet', agentId: agent.id, text: said, untilMs, coverId })
}

export function clearNote(draft: Draft, agent: Agent): Ruling {
  return agent.note === null ? refuse({ reason: 'nothingToClear' }) : emit(draft, null, { kind: 'noteCleared', agentId: agent.id, because: 'cleared' })
}

export function setDoNotDisturb(draft: Draft, agent: Agent, { on }: Of<'setDoNotDisturb'>): Ruling {
  return agent.doNotDisturb === on ? null : emit(draft, null, { kind: 'doNotDisturbChanged', agentId: agent.id, on })
}

/** Another path, or the same one that works again: who waited with music meanwhile is talked to again. Refused: soundPathUnchanged. */
export function chooseSoundPath(draft: Draft, agent: Agent, { path }: Of<'chooseSoundPath'>): Ruling {
  const lost = agent.shift?.soundLost ?? null
  if (agent.shift?.soundPath === path && lost === null) return refuse({ reason: 'soundPathUnchanged' })
  emit(draft, null, { kind: 'soundPathChosen', agentId: agent.id, path })
  if (lost === null) return null
  const held = lost.heldCallId === null ? undefined : get(draft.state.calls, lost.heldCallId)
  const back = held && services.retrieve(held, agent.id)
  const hearsAnother = get(draft.state.agents, agent.id)?.engagements.some((e) => e.state === 'connected' || e.state === 'initiated') ?? false
  if (back?.ok && !hearsAnother) emit(draft, null, ...back.events)
  const now = get(draft.state.agents, agent.id) ?? agent
  if (lost.wasReady && now.availability.reason === SOUND_LOST && canBeReached(now) && !isOverOwed(draft.state, agent.id))
    emit(draft, null, { kind: 'agentReady', agentId: agent.id })
  return null
}

/** The path has failed: whoever is talked to hears music, and no call of a queue is put through until it works again. */
export function reportSoundLost(draft: Draft, agent: Agent, { why }: Of<'reportSoundLost'>): Ruling {
  if (agent.shift === null || agent.shift.soundLost !== null || agent.shift.soundPath === 'none') return null
  emit(draft, null, { kind: 'soundPathLost', agentId: agent.id, why })
  const { heldCallId, wasReady } = get(draft.state.agents, agent.id)?.shift?.soundLost ?? { heldCallId: null, wasReady: false }
  const call = heldCallId === null ? undefined : get(draft.state.calls, heldCallId)
  if (call !== undefined && agentConnection(call, agent.id) !== undefined) {
    const held = services.hold(call, agent.id)
    if (held.ok) emit(draft, null, ...held.events)
  }
  if (wasReady) emit(draft, null, { kind: 'agentNotReady', agentId: agent.id, reason: SOUND_LOST })
  return null
}
