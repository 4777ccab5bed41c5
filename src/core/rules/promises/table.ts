import { type AnyRefusal, onShift, type Rules } from '@/core/rules/rule'
import type { PromiseCommand } from './commands'
import type { PromiseRefusal } from './refusals'
import { closeTask, dropCallback, handOverCallback, moveCallback } from './rules'

export const PROMISE_RULES: Rules<PromiseCommand, PromiseRefusal | AnyRefusal> = {
  moveCallback: onShift(moveCallback),
  handOverCallback: onShift(handOverCallback),
  dropCallback: onShift(dropCallback),
  closeTask: onShift(closeTask),
}
