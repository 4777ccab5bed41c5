// States in words, exactly as they are written on the shift bar and in reports.
import type { AgentStateName } from '@/core/agents'
import { SIGNED_IN_REASON } from '@/core/agents'
import type { Role } from '@/core/calls'
import { DESK_LOST } from '@/core/set-up'
import type { DiversionView } from '@/services/exchange/protocol'
import { numberWords } from './number-words'

const WORDS: Record<AgentStateName, string> = {
  signedOut: 'Off shift',
  notReady: 'Not ready',
  ready: 'Ready',
  ringing: 'Ringing',
  onCall: 'On call',
  internalCall: 'On internal call',
  listening: 'Listening in',
  writing: 'Writing',
  wrapUp: 'Wrap-up',
}

export const stateWords = (name: AgentStateName, reason: string | null): string =>
  // Not what they do, but that nothing is heard of them.
  reason === DESK_LOST ? DESK_LOST : reason === null ? WORDS[name] : `${WORDS[name]} · ${reason === SIGNED_IN_REASON ? 'Just signed in' : reason}`

/** What somebody does who comes to an agent's call, as it stands on a button. */
export const ROLE_WORDS: Readonly<Record<Role, string>> = { listens: 'Listen', whispers: 'Whisper', talks: 'Step in' }

/** From who is heard by nobody to who is heard by all. */
export const ROLES_BY_SILENCE: readonly Role[] = ['listens', 'whispers', 'talks']

/** What a key of `spentKey` stands for. */
export function spentWords(key: string): string {
  const [name = '', ...reason] = key.split(' ')
  return stateWords(name as AgentStateName, reason.length === 0 ? null : reason.join(' '))
}

const whither = (to: DiversionView): string => (to.kind === 'agent' ? to.name : to.kind === 'number' ? numberWords(to.number) : 'voicemail')

export const diversionWords = (to: DiversionView): string => `Your own calls go to ${to.kind === 'voicemail' ? 'your ' : ''}${whither(to)}.`

export const diversionShort = (to: DiversionView): string => `diverted to ${whither(to)}`
