import { onShift, type Rules } from '@/core/rules/rule'
import type { WritingCommand } from './commands'
import { handThreadOn, moveThread } from './moving'
import type { RulingRefusal } from './refusals'
import {
  askIn,
  askOut,
  customerKeepsPlace,
  customerLeaves,
  customerTypes,
  customerWrites,
  declineThread,
  endThread,
  lineSent,
  onOwnThread,
  onThread,
  openThread,
  parkThread,
  ringInstead,
  takeThread,
  threadArrives,
  unparkThread,
  writeLine,
} from './rules'

export const WRITING_RULES: Rules<WritingCommand, RulingRefusal> = {
  threadArrives,
  customerWrites,
  customerTypes,
  customerLeaves,
  customerKeepsPlace,
  lineSent,
  takeThread: onThread(takeThread),
  declineThread: onThread(declineThread),
  writeLine: onThread(writeLine),
  endThread: onOwnThread(endThread),
  ringInstead: onOwnThread(ringInstead),
  parkThread: onOwnThread(parkThread),
  unparkThread: onThread(unparkThread),
  handThreadOn: onOwnThread(handThreadOn),
  moveThread,
  askIn: onOwnThread(askIn),
  askOut: onThread(askOut),
  openThread: onShift(openThread),
}
