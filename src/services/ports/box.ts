// What is said, sealed by AES-GCM (NIST SP 800-38D) so that only a holder of the key can read or have said it.
export interface Box {
  readonly iv: Uint8Array<ArrayBuffer>
  readonly box: ArrayBuffer
}
type Each = (key: string, value: unknown) => unknown

const IV_BYTES = 12
const NOTHING: Uint8Array<ArrayBuffer> = new Uint8Array(0)

/** `about` is sealed with it and not sent; `each` says what JSON has no word for. */
export async function seal(key: CryptoKey, said: unknown, about = NOTHING, each?: Each): Promise<Box> {
  const iv = crypto.getRandomValues(new Uint8Array(IV_BYTES))
  const text = new TextEncoder().encode(JSON.stringify(said, each))
  return { iv, box: await crypto.subtle.encrypt({ name: 'AES-GCM', iv, additionalData: about }, key, text) }
}

/** null of what was sealed with another key, about something else, or changed on the way. */
export async function unseal(key: CryptoKey, { iv, box }: Box, about = NOTHING, each?: Each): Promise<unknown> {
  try {
    return JSON.parse(new TextDecoder().decode(await crypto.subtle.decrypt({ name: 'AES-GCM', iv, additionalData: about }, key, box)), each)
  } catch {
    return null
  }
}
