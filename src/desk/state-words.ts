// States in words, exactly as they are written on the shift bar and in reports.
import type { AgentStateName } from '@/core/agents'

const WORDS: Record<AgentStateName, string> = {
  signedOut: 'Off shift',
  notReady: 'Not ready',
  ready: 'Ready',
  ringing: 'Ringing',
  onCall: 'On call',
  wrapUp: 'Wrap-up',
}

export const stateWords = (name: AgentStateName, reason: string | null): string => (reason === null ? WORDS[name] : `${WORDS[name]} · ${reason}`)
