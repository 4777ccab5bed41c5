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
  | { readonly reason: 'nobodyChosen' }
  | { readonly reason: 'agentOffShift'; readonly name: string }
  | { readonly reason: 'agentCannotBeReady'; readonly name: string; readonly why: 'sound' | 'desk' | 'owes' }
  | { readonly reason: 'agentAtWork'; readonly name: string }
  | { readonly reason: 'agentServesNothing'; readonly name: string }
  | { readonly reason: 'agentMayNotWork'; readonly name: string; readonly campaign: string; readonly why: 'notTheirs' | 'closed' }
  | { readonly reason: 'personComesTo'; readonly name: string }
  | { readonly reason: 'wordEmpty' }
  | { readonly reason: 'notWaitingNow' }
  | { readonly reason: 'agentNotReady'; readonly name: string }
  | { readonly reason: 'callerUnnumbered' }
  | { readonly reason: 'alreadyAtHead' }
  | { readonly reason: 'doorUnchanged'; readonly queue: string }

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
  nobodyChosen: () => ({ says: 'Nobody is chosen.', next: 'Choose at least one agent.' }),
  agentOffShift: ({ name }) => ({ says: `${name} is not on shift any more.`, next: 'Choose somebody who is.' }),
  agentCannotBeReady: ({ name, why }) =>
    why === 'sound'
      ? { says: `${name} has lost their sound, so a caller would hear nothing.`, next: 'Ask them to bring it back under Sound.' }
      : why === 'desk'
        ? { says: `Nothing is heard of the desk of ${name}, so a caller would reach nobody.`, next: 'Wait until it is back, or end their shift.' }
        : { says: `${name} has more calls without an outcome than this centre allows.`, next: 'Ask them to code their last call.' },
  agentAtWork: ({ name }) => ({ says: `${name} is on a call, or one rings there.`, next: 'Wait until it is over, or take it over.' }),
  agentServesNothing: ({ name }) => ({ says: `${name} would serve nothing any more.`, next: 'Leave one queue or campaign, or set them not ready.' }),
  agentMayNotWork: ({ name, campaign, why }) =>
    why === 'closed'
      ? { says: `${campaign} has not been started, or is finished.`, next: 'Start it under Campaigns, or choose another one.' }
      : { says: `${name} does not work ${campaign}.`, next: 'Add them to it in Set-up, or choose another one.' },
  personComesTo: ({ name }) => ({ says: `Somebody who was reached is on the way to ${name}.`, next: 'Wait a moment, or set them not ready first.' }),
  wordEmpty: () => ({ says: 'The message is empty.', next: 'Write what they should know.' }),
  notWaitingNow: () => ({ says: 'That caller does not wait any more.', next: 'They have been answered, or have hung up.' }),
  agentNotReady: ({ name }) => ({ says: `${name} is not ready.`, next: 'Choose somebody who is ready.' }),
  callerUnnumbered: () => ({ says: 'This caller’s number is withheld, so they cannot be called.', next: 'Send them to somebody instead.' }),
  alreadyAtHead: () => ({ says: 'That caller is next already.', next: 'Nothing to do.' }),
  doorUnchanged: ({ queue }) => ({ says: `${queue} is that way already.`, next: 'Nothing to do.' }),
}
