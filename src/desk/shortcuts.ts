'use client'
// Shortcuts that work while typing: all of them hold Alt, so that no letter typed in the notes lands in a call action.
import { useEffect, useRef } from 'react'

export const SHORTCUTS = {
  answer: { keys: 'Alt+A', code: 'KeyA', does: 'Answer the call that rings' },
  silence: { keys: 'Alt+S', code: 'KeyS', does: 'Silence the ringing; it goes on on the screen' },
  decline: { keys: 'Alt+X', code: 'KeyX', does: 'Decline: the call goes to the next agent' },
  hold: { keys: 'Alt+H', code: 'KeyH', does: 'Hold, or Retrieve when on hold' },
  undo: { keys: 'Alt+Z', code: 'KeyZ', does: 'Undo a hang-up, a removal or a decline before it reaches the network' },
  transfer: { keys: 'Alt+T', code: 'KeyT', does: 'Transfer: choose whom, then consult or send at once' },
  conference: { keys: 'Alt+C', code: 'KeyC', does: 'Conference: bring somebody in, or join both lines' },
  complete: { keys: 'Alt+G', code: 'KeyG', does: 'Complete the transfer to whom you consult' },
  alternate: { keys: 'Alt+W', code: 'KeyW', does: 'Talk to the other line' },
  endConsult: { keys: 'Alt+E', code: 'KeyE', does: 'End the consult and go back to the first line' },
  keypad: { keys: 'Alt+K', code: 'KeyK', does: 'Keypad' },
  park: { keys: 'Alt+P', code: 'KeyP', does: 'Park the call for anybody to pick up' },
  record: { keys: 'Alt+Y', code: 'KeyY', does: 'Start or stop the recording' },
  move: { keys: 'Alt+V', code: 'KeyV', does: 'Move the call between computer and desk handset' },
  divert: { keys: 'Alt+D', code: 'KeyD', does: 'Divert the call that rings' },
  voicemail: { keys: 'Alt+U', code: 'KeyU', does: 'Send the call that rings to your voicemail' },
  mute: { keys: 'Alt+M', code: 'KeyM', does: 'Mute, or Unmute' },
  hangUp: { keys: 'Alt+Q', code: 'KeyQ', does: 'Hang up' },
  nextPage: { keys: 'Alt+N', code: 'KeyN', does: 'Next page of the script' },
  previousPage: { keys: 'Alt+B', code: 'KeyB', does: 'Back one page of the script' },
  notes: { keys: 'Alt+O', code: 'KeyO', does: 'To the notes' },
  save: { keys: 'Alt+Enter', code: 'Enter', does: 'Save the outcome' },
  extend: { keys: 'Alt+I', code: 'KeyI', does: 'Extend the wrap-up, once' },
  state: { keys: 'Alt+R', code: 'KeyR', does: 'Go ready, or Go not ready' },
  dial: { keys: 'Alt+L', code: 'KeyL', does: 'To the dial line' },
  help: { keys: 'Alt+/', code: 'Slash', does: 'This list (also ? outside text)' },
} as const

export type ShortcutName = keyof typeof SHORTCUTS

/** Alt with a digit chooses the outcome with that key. */
export const outcomeShortcut = (key: string): string => `Alt+${key}`

export type Handlers = Partial<Record<ShortcutName, () => void>> & { readonly outcome?: (key: string) => void }

/** Binds while mounted. A name without a handler does nothing and is left to the browser. */
export function useShortcuts(handlers: Handlers): void {
  const latest = useRef(handlers)
  useEffect(() => {
    latest.current = handlers
  })
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const handler = event.altKey && !event.ctrlKey && !event.metaKey ? byAlt(event, latest.current) : byPlainKey(event, latest.current)
      if (handler === undefined) return
      event.preventDefault()
      if (!event.repeat) handler()
    }
    // Chosen by position (code), because Alt with a letter types another character on some keyboards.
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [])
}

function byAlt(event: KeyboardEvent, handlers: Handlers): (() => void) | undefined {
  const digit = /^(?:Digit|Numpad)(\d)$/.exec(event.code)?.[1]
  const { outcome } = handlers
  if (digit !== undefined && outcome !== undefined) return () => outcome(digit)
  const name = (Object.keys(SHORTCUTS) as ShortcutName[]).find((n) => SHORTCUTS[n].code === event.code)
  return name && handlers[name]
}

function byPlainKey(event: KeyboardEvent, handlers: Handlers): (() => void) | undefined {
  const typing = event.target instanceof HTMLElement && event.target.closest('input, textarea, select, [contenteditable=true]') !== null
  return event.key === '?' && !typing ? handlers.help : undefined
}
