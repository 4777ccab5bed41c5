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
  SIGNED_IN_REASON,
  type WrapUp,
} from './agent'
export { type AgentEvent, AgentEventSchema } from './event'
