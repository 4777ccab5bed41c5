// What is refused at a desk before anything is asked of the floor, in words.
import { type FloorRefusal, toRefusalText } from '@/core/floor'
import { type FloorState, readyAgents } from '@/core/state'
import { get } from '@/core/table'
import { ownPinWords, signInWords, type Verified } from './accounts'
import type { RefusalView } from './protocol'
import type { Tab } from './tab'

export const refusalOf = (refusal: FloorRefusal): RefusalView => ({ reason: refusal.reason, ...toRefusalText(refusal) })
export const wordsOf = (verified: Extract<Verified, { ok: false }>): RefusalView => ({ reason: verified.refusal.reason, ...signInWords(verified.refusal) })
export const ownWordsOf = (verified: Extract<Verified, { ok: false }>): RefusalView => ({ reason: verified.refusal.reason, ...ownPinWords(verified.refusal) })

export const NOT_UNDERSTOOD = {
  reason: 'notUnderstood',
  says: 'The desk sent something the floor does not understand.',
  next: 'Reload the page; your work is kept.',
}
export const PINS_READABLE = {
  reason: 'pinsReadable',
  says: 'The PINs of this centre can be read, and nobody is given another one here.',
  next: 'Sign in with yours. A set-up owner can give you a new one.',
}
export const NOT_SIGNED_IN = { reason: 'notSignedIn', says: 'Nobody is signed in at this tab.', next: 'Sign in with your name and PIN.' }
export const LOCKED = { reason: 'locked', says: 'This page is locked, because nobody has touched it for a while.', next: 'Type your PIN to go on.' }
export const SEAT_ELSEWHERE = { reason: 'seatElsewhere', says: 'Your shift is at another tab.', next: 'Go on there, or move your seat here on the Desk.' }
export const STILL_ON_SHIFT = { reason: 'stillOnShift', says: 'You are still on shift.', next: 'End your shift first, then sign out.' }
export const NO_WITNESS = { reason: 'noWitness', says: 'Nobody has shown a PIN for this.', next: 'Let a supervisor choose their name and type their PIN.' }
export const NO_DEVICE = { reason: 'noDevice', says: 'This device belongs to nobody who works here now.', next: 'Open it from the desk, under Sound.' }
const NOT_READY = { reason: 'notReady', says: 'You are not ready, so nothing rings here.', next: 'Press Go ready, then Ring me.' }
const NO_ROOM = {
  reason: 'noRoomForCall',
  says: 'You have as much in hand as you may carry beside a call.',
  next: 'End one of the chats first, or let a caller into the queue instead.',
}
const BUSY = { reason: 'callUnderWay', says: 'A call is at your desk already.', next: 'Finish it first, or let a caller into the queue instead.' }
const OWES = { reason: 'outcomeOwed', says: 'You are in wrap-up, so nothing rings here.', next: 'Save the outcome and go ready, then press Ring me.' }
export const UNREACHABLE = {
  handset: {
    reason: 'handsetUnreachable',
    says: 'The desk handset cannot be reached.',
    next: 'Open the desk handset under Sound and leave its window open, or take another path.',
  },
  ownPhone: { reason: 'phoneNotThere', says: 'Your own phone has not called in.', next: 'Let it call in under Sound, or take another path.' },
} as const

export const NOBODY_CALLS: RefusalView = {
  reason: 'nobodyCalls',
  says: 'No colleague is free to call you.',
  next: 'Choose Ordinary day, or wait until one of them is done with their call.',
}

export const TOO_MANY_KEPT: RefusalView = {
  reason: 'tooManyKept',
  says: 'As many things are kept under this account as can be.',
  next: 'Take one away that is needed no more, then keep this one.',
}
export const TOO_LATE_TO_UNDO: RefusalView = {
  reason: 'tooLateToUndo',
  says: 'That can be taken back for a minute only, and once.',
  next: 'Look at what is so now, and change it.',
}

export const NOT_YOUR_PIECE: RefusalView = {
  reason: 'notYourPiece',
  says: 'This is no longer in your hands.',
  next: 'Whoever has it sees what you had begun to write.',
}

/** Somebody who asks to be rung has to be able to be. */
export function cannotRing(state: FloorState, tab: Tab): RefusalView | null {
  const agent = tab.agentId === null ? undefined : get(state.agents, tab.agentId)
  if (agent?.shift == null)
    return {
      reason: 'notOnShift',
      says: 'You are not on shift at this tab, so nothing can ring here.',
      next: 'Start your shift on the Desk, press Go ready, then Ring me.',
    }
  const words = {
    ready: null,
    signedOut: null,
    notReady: NOT_READY,
    ringing: BUSY,
    onCall: BUSY,
    internalCall: BUSY,
    listening: BUSY,
    writing: readyAgents(state).has(agent.id) ? null : NO_ROOM,
    wrapUp: OWES,
  }[agent.state.name]
  return words
}
export const STORAGE_REFUSES: RefusalView = {
  reason: 'notKept',
  says: 'Storage refuses what happens now, and the floor cannot be opened anew before it is kept.',
  next: 'Save the ledger as a file, make room on the disk, then try again.',
}
export const NOTHING_READY: RefusalView = {
  reason: 'nothingReady',
  says: 'No backup was read whole, so there is nothing to put in place.',
  next: 'Choose the file again.',
}
export const FROM_NEWER: RefusalView = {
  reason: 'fromNewer',
  says: 'A newer version of the product kept what is in this file, and this one cannot read all of it.',
  next: 'Restore it where that version runs, or update this one first. Everything here is as it was.',
}
export const NOTHING_SET_ASIDE: RefusalView = {
  reason: 'stillUnreadable',
  says: 'Nothing is set aside any more.',
  next: 'There is nothing more to do.',
}
export const STILL_UNREADABLE = (problem: string): RefusalView => ({
  reason: 'stillUnreadable',
  says: `What was set aside cannot be read by this version either: ${problem}.`,
  next: 'Save it as a file. A newer version reads it again by itself when it is opened.',
})
export const TOO_MUCH = (much: string): RefusalView => ({
  reason: 'tooMuch',
  says: `That is more than the floor takes at once: ${much}.`,
  next: 'Do it in parts. What you typed is kept.',
})
export const FAULT = (why: string): RefusalView => ({
  reason: 'fault',
  says: `Something went wrong on the floor, and this was not done. (${why})`,
  next: 'Try again; if it stays so, reload the page. Your work is kept.',
})

/** Not refusals, and said to everybody: a backup that nobody sees to is none. */
const SEE_TO_IT = 'Whoever keeps the set-up sees to it under Set-up, What is kept.'
export const BACKUP_FAILED = `The backup that is made by itself could not be made, and is tried again. ${SEE_TO_IT}`
export const BACKUP_NEEDS_LEAVE = `No backup is made by itself any more: the browser asks again whether files may be written into its folder. ${SEE_TO_IT}`
