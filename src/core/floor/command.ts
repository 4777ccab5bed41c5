// What may be asked of the floor: by people at a desk, and by the network, the stand-ins and time. The schema guards the boundary between tab and
// worker; inside, the type is enough. The rooms say what they take; here they are put together.
import * as z from 'zod'
import { type AttemptReport, CAMPAIGN_ASKS, type CampaignAsk, type DialerCommand } from '@/core/rules/campaign'
import { CIRCLE_ASKS, type CircleCommand } from '@/core/rules/circles'
import { CLOSING_ASKS, type ClosingCommand } from '@/core/rules/closing'
import { COLLEAGUE_ASKS, type ColleagueCommand } from '@/core/rules/colleagues'
import { CONFERENCE_ASKS, type ConferenceAsk, type ConferenceLineCommand } from '@/core/rules/conferences'
import type { DeskReport } from '@/core/rules/desk'
import { DO_NOT_CALL_ASKS, type DoNotCallCommand } from '@/core/rules/do-not-call'
import type { DoorCommand } from '@/core/rules/door'
import { OWNER_ASKS, type OwnerCommand } from '@/core/rules/owner'
import type { PrivacyCommand, RetentionCommand } from '@/core/rules/privacy'
import { PROMISE_ASKS, type PromiseCommand } from '@/core/rules/promises'
import { REVIEW_ASKS, type ReviewCommand } from '@/core/rules/reviews'
import { SHIFT_ASKS, type ShiftCommand } from '@/core/rules/shift'
import { SUPERVISION_ASKS, type SupervisionCommand } from '@/core/rules/supervision'
import { type FarEndCommand, TALK_ASKS, type TalkCommand } from '@/core/rules/talk'
import { type MailboxRings, VOICEMAIL_ASKS, type VoicemailAsk } from '@/core/rules/voicemail'
import { WRITING_ASKS, type WritingAsk, type WritingReport } from '@/core/rules/writing'
import type { PassTime } from './time'

/** What may be asked at a desk. Who asks is not part of it: the exchange knows whose port it came from. */
export const AskSchema = z.discriminatedUnion('kind', [
  ...SHIFT_ASKS,
  ...TALK_ASKS,
  ...CLOSING_ASKS,
  ...CAMPAIGN_ASKS,
  ...COLLEAGUE_ASKS,
  ...PROMISE_ASKS,
  ...DO_NOT_CALL_ASKS,
  ...VOICEMAIL_ASKS,
  ...CONFERENCE_ASKS,
  ...SUPERVISION_ASKS,
  ...REVIEW_ASKS,
  ...WRITING_ASKS,
  ...CIRCLE_ASKS,
  ...OWNER_ASKS,
])
export type Ask = z.infer<typeof AskSchema>

/** What comes from outside: callers, the far ends of dialled calls, the dialer, and time itself. */
export type NetworkCommand =
  | DoorCommand
  | MailboxRings
  | ConferenceLineCommand
  | FarEndCommand
  | AttemptReport
  | DialerCommand
  | WritingReport
  | DeskReport
  | RetentionCommand
  | PassTime

/** What an agent asks for, as it is decided. */
export type AgentCommand =
  | ShiftCommand
  | Exclude<TalkCommand, FarEndCommand>
  | ClosingCommand
  | CampaignAsk
  | PromiseCommand
  | ColleagueCommand
  | DoNotCallCommand
  | VoicemailAsk
  | ConferenceAsk
  | SupervisionCommand
  | ReviewCommand
  | WritingAsk
  | CircleCommand
  | OwnerCommand

/** `PrivacyCommand`: of whoever keeps the ledger, which has more to forget than the floor. */
export type Command = AgentCommand | PrivacyCommand | NetworkCommand
