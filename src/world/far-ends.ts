// Everybody at the other end who is not the caller: whether they answer, places that are dialled, a menu that listens for digits, mailboxes, and
// colleagues who are asked something. What they hear is what the floor says they hear.
import { type Connection, connectionOf, type Party, whoHearsWhom } from '@/core/calls'
import { type AgentId, type CallId, type DeviceId, deviceOfAgent, deviceOutside } from '@/core/ids'
import { agentOfDevice, type FloorState } from '@/core/state'
import { get } from '@/core/table'
import { SECOND } from '@/core/time'
import { detectDigits } from '@/core/tones'
import { type Acts, chanceIn, type FloorEvent, type Scene, type Sees } from './scene'
import { placeAt } from './stage'

/** They begin to speak this long after the tone, and at this pace. */
const SPEAKS_AFTER_MS = 900
const PER_CHARACTER_MS = 80
const BETWEEN_SENTENCES_MS = 700
/** Whoever was dialled in besides the caller stays this long. */
const STAYS_MS = 240 * SECOND

export const isHeld = (floor: FloorState, callId: CallId): boolean => get(floor.calls, callId)?.connections.some((c) => c.state === 'held') ?? false

export const isOutside = ({ party }: Connection): boolean => party.kind === 'outside'

const remark = ({ note }: Scene, callId: CallId, deviceId: DeviceId, text: string, atMs: number) => note(atMs, { kind: 'remark', callId, deviceId, text })

export const FAR_ENDS: Acts<'remark' | 'heardDigits'> = {
  remark: (_, { callId, deviceId, text }) => [{ kind: 'callerSays', callId, deviceId, turn: 0, text }],
  heardDigits(scene, { callId, deviceId, digits }, floor, atMs) {
    const { stage } = scene
    const call = get(floor.calls, callId)
    const party = call && connectionOf(call, deviceId)?.party
    const menu = party?.kind === 'outside' ? placeAt(stage, party.number)?.menu : null
    if (menu != null) remark(scene, callId, deviceId, menu[digits.at(-1) ?? ''] ?? stage.words.notOnTheMenu, atMs + 500)
    return [{ kind: 'digitsHeard', callId, deviceId, digits }]
  },
}

export const FAR_ENDS_SEE: Sees = {
  messageBegun: (scene, event, floor) => leavesMessage(scene, event, floor),
  connectionEstablished(scene, { callId, deviceId }, floor, atMs) {
    const { stage, memory, note } = scene
    const chance = chanceIn(scene, callId, 'remark')
    const call = get(floor.calls, callId)
    const party = call && connectionOf(call, deviceId)?.party
    if (call === undefined || party === undefined) return
    const isCaller = deviceId === deviceOutside(callId, 1) && call.consultFor === null
    if (party.kind === 'outside' && !isCaller) {
      remark(scene, callId, deviceId, placeOf(scene, party)?.greeting ?? chanceIn(scene, callId, `remark ${deviceId}`).pick(stage.words.stranger), atMs + 900)
      note(atMs + STAYS_MS, { kind: 'leave', callId, deviceId })
      return
    }
    // The caller of a call dialled to a place greets as that place does.
    const place = placeOf(scene, party)
    if (place !== undefined) remark(scene, callId, deviceId, place.greeting, atMs + 700)
    const agentId = agentOfDevice(deviceId)
    if (
      agentId !== null &&
      memory.plays.has(agentId) &&
      call.messageId === null &&
      (call.consultFor !== null || get(floor.work, callId)?.handledBy !== agentId)
    )
      remark(scene, callId, deviceId, chance.pick(stage.words.colleague), atMs + 1_000)
  },
}

/** Somebody from outside says what they have to say, and hangs up. */
function leavesMessage(scene: Scene, { callId, box, toneAtMs }: Extract<FloorEvent, { kind: 'messageBegun' }>, floor: FloorState): void {
  const caller = get(floor.calls, callId)?.connections.find(isOutside)?.deviceId
  if (caller === undefined) return
  const of = box.kind === 'queue' ? box.queueId : null
  const all = scene.stage.words.messages
  const fitting = all.filter((m) => of === null || m.of === of)
  const { says } = chanceIn(scene, callId, 'message').pick(fitting.length === 0 ? all : fitting)
  let atMs = toneAtMs + SPEAKS_AFTER_MS
  for (const text of says) {
    remark(scene, callId, caller, text, atMs)
    atMs += text.length * PER_CHARACTER_MS + BETWEEN_SENTENCES_MS
  }
  scene.note(atMs, { kind: 'leave', callId, deviceId: caller })
}

const placeOf = ({ stage }: Scene, party: Party) => (party.kind === 'outside' ? placeAt(stage, party.number) : undefined)

/** Sound that an agent sends into a call: digits in it are heard by everybody out there who hears the agent. */
export function hear({ note }: Scene, callId: CallId, agentId: AgentId | null, samples: Float32Array, floor: FloorState, atMs: number): void {
  const call = get(floor.calls, callId)
  if (call === undefined || agentId === null) return
  const digits = detectDigits(samples)
  if (digits === '') return
  // A keypad is heard even when the microphone is muted; not on a line that is held or being cut off.
  const ears = whoHearsWhom(call, () => false)
  for (const { listener, speaker, hears } of ears)
    if (speaker === deviceOfAgent(agentId) && hears === 'voice' && !listener.startsWith('dev_agent_'))
      note(atMs, { kind: 'heardDigits', callId, deviceId: listener, digits })
}
