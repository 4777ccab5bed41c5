// The key of this tab's seat, for reloads: in session storage, which no other tab shares. A browser that refuses storage has it until the page is left.
let held: string | null = null
const NAME = 'seat'

const quietly = <T>(act: () => T, otherwise: T): T => {
  try {
    return act()
  } catch (error) {
    if (!(error instanceof DOMException)) throw error
    return otherwise
  }
}

export const tabKey = {
  get: (): string | null => held ?? quietly(() => sessionStorage.getItem(NAME), null),
  set(key: string | null): void {
    held = key
    quietly(() => (key === null ? sessionStorage.removeItem(NAME) : sessionStorage.setItem(NAME, key)), undefined)
  },
}
