export { ANY_WORDS, type AnyRefusal } from './refusals'
export { type By, onCall, onShift, onWork, type Refused, type Rule, type Rules, type Ruling, refuse, take } from './rule'
