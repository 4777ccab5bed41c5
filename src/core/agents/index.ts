export { type Agent, type AgentState, type AgentStateName, agentStateName, createAgent, evolveAgent, SIGNED_IN_REASON } from './agent'
export { type AgentEvent, AgentEventSchema } from './event'
