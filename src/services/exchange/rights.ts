// Who may send what over a tab's port. It is asked before anything is done about a message; what the floor's own rules say of a command comes after it.
import { toRefusalText } from '@/core/floor'
import { unentitled } from '@/core/rules/rights'
import type { Entitlement } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import { LOCKED, NOT_SIGNED_IN, SEAT_ELSEWHERE } from './desk-refusals'
import type { RefusalView, TabMessage } from './protocol'
import type { Tab } from './tab'

/**
 * `device`: the window of a device, of what that device can do. `account`: whoever is signed in. `seat`: at the tab where the shift is. An entitlement, or one
 * of two: whoever has it.
 */
export type MessageRight = 'anybody' | 'device' | 'account' | 'seat' | Entitlement | readonly [Entitlement, Entitlement]

export const MESSAGE_RIGHTS: { readonly [K in TabMessage['kind']]: MessageRight } = {
  ping: 'anybody',
  hello: 'anybody',
  signIn: 'anybody',
  signOut: 'anybody',
  /** Refused wherever a PIN can be read. */
  renewPins: 'anybody',
  /** How numbers are written says nothing of anybody. */
  numbers: 'anybody',
  handset: 'device',
  phoneDials: 'device',
  phoneKeys: 'device',
  phoneHangsUp: 'device',
  dismissNotice: 'account',
  /** Whose seat it needs depends on the command. */
  touch: 'account',
  unlock: 'account',
  lock: 'account',
  command: 'account',
  preview: 'account',
  takeBackAct: 'account',
  /** Of one's own; of others it is for whoever keeps the set-up. */
  setPin: 'account',
  lineSound: 'seat',
  searchCircles: 'account',
  threadLines: 'account',
  drafts: 'account',
  keepDraft: 'account',
  dropDraft: 'account',
  messages: 'account',
  conferences: 'account',
  reviews: 'account',
  doNotCall: 'account',
  people: 'account',
  whoseNumbers: 'account',
  changePeople: 'account',
  checkPeople: 'account',
  setFavourite: 'account',
  setUsualNumber: 'account',
  soundHere: 'account',
  ringHandset: 'account',
  expectPhone: 'account',
  // The stand-ins are whoever's who tries the product.
  setPace: 'account',
  ringMe: 'account',
  writer: 'account',
  callerIntoQueue: 'account',
  ringBack: 'account',
  colleagueCalls: 'account',
  leaveMessage: 'account',
  nextAnswer: 'account',
  listAnswers: 'account',
  /** Where no worker can be shared each tab folds its own history; elsewhere it is for those who answer for the floor. */
  history: 'account',
  foresee: 'supervision',
  pacing: 'supervision',
  ledger: 'supervision',
  damaged: 'supervision',
  readAgain: 'supervision',
  setUp: ['supervision', 'setUp'],
  findKept: 'forgetting',
  forget: 'forgetting',
  /** Of the centre it is for those who answer for the floor. */
  keptThing: 'account',
  keepThing: 'account',
  did: 'account',
  audit: 'setUp',
  checkEverything: 'setUp',
  flushed: 'setUp',
  /** Who may hear a recording or a message is what pages say; sealed they are against whoever reads the disk. */
  soundKey: 'account',
  openSounds: 'setUp',
  /** Any page does it for the centre, and says nothing by it that is not to be seen in the folder. */
  backsUp: 'account',
  putBackupInPlace: 'setUp',
}

export function lacking(state: FloorState, accountId: NonNullable<Tab['accountId']>, what: Entitlement): RefusalView | null {
  const refused = unentitled(state, accountId, what)
  return refused === null ? null : { reason: refused.refusal.reason, ...toRefusalText(refused.refusal) }
}

/** What a locked page does by itself, so that a call goes on there; and what opens it. */
const goesOnLocked = (message: TabMessage): boolean =>
  message.kind === 'unlock' ||
  message.kind === 'soundHere' ||
  message.kind === 'backsUp' ||
  (message.kind === 'command' && (message.command.kind === 'reportSoundLost' || message.command.kind === 'chooseSoundPath'))

/** Why a tab may not send it; null when it may. */
export function mayNot(state: FloorState, tab: Tab, message: TabMessage): RefusalView | null {
  const right = MESSAGE_RIGHTS[message.kind]
  if (right === 'anybody' || right === 'device') return null
  if (tab.accountId === null) return NOT_SIGNED_IN
  const { accountId } = tab
  if (tab.locked && !goesOnLocked(message)) return LOCKED
  if (right === 'account') return null
  if (right === 'seat') return tab.agentId === null ? SEAT_ELSEWHERE : null
  const lacks = (typeof right === 'string' ? [right] : right).map((what) => lacking(state, accountId, what))
  return lacks.includes(null) ? null : (lacks[0] ?? null)
}
