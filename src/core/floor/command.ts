// What may be asked of the floor: by people at a desk, and by the network and the stand-ins. The schema guards
// the boundary between tab and worker; inside, the type is enough.
import * as z from 'zod'
import { SOUND_PATHS } from '@/core/agents'
import { CustomerSchema, ENDPOINTS, type Failure, TargetSchema } from '@/core/calls'
import { WhomSchema } from '@/core/do-not-call'
import { type AgentId, AgentIdSchema, CallbackIdSchema, CallIdSchema, type DeviceId, DeviceIdSchema, QueueIdSchema, TaskIdSchema } from '@/core/ids'
import { ThenSchema } from '@/core/outcomes'
import { AnswerValueSchema } from '@/core/scripts'
import { SetUpSchema } from '@/core/set-up'
import { LAST_INSTANT_MS } from '@/core/time'

const mine = { callId: CallIdSchema }
/** An instant a calendar can name: later or earlier ones break whoever shows them. */
const instant = z.number().int().min(0).max(LAST_INSTANT_MS)
/** Where own calls shall go: the voicemail, or a number as it was typed. */
const DiversionWishSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('voicemail') }),
  z.object({ kind: z.literal('number'), typed: z.string() }),
])

const party = { ...mine, deviceId: DeviceIdSchema }

/** What may be asked at a desk. Who asks is not part of it: the exchange knows whose port it came from. */
export const AskSchema = z.discriminatedUnion('kind', [
  z
    .object({
      kind: z.literal('startShift'),
      queueIds: z.array(QueueIdSchema),
      seat: z.enum(['desk', 'standIn']),
      soundPath: z.enum(SOUND_PATHS).optional(),
    })
    .readonly(),
  /** The shift goes on at this desk instead of the one it was started at. */
  z.object({ kind: z.literal('moveSeat') }).readonly(),
  z.object({ kind: z.literal('endShift') }).readonly(),
  z.object({ kind: z.literal('goReady') }).readonly(),
  z.object({ kind: z.literal('goNotReady'), reason: z.string() }).readonly(),
  z.object({ kind: z.literal('setMute'), muted: z.boolean() }).readonly(),
  z.object({ kind: z.literal('chooseSoundPath'), path: z.enum(SOUND_PATHS) }).readonly(),
  z.object({ kind: z.literal('reportSoundLost'), why: z.string() }).readonly(),
  z.object({ kind: z.literal('setNote'), text: z.string(), untilMs: instant.nullable(), coverId: AgentIdSchema.nullable() }).readonly(),
  z.object({ kind: z.literal('clearNote') }).readonly(),
  z.object({ kind: z.literal('setDoNotDisturb'), on: z.boolean() }).readonly(),
  z.object({ kind: z.literal('setDiversion'), to: DiversionWishSchema.nullable() }).readonly(),
  // Set-up, by whoever may change it; nobody needs to be on shift for it. `basedOn` is the revision that was changed.
  z.object({ kind: z.literal('switchStorm'), queueId: QueueIdSchema, on: z.boolean() }).readonly(),
  z.object({ kind: z.literal('changeSetUp'), setUp: SetUpSchema, basedOn: z.number().int().optional() }).readonly(),
  z
    .object({
      kind: z.literal('makeCall'),
      typed: z.string(),
      customer: CustomerSchema.nullable(),
      /** The callback it is made for, whose number and record it takes. */
      callbackId: CallbackIdSchema.optional(),
      /** A supervisor lets this one call be made in spite of the do-not-call list: who, is known by the PIN they typed at the desk. */
      waiver: z.object({ agentId: AgentIdSchema, why: z.string() }).readonly().optional(),
    })
    .readonly(),
  // Callbacks and tasks.
  z.object({ kind: z.literal('moveCallback'), callbackId: CallbackIdSchema, dueAtMs: instant, timeZone: z.string(), why: z.string() }).readonly(),
  z.object({ kind: z.literal('handOverCallback'), callbackId: CallbackIdSchema, ownerId: AgentIdSchema.nullable() }).readonly(),
  z.object({ kind: z.literal('dropCallback'), callbackId: CallbackIdSchema, why: z.string() }).readonly(),
  z.object({ kind: z.literal('closeTask'), taskId: TaskIdSchema }).readonly(),
  // The do-not-call list; nobody needs to be on shift for it.
  z
    .object({
      kind: z.literal('addDoNotCall'),
      entries: z.array(z.object({ whom: WhomSchema, why: z.string(), sinceMs: instant.optional(), by: z.string().optional() }).readonly()).readonly(),
    })
    .readonly(),
  z.object({ kind: z.literal('removeDoNotCall'), whom: WhomSchema, why: z.string() }).readonly(),
  /** By whoever coded it on this shift, or by a supervisor. */
  z
    .object({
      kind: z.literal('correctOutcome'),
      ...mine,
      queueId: QueueIdSchema.nullable(),
      direction: z.string(),
      code: z.string(),
      was: z.string().nullable(),
      why: z.string(),
    })
    .readonly(),
  // A call that rings here.
  z.object({ kind: z.literal('answer'), ...mine }).readonly(),
  z.object({ kind: z.literal('decline'), ...mine }).readonly(),
  z.object({ kind: z.literal('silence'), ...mine }).readonly(),
  z.object({ kind: z.literal('divert'), ...mine, target: TargetSchema }).readonly(),
  /** Who the caller is: somebody of the records by id, or as the agent has it from them. */
  z.object({ kind: z.literal('identifyCaller'), ...mine, customerId: z.string().nullable(), customer: CustomerSchema.nullable() }).readonly(),
  // A live call.
  z.object({ kind: z.literal('hold'), ...mine }).readonly(),
  z.object({ kind: z.literal('retrieve'), ...mine }).readonly(),
  z.object({ kind: z.literal('alternate'), ...mine }).readonly(),
  z.object({ kind: z.literal('hangUp'), ...mine }).readonly(),
  z.object({ kind: z.literal('takeBack'), ...mine }).readonly(),
  /** What was asked to end reaches the network at once. */
  z.object({ kind: z.literal('endNow'), ...mine }).readonly(),
  z.object({ kind: z.literal('sendDigits'), ...mine, digits: z.string() }).readonly(),
  z.object({ kind: z.literal('moveCall'), ...mine, endpoint: z.enum(ENDPOINTS) }).readonly(),
  z.object({ kind: z.literal('record'), ...mine, to: z.enum(['on', 'paused', 'off']) }).readonly(),
  // Others on the call.
  z.object({ kind: z.literal('consult'), ...mine, target: TargetSchema }).readonly(),
  z.object({ kind: z.literal('endConsult'), ...mine }).readonly(),
  z.object({ kind: z.literal('completeTransfer'), ...mine }).readonly(),
  z.object({ kind: z.literal('transfer'), ...mine, target: TargetSchema }).readonly(),
  z.object({ kind: z.literal('conference'), ...mine }).readonly(),
  z.object({ kind: z.literal('addParty'), ...mine, target: TargetSchema }).readonly(),
  z.object({ kind: z.literal('muteParty'), ...party, muted: z.boolean() }).readonly(),
  z.object({ kind: z.literal('removeParty'), ...party }).readonly(),
  z.object({ kind: z.literal('startAside'), ...party, othersHear: z.enum(['music', 'eachOther']) }).readonly(),
  z.object({ kind: z.literal('endAside'), ...mine }).readonly(),
  z.object({ kind: z.literal('endForEveryone'), ...mine }).readonly(),
  z.object({ kind: z.literal('park'), ...mine }).readonly(),
  z.object({ kind: z.literal('pickUp'), ...mine }).readonly(),
  // The business around it.
  z.object({ kind: z.literal('turnPage'), ...mine, direction: z.enum(['next', 'back', 'jump']), pageId: z.string().optional() }).readonly(),
  z.object({ kind: z.literal('answerScript'), ...mine, field: z.string(), value: AnswerValueSchema.nullable() }).readonly(),
  z.object({ kind: z.literal('draftNotes'), ...mine, text: z.string(), followUp: z.string() }).readonly(),
  z
    .object({
      kind: z.literal('saveOutcome'),
      ...mine,
      code: z.string().nullable(),
      notes: z.string(),
      followUp: z.string(),
      andThen: ThenSchema,
      insists: z.boolean().optional(),
      /** When the code asks for a callback: the number as it was typed, empty for the one of the call. */
      callback: z
        .object({ dueAtMs: instant, timeZone: z.string(), typed: z.string(), owner: z.enum(['mine', 'anyone']) })
        .readonly()
        .optional(),
      /** When the code files a task: what the agent made of it. */
      task: z
        .object({ title: z.string(), text: z.string(), dueAtMs: instant, assignee: z.enum(['agent', 'anybody']) })
        .readonly()
        .optional(),
    })
    .readonly(),
  z.object({ kind: z.literal('extendWrapUp'), ...mine, why: z.string() }).readonly(),
  /** The outcome saved a moment ago. */
  z.object({ kind: z.literal('takeBackOutcome'), ...mine }).readonly(),
])
export type Ask = z.infer<typeof AskSchema>

type By<T> = T extends unknown ? T & { readonly agentId: AgentId } : never
/** What an agent asks for, as it is decided. */
export type AgentCommand = By<Ask>

type CallId = z.infer<typeof CallIdSchema>

/** What comes from outside: callers, the far ends of dialled calls, and time itself. No device means the first outside party. */
export type NetworkCommand =
  | {
      readonly kind: 'callArrives'
      readonly queueId: z.infer<typeof QueueIdSchema>
      readonly number: string | null
      readonly customer: z.infer<typeof CustomerSchema> | null
      /** Everybody the number belongs to, where it is more than one. */
      readonly matches?: readonly z.infer<typeof CustomerSchema>[]
      readonly path: string | null
      /** It rings at this agent first, if they are ready; declined or missed, it waits like any other. */
      readonly ringsAt?: AgentId
    }
  /** A waiting caller would rather hang up and be called back. */
  | { readonly kind: 'keepPlace'; readonly callId: CallId }
  | { readonly kind: 'farEnd'; readonly callId: CallId; readonly deviceId?: DeviceId; readonly report: 'ringing' | 'answered' | Failure }
  | { readonly kind: 'callerHangsUp'; readonly callId: CallId; readonly deviceId?: DeviceId }
  | { readonly kind: 'callerSays'; readonly callId: CallId; readonly deviceId?: DeviceId; readonly turn: number; readonly text: string }
  | { readonly kind: 'digitsHeard'; readonly callId: CallId; readonly deviceId: DeviceId; readonly digits: string }
  /** Time has passed: rings over their limit move on. Due whenever `nextDueAtMs` says so. */
  | { readonly kind: 'passTime' }

export type Command = AgentCommand | NetworkCommand
