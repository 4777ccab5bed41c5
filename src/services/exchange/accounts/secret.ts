// PINs as they are kept: never themselves, but a salted hash that takes long to try (PBKDF2 with HMAC-SHA-256, RFC 8018; the number of rounds is
// what OWASP's Password Storage Cheat Sheet asks for). The platform computes it, off the floor's thread.
import * as z from 'zod'
import { toHex } from '@/services/storage'

const ROUNDS = 600_000
const SALT_BYTES = 16
const HASH_BITS = 256

export const PinSecretSchema = z.object({ salt: z.string(), hash: z.string(), rounds: z.number().int().positive() }).readonly()
export type PinSecret = z.infer<typeof PinSecretSchema>

export const PIN_FORM = /^\d{4,8}$/

export async function makePinSecret(pin: string, rounds = ROUNDS): Promise<PinSecret> {
  const salt = crypto.getRandomValues(new Uint8Array(SALT_BYTES))
  return { salt: toHex(salt), hash: await derive(pin, salt, rounds), rounds }
}

export async function opens(secret: PinSecret, pin: string): Promise<boolean> {
  return sameText(await derive(pin, fromHex(secret.salt), secret.rounds), secret.hash)
}

/** What a tab shows instead of a PIN after a reload: nobody can guess it. */
export const newSeatKey = (): string => toHex(crypto.getRandomValues(new Uint8Array(32)))

/** Of a seat's key only this is kept. It is as long as its own hash: no rounds are needed. */
export async function hashOfKey(key: string): Promise<string> {
  return toHex(new Uint8Array(await crypto.subtle.digest('SHA-256', new TextEncoder().encode(key))))
}

async function derive(pin: string, salt: Uint8Array<ArrayBuffer>, iterations: number): Promise<string> {
  const key = await crypto.subtle.importKey('raw', new TextEncoder().encode(pin), 'PBKDF2', false, ['deriveBits'])
  return toHex(new Uint8Array(await crypto.subtle.deriveBits({ name: 'PBKDF2', hash: 'SHA-256', salt, iterations }, key, HASH_BITS)))
}

/** In a time that does not tell where they differ. */
function sameText(a: string, b: string): boolean {
  let differs = a.length ^ b.length
  for (let i = 0; i < Math.min(a.length, b.length); i++) differs |= a.charCodeAt(i) ^ b.charCodeAt(i)
  return differs === 0
}

const fromHex = (hex: string): Uint8Array<ArrayBuffer> => Uint8Array.from(hex.match(/../g) ?? [], (pair) => Number.parseInt(pair, 16))
