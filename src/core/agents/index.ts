export {
  type Agent,
  type AgentState,
  type AgentStateName,
  agentStateName,
  createAgent,
  type Engagement,
  engageAgent,
  engagementsOf,
  evolveAgent,
  type Note,
  type Owed,
  type Shift,
  SIGNED_IN_REASON,
  spentKey,
  spentToday,
  type WrapUp,
} from './agent'
export { type AgentEvent, AgentEventSchema, type Diversion, DiversionSchema, SOUND_PATHS, type SoundPath } from './event'
