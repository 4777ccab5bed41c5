// A day begins: who comes to work and when, and from when on there are calls.
import { createChance, seedFor } from '@/core/chance'
import type { AgentId } from '@/core/ids'
import type { FloorState } from '@/core/state'
import { get } from '@/core/table'
import { MINUTE } from '@/core/time'
import { beginArrivals } from './arrival'
import { beginShift, mindPromises } from './colleagues'
import { ringOvernight } from './messages'
import { hoursToday, startOfThisDayMs } from './opening'
import { onDuty } from './rota'
import type { Scene } from './scene'
import { beginWriting } from './writers'

export function startDay(scene: Scene, floor: FloorState, atMs: number): void {
  const { stage, memory, note } = scene
  const { day, seed, plays, worksCampaigns } = memory
  memory.dayNo++
  memory.startsMs = startOfThisDayMs(stage, memory, floor.setUp.timeZone, atMs)
  const hours = hoursToday(stage, memory)
  const opensAtMs = memory.startsMs + hours.opensMs
  for (const { id } of floor.setUp.queues) beginArrivals(scene, id, Math.max(atMs, opensAtMs))
  beginWriting(scene, floor, Math.max(atMs, opensAtMs))
  if (worksCampaigns) for (const { id, retired } of floor.setUp.campaigns) if (!retired) note(atMs, { kind: 'openCampaign', campaignId: id })
  if (day.kind === 'calendar') ringOvernight(scene, floor, memory.startsMs + hours.closesMs)
  const all = [...plays]
  const onShift = day.kind === 'calendar' ? onDuty(seed, day.day, floor.setUp, all, hours.seats) : all
  for (const id of onShift) noteShift(scene, floor, id, atMs)
  mindPromises(scene, floor, Math.max(atMs, day.kind === 'calendar' ? opensAtMs : 0))
}

function noteShift(scene: Scene, floor: FloorState, id: AgentId, atMs: number): void {
  const { stage, memory, note } = scene
  const { day, seed, dayNo, pace, startsMs } = memory
  const isOn = get(floor.agents, id)?.shift !== null
  if (pace === 'quiet') {
    if (isOn) note(atMs, { kind: 'clockOff', agentId: id })
    return
  }
  const { opensMs, closesMs } = hoursToday(stage, memory)
  const chance = createChance(seedFor(seed, `shift ${id} ${dayNo}`))
  beginShift(scene, id, atMs, chance)
  const comesMs = day.kind === 'live' ? atMs + 300 + chance.next() * 4000 : startsMs + opensMs - 15 * MINUTE + chance.next() * 50 * MINUTE
  if (!isOn) note(comesMs, { kind: 'clockOn', agentId: id })
  if (day.kind === 'calendar') note(startsMs + closesMs - 45 * MINUTE + chance.next() * 60 * MINUTE, { kind: 'clockOff', agentId: id })
}
