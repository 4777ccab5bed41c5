// What opens sealed sounds while the floor runs: in memory alone, so that closing the browser closes them.
export function createSoundKey() {
  let open: string | null = null
  return {
    get: () => open,
    set(identity: string | null) {
      open = identity
    },
  }
}
