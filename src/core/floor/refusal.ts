// Every reason the floor may refuse for, and what is said of it, put together from the rooms that refuse.
import { CALL_WORDS, type CallRefusal } from '@/core/calls'
import { NUMBER_WORDS, type NumberRefusal } from '@/core/directory'
import type { RefusalText, WordsOf } from '@/core/refusal'
import { CAMPAIGN_WORDS, type CampaignRefusal } from '@/core/rules/campaign'
import { CIRCLE_WORDS, type CircleRefusal } from '@/core/rules/circles'
import { CLOSING_WORDS, type ClosingRefusal } from '@/core/rules/closing'
import { COLLEAGUE_WORDS, type ColleagueRefusal } from '@/core/rules/colleagues'
import { CONFERENCE_WORDS, type ConferenceRefusal } from '@/core/rules/conferences'
import { DO_NOT_CALL_WORDS, type DoNotCallRefusal } from '@/core/rules/do-not-call'
import { DOOR_WORDS, type DoorRefusal } from '@/core/rules/door'
import { OWNER_WORDS, type OwnerRefusal } from '@/core/rules/owner'
import { PRIVACY_WORDS, type PrivacyRefusal } from '@/core/rules/privacy'
import { PROMISE_WORDS, type PromiseRefusal } from '@/core/rules/promises'
import { REVIEW_WORDS, type ReviewRefusal } from '@/core/rules/reviews'
import { RIGHTS_WORDS, type RightsRefusal } from '@/core/rules/rights'
import { ANY_WORDS, type AnyRefusal } from '@/core/rules/rule'
import { SHIFT_WORDS, type ShiftRefusal } from '@/core/rules/shift'
import { SUPERVISION_WORDS, type SupervisionRefusal } from '@/core/rules/supervision'
import { TALK_WORDS, type TalkRefusal } from '@/core/rules/talk'
import { VOICEMAIL_WORDS, type VoicemailRefusal } from '@/core/rules/voicemail'
import { WRITING_WORDS, type WritingRefusal } from '@/core/rules/writing'
import { SCRIPT_WORDS, type ScriptRefusal } from '@/core/scripts'

export type FloorRefusal =
  | AnyRefusal
  | RightsRefusal
  | ShiftRefusal
  | DoorRefusal
  | TalkRefusal
  | ClosingRefusal
  | CampaignRefusal
  | ColleagueRefusal
  | PromiseRefusal
  | DoNotCallRefusal
  | OwnerRefusal
  | PrivacyRefusal
  | VoicemailRefusal
  | ConferenceRefusal
  | SupervisionRefusal
  | ReviewRefusal
  | WritingRefusal
  | CircleRefusal
  | CallRefusal
  | ScriptRefusal
  | NumberRefusal

const WORDS: WordsOf<FloorRefusal> = {
  ...ANY_WORDS,
  ...RIGHTS_WORDS,
  ...SHIFT_WORDS,
  ...DOOR_WORDS,
  ...TALK_WORDS,
  ...CLOSING_WORDS,
  ...CAMPAIGN_WORDS,
  ...COLLEAGUE_WORDS,
  ...PROMISE_WORDS,
  ...DO_NOT_CALL_WORDS,
  ...OWNER_WORDS,
  ...PRIVACY_WORDS,
  ...VOICEMAIL_WORDS,
  ...CONFERENCE_WORDS,
  ...SUPERVISION_WORDS,
  ...REVIEW_WORDS,
  ...WRITING_WORDS,
  ...CIRCLE_WORDS,
  ...CALL_WORDS,
  ...SCRIPT_WORDS,
  ...NUMBER_WORDS,
}

/** Every reason there is. */
export const REFUSAL_REASONS = Object.keys(WORDS) as readonly FloorRefusal['reason'][]

export const toRefusalText = (refusal: FloorRefusal): RefusalText => (WORDS[refusal.reason] as (refusal: FloorRefusal) => RefusalText)(refusal)
