// Who is dialled: whether they answer, and what answers.
import type { Command } from '@/core/floor'
import type { CallId, DeviceId } from '@/core/ids'
import { get } from '@/core/table'
import { SECOND } from '@/core/time'
import { hasDialled } from './colleagues'
import type { AnswersAs } from './memory'
import { type Acts, chanceIn, type Scene, type Sees } from './scene'
import { placeAt } from './stage'

const ANSWER_AS: readonly { readonly weight: number; readonly item: AnswersAs }[] = [
  { weight: 70, item: 'person' },
  { weight: 14, item: 'noAnswer' },
  { weight: 10, item: 'machine' },
  { weight: 6, item: 'busy' },
]

interface End {
  readonly callId: CallId
  readonly deviceId?: DeviceId
}

/** Whoever is brought to a call answers, or does not, for themselves. `keptFor`: a caller who kept their place and is called back, and so waits for it. */
function planAnswer(scene: Scene, end: End, number: string | null, atMs: number, keptFor = false): void {
  const { stage, memory, note } = scene
  const isExpected = placeAt(stage, number) !== undefined || keptFor
  const as: AnswersAs =
    memory.nextAnswer ??
    (isExpected ? 'person' : chanceIn(scene, end.callId, end.deviceId === undefined ? 'far end' : `far end ${end.deviceId}`).weighted(ANSWER_AS))
  memory.nextAnswer = null
  if (as === 'busy') return note(atMs + 1500, { kind: 'farEnd', ...end, report: 'busy' })
  note(atMs + 800, { kind: 'farEnd', ...end, report: 'ringing' })
  if (as === 'person') return note(atMs + 4000, { kind: 'farEnd', ...end, report: 'answered' })
  note(atMs + (as === 'noAnswer' ? 20 * SECOND : 5000), { kind: 'farEnd', ...end, report: as })
}

export const DIALLED_SEE: Sees = {
  callOriginated: (scene, { callId, number }, _, atMs) => planAnswer(scene, { callId }, number, atMs),
  connectionInitiated(scene, { callId, deviceId, party }, floor, atMs) {
    if (party.kind === 'outside') planAnswer(scene, { callId, deviceId }, party.number, atMs, get(floor.calls, callId)?.keptFor != null)
  },
}

export const DIALLED: Acts<'farEnd'> = {
  farEnd(scene, { callId, deviceId, report }, floor, atMs) {
    const { stage, memory } = scene
    const end = deviceId === undefined ? { callId } : { callId, deviceId }
    const work = get(floor.work, callId)
    if (deviceId === undefined && report !== 'ringing' && report !== 'answered') {
      memory.endOf.set(callId, report === 'busy' || report === 'machine' ? report : 'noAnswer')
      if (work?.handledBy != null && memory.plays.has(work.handledBy)) hasDialled(scene, callId, work.handledBy, atMs)
    }
    const command: Command = { kind: 'farEnd', ...end, report }
    return report === 'machine' ? [command, { kind: 'callerSays', ...end, turn: 0, text: stage.words.machine }] : [command]
  },
}
