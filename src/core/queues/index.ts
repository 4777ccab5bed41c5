// Queues: who waits in which order, when a queue is open, what a caller can expect, and which agent the next call goes to.
export { type Assignment, assign, fitFor, type ReadyAgent, type WaitingCall } from './assign'
export { type QueueEvent, QueueEventSchema } from './event'
export { expectedWaitMs, foldHandleMs } from './expected'
export { type Doors, isOpen, isOpenAt } from './hours'
export { nextStep, type OverflowStep, type QueueRules, type RoutingRules, routingRules } from './rules'
export { anybodyWaits, dequeue, enqueue, type Waiting } from './waiting'
