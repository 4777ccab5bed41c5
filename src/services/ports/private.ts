// A line between two pages over a channel that all pages hear: each end has a pair of keys of its own, and what is said is sealed with what both can work out
// of them (elliptic-curve Diffie–Hellman over P-256, NIST SP 800-56A; AES-GCM, SP 800-38D). Whoever only listens hears nothing.

import { type Box, seal, unseal } from './box'

/** What is made public of an end. */
export type PublicKey = ArrayBuffer
const CURVE = { name: 'ECDH', namedCurve: 'P-256' } as const

export interface KeyPair {
  readonly publicKey: PublicKey
  /** With the end whose public key this is. */
  lineWith(theirs: PublicKey): Promise<PrivateLine>
}
export interface PrivateLine {
  seal(said: unknown): Promise<Box>
  /** null of what was not sealed for this line. */
  open(box: Box): Promise<unknown>
}

export async function newKeyPair(): Promise<KeyPair> {
  const pair = await crypto.subtle.generateKey(CURVE, false, ['deriveKey'])
  return {
    publicKey: await crypto.subtle.exportKey('raw', pair.publicKey),
    async lineWith(theirs) {
      const their = await crypto.subtle.importKey('raw', theirs, CURVE, false, [])
      const key = await crypto.subtle.deriveKey({ name: 'ECDH', public: their }, pair.privateKey, { name: 'AES-GCM', length: 256 }, false, [
        'encrypt',
        'decrypt',
      ])
      return {
        seal: (said) => seal(key, said, undefined, withSound),
        open: (box) => unseal(key, box, undefined, soundAgain),
      }
    },
  }
}

/** Tones cross as samples, which JSON has no word for. */
const withSound = (_: string, value: unknown): unknown => (value instanceof Float32Array ? { samples: [...value] } : value)
const soundAgain = (_: string, value: unknown): unknown =>
  typeof value === 'object' && value !== null && Object.keys(value).join() === 'samples' && 'samples' in value && Array.isArray(value.samples)
    ? Float32Array.from(value.samples as number[])
    : value
