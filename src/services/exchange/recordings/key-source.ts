// Whom a page asks for what opens sealed sounds. Apart from what uses it, which is loaded with the first sound.

export type AskKey = () => Promise<string | null>
let ask: AskKey = async () => null

export function setSoundKeySource(source: AskKey): void {
  ask = source
}
/** null while nobody has given the passphrase. */
export const soundKey: AskKey = () => ask()
