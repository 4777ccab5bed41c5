export { aCrowdedFloor, CROWDED, MANY, partiesOn, type Step, steps, toCommand } from './commands'
export { ANN, aFloor, aReadyFloor, arrives, BO, CY, FIRST, SECOND_QUEUE, SMALL, START_MS, type TestFloor } from './small'
