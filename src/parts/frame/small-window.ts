'use client'
// A small window that stays above all others, for who works in another program meanwhile: the browser's document picture-in-picture, or a plain window
// where it has none. It is opened by a press, and is a part of this tab: it closes with it.
import { createStore, useStore } from 'zustand'

const WIDTH = 460
const HEIGHT = 720

interface PictureInPicture {
  requestWindow(options: { width: number; height: number }): Promise<Window>
}

const store = createStore<{ readonly open: Window | null; readonly problem: string | null }>(() => ({ open: null, problem: null }))

export const useSmallWindow = (): Window | null => useStore(store, (s) => s.open)
export const useSmallWindowProblem = (): string | null => useStore(store, (s) => s.problem)

export async function openSmallWindow(): Promise<void> {
  const before = store.getState().open
  if (before !== null) return before.focus()
  const opened = await requested()
  if (opened === null)
    return store.setState({ problem: 'The browser has opened no window. Allow windows of this page in the site settings at the left end of the address bar.' })
  dress(opened)
  opened.addEventListener('pagehide', () => store.setState({ open: null }))
  window.addEventListener('pagehide', () => opened.close(), { once: true })
  store.setState({ open: opened, problem: null })
}

export function closeSmallWindow(): void {
  store.getState().open?.close()
  store.setState({ open: null })
}

async function requested(): Promise<Window | null> {
  const above = (window as { readonly documentPictureInPicture?: PictureInPicture }).documentPictureInPicture
  try {
    if (above !== undefined) return await above.requestWindow({ width: WIDTH, height: HEIGHT })
  } catch (error) {
    // Refused without a press, or where nothing can stay above: then a plain one.
    console.warn('No window above others:', error)
  }
  return window.open('', 'loyal-switchboard-small', `popup,width=${WIDTH},height=${HEIGHT}`)
}

/** It looks like this page, and what is pressed in it means the same. */
function dress(small: Window): void {
  const { document: there } = small
  there.title = 'Loyal Switchboard'
  there.documentElement.lang = document.documentElement.lang
  Object.assign(there.documentElement.dataset, document.documentElement.dataset)
  for (const sheet of document.querySelectorAll('style, link[rel="stylesheet"]')) there.head.append(there.importNode(sheet, true))
  there.body.className = document.body.className
  const forward = (event: KeyboardEvent) => {
    if (event.defaultPrevented || event.isComposing) return
    const { key, code, altKey, ctrlKey, metaKey, shiftKey, repeat } = event
    const same = new KeyboardEvent(event.type, { key, code, altKey, ctrlKey, metaKey, shiftKey, repeat, cancelable: true })
    if (!window.dispatchEvent(same)) event.preventDefault()
  }
  small.addEventListener('keydown', forward)
  small.addEventListener('keyup', forward)
  // Whoever goes elsewhere with a key held lets go of it there.
  small.addEventListener('blur', () => window.dispatchEvent(new FocusEvent('blur')))
}
