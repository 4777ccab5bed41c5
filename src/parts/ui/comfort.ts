// What is kept in this browser for comfort only. Storage may be refused or full at any time; then it is forgotten with the page, and nothing else
// happens: what is kept for comfort may not throw.

const forgotten = { localStorage: new Map<string, string>(), sessionStorage: new Map<string, string>() }
type Where = keyof typeof forgotten

/** What storage says, or nothing when it refuses. Reaching for it may already be refused. */
function tried<T>(ask: () => T): T | undefined {
  try {
    return ask()
  } catch (error) {
    if (!(error instanceof DOMException)) throw error
    return undefined
  }
}

const read = (where: Where, key: string): string | null => forgotten[where].get(key) ?? tried(() => globalThis[where].getItem(key)) ?? null

function write(where: Where, key: string, value: string | null): void {
  forgotten[where].delete(key)
  const isKept = tried(() => {
    if (value === null) globalThis[where].removeItem(key)
    else globalThis[where].setItem(key, value)
    return true
  })
  if (isKept === undefined && value !== null) forgotten[where].set(key, value)
}

export const readComfort = (key: string): string | null => read('localStorage', key)
export const writeComfort = (key: string, value: string): void => write('localStorage', key, value)

/** The same for what no other tab sees and a reload keeps. */
export const readTabComfort = (key: string): string | null => read('sessionStorage', key)
export const writeTabComfort = (key: string, value: string | null): void => write('sessionStorage', key, value)

/** Everything of this tab: whoever sits down next finds nothing of whoever was here. */
export function clearTabComfort(): void {
  forgotten.sessionStorage.clear()
  tried(() => sessionStorage.clear())
}
