'use client'
// Shortcuts that work while typing: all of them hold Alt, so that no letter typed in the notes lands in a call action. They go by the letter that is
// printed on the key, on whatever keyboard, and never fire for what writes: not with AltGr, not with Option on a Mac, not on the number block,
// not with any further key held. On a Mac, where Option writes, they are pressed with Control and Option together.
import { useEffect, useLayoutEffect, useRef } from 'react'
import type { Role } from '@/core/calls'
import { ownKeys } from '@/parts/ui'

export const SHORTCUTS = {
  answer: { keys: 'Alt+A', does: 'Answer the call that rings' },
  silence: { keys: 'Alt+S', does: 'Silence the ringing; it goes on on the screen' },
  decline: { keys: 'Alt+X', does: 'Decline: the call goes to the next agent' },
  hold: { keys: 'Alt+H', does: 'Hold, or Retrieve when on hold; listening in: only listen' },
  undo: { keys: 'Alt+Z', does: 'Undo a hang-up, a removal or a decline before it reaches the network' },
  transfer: { keys: 'Alt+T', does: 'Transfer: choose whom, then consult or send at once; listening in: take over' },
  conference: { keys: 'Alt+C', does: 'Conference: bring somebody in, or join both lines' },
  complete: { keys: 'Alt+G', does: 'Complete the transfer to whom you consult; call back who left the message in hand; listening in: step in' },
  alternate: { keys: 'Alt+W', does: 'Talk to the other line; listening in: whisper' },
  endConsult: { keys: 'Alt+E', does: 'End the consult and go back to the first line' },
  keypad: { keys: 'Alt+K', does: 'Keypad' },
  park: { keys: 'Alt+P', does: 'Park the call for anybody to pick up' },
  record: { keys: 'Alt+Y', does: 'Start or stop the recording' },
  move: { keys: 'Alt+V', does: 'Move the call between computer and desk handset' },
  divert: { keys: 'Alt+D', does: 'Divert the call that rings' },
  voicemail: { keys: 'Alt+U', does: 'Send the call that rings to your voicemail' },
  mute: { keys: 'Alt+M', does: 'Mute, or Unmute' },
  hangUp: { keys: 'Alt+Q', does: 'Hang up; listening in: stop listening' },
  askForHelp: { keys: 'Alt+,', does: 'Ask for help with the call, or no longer' },
  nextPage: { keys: 'Alt+N', does: 'Next page of the script' },
  previousPage: { keys: 'Alt+B', does: 'Back one page of the script' },
  notes: { keys: 'Alt+O', does: 'To the notes' },
  save: { keys: 'Alt+Enter', does: 'Save the outcome' },
  extend: { keys: 'Alt+I', does: 'Extend the wrap-up, once' },
  state: { keys: 'Alt+R', does: 'Go ready, or Go not ready' },
  answerNow: { keys: 'Alt+J', does: 'Answer a colleague who asks first: now, and call them back' },
  answerSoon: { keys: 'Alt+F', does: 'Answer a colleague who asks first: in five minutes' },
  answerNo: { keys: 'Alt+.', does: 'Answer a colleague who asks first: no' },
  take: { keys: 'Alt+;', does: 'Take the chat, mail or text that is offered' },
  dial: { keys: 'Alt+L', does: 'To the dial line; on other pages Find: a place, a person, a call or a setting by its name' },
  help: { keys: 'Alt+/', does: 'This list (also ? outside text)' },
} as const

export type ShortcutName = keyof typeof SHORTCUTS

/** The key of each role while one listens in: keys that mean nothing else there. */
export const ROLE_KEYS = { listens: 'hold', whispers: 'alternate', talks: 'complete' } as const satisfies Readonly<Record<Role, ShortcutName>>

/** Alt with a digit chooses the outcome with that key. */
export const outcomeShortcut = (key: string): string => `Alt+${key}`

export type Handlers = Partial<Record<ShortcutName, () => void>> & {
  readonly outcome?: (key: string) => void
  /** The n-th piece in hand. */
  readonly piece?: (n: number) => void
}

/** What of a key press counts here. */
export type Pressed = Pick<KeyboardEvent, 'key' | 'code' | 'altKey' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'getModifierState'>

/** Binds while mounted. A name without a handler does nothing and is left to the browser. */
export function useShortcuts(handlers: Handlers): void {
  const latest = useRef(handlers)
  // Before the picture: a key pressed at once after it means what the picture says.
  useLayoutEffect(() => {
    latest.current = handlers
  })
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      // Behind a dialog nothing of the desk can be seen, so nothing of it is done.
      if (event.defaultPrevented || event.isComposing || document.querySelector('[data-modal]') !== null) return
      const wanted = shortcutOf(event, isMac()) ?? (isQuestion(event) ? { name: 'help' as const } : null)
      const handler =
        wanted === null
          ? undefined
          : 'outcome' in wanted
            ? outcomeHandler(latest.current, wanted.outcome)
            : 'piece' in wanted
              ? pieceHandler(latest.current, wanted.piece)
              : latest.current[wanted.name]
      if (handler === undefined) return
      event.preventDefault()
      if (!event.repeat) handler()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
}

const outcomeHandler = ({ outcome }: Handlers, key: string) => (outcome === undefined ? undefined : () => outcome(key))

const pieceHandler = ({ piece }: Handlers, n: number) => (piece === undefined ? undefined : () => piece(n))

const isMac = (): boolean => navigator.platform.startsWith('Mac')

/** The shortcut a press stands for; null for one that writes, or means nothing here. */
export function shortcutOf(event: Pressed, mac: boolean): { readonly name: ShortcutName } | { readonly outcome: string } | { readonly piece: number } | null {
  if (!event.altKey || event.ctrlKey !== mac || event.metaKey || event.getModifierState('AltGraph')) return null
  // The row of digits writes digits on every keyboard, with Shift on some of them; the number block with Alt writes characters by their number.
  const digit = /^Digit(\d)$/.exec(event.code)?.[1]
  if (event.shiftKey) return digit === undefined || digit === '0' ? null : { piece: Number(digit) }
  if (digit !== undefined) return { outcome: digit }
  const pressed = printedOn(event)
  if (pressed === null) return null
  const own = ownKeys()
  const names = Object.keys(SHORTCUTS) as ShortcutName[]
  const name = names.find((n) => (own[SHORTCUTS[n].keys] ?? SHORTCUTS[n].keys) === `Alt+${pressed}`)
  return name === undefined ? null : { name }
}

/** What is printed on the key, as shortcuts are written; null where the press writes something else. */
export function printedOn({ key, code }: Pick<KeyboardEvent, 'key' | 'code'>): string | null {
  if (key === 'Enter') return code.startsWith('Numpad') ? null : 'Enter'
  if (code.startsWith('Numpad')) return null
  return /^[a-z0-9/.,;]$/i.test(key) ? key.toUpperCase() : null
}

const isQuestion = ({ key, target, altKey, ctrlKey, metaKey }: KeyboardEvent): boolean => {
  const typing = target instanceof HTMLElement && target.closest('input, textarea, select, [contenteditable=true]') !== null
  return key === '?' && !typing && !altKey && !ctrlKey && !metaKey
}
