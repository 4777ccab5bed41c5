// Staffing: what waits to expect from so many calls and so many agents.
export { erlangA, erlangC, type Staffing, type WaitingFigures } from './erlang'
