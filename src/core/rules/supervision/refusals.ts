// Why whoever answers for the floor may not come to a call, and what is said of it.
import type { CallRefusal } from '@/core/calls'
import type { WordsOf } from '@/core/refusal'
import type { RightsRefusal } from '@/core/rules/rights'
import type { AnyRefusal } from '@/core/rules/rule'
import type { ShiftRefusal } from '@/core/rules/shift'

export type SupervisionRefusal =
  | { readonly reason: 'noSoundToListen' }
  | { readonly reason: 'agentConsults'; readonly name: string }
  | { readonly reason: 'helpAskedAlready' }
  | { readonly reason: 'noHelpAsked' }

/** All that may come of a rule of this room. */
export type RulingRefusal = SupervisionRefusal | AnyRefusal | RightsRefusal | ShiftRefusal | CallRefusal

export const SUPERVISION_WORDS: WordsOf<SupervisionRefusal> = {
  noSoundToListen: () => ({ says: 'Nothing can be heard at this desk: its sound is off or has failed.', next: 'Choose a sound path in the shift bar first.' }),
  agentConsults: (refusal) => ({
    says: `${refusal.name} is talking with somebody else about this call.`,
    next: 'Step in, or take it over once they are back with the caller.',
  }),
  helpAskedAlready: () => ({ says: 'You have asked for help with this call already.', next: 'Go on with the call; somebody will come, or say so.' }),
  noHelpAsked: () => ({ says: 'Nobody asks for help there any more.', next: 'Nothing to do.' }),
}
