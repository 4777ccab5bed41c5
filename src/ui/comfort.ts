// What is kept in this browser for comfort only. Storage may be refused or full at any time; then it is forgotten with the page, and nothing else
// happens: what is kept for comfort may not throw.

const forgotten = new Map<string, string>()

export function readComfort(key: string): string | null {
  const held = forgotten.get(key)
  if (held !== undefined) return held
  try {
    return localStorage.getItem(key)
  } catch (error) {
    if (!(error instanceof DOMException)) throw error
    return null
  }
}

export function writeComfort(key: string, value: string): void {
  try {
    localStorage.setItem(key, value)
    forgotten.delete(key)
  } catch (error) {
    if (!(error instanceof DOMException)) throw error
    forgotten.set(key, value)
  }
}

/** The same for what no other tab sees and a reload keeps. */
export function readTabComfort(key: string): string | null {
  const held = forgotten.get(`tab ${key}`)
  if (held !== undefined) return held
  try {
    return sessionStorage.getItem(key)
  } catch (error) {
    if (!(error instanceof DOMException)) throw error
    return null
  }
}

export function writeTabComfort(key: string, value: string | null): void {
  forgotten.delete(`tab ${key}`)
  try {
    if (value === null) sessionStorage.removeItem(key)
    else sessionStorage.setItem(key, value)
  } catch (error) {
    if (!(error instanceof DOMException)) throw error
    if (value !== null) forgotten.set(`tab ${key}`, value)
  }
}

/** Everything of this tab: whoever sits down next finds nothing of whoever was here. */
export function clearTabComfort(): void {
  for (const key of [...forgotten.keys()]) if (key.startsWith('tab ')) forgotten.delete(key)
  try {
    sessionStorage.clear()
  } catch (error) {
    if (!(error instanceof DOMException)) throw error
  }
}
