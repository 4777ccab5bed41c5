// Who may speak for an account: whoever knows its PIN, or holds the key that was given for it. Hashes of both are kept beside the ledger and
// never in it, in no view and no export. Tries are counted and slowed down, over reloads as well.
import * as z from 'zod'
import { type AgentId, AgentIdSchema } from '@/core/ids'
import { type KeyValue, storageWords } from '@/services/storage'
import { hashOfKey, makePinSecret, newSeatKey, opens, PIN_FORM, type PinSecret, PinSecretSchema } from './secret'

export type SignInRefusal =
  | { readonly reason: 'wrongPin'; readonly triesLeft: number }
  | { readonly reason: 'tooManyTries'; readonly waitMs: number }
  | { readonly reason: 'noPin' }
  | { readonly reason: 'pinsUnreadable' }
  | { readonly reason: 'pinNotDigits' }

export type Verified = { readonly ok: true } | { readonly ok: false; readonly refusal: SignInRefusal }

export interface Accounts {
  /** Refused: noPin, tooManyTries with how long to wait, wrongPin. One try at a time for each account. */
  verify(agentId: AgentId, pin: string): Promise<Verified>
  /** Refused: pinNotDigits. Keys that were given for the account are void. */
  setPin(agentId: AgentId, pin: string): Promise<Verified>
  hasPin(agentId: AgentId): boolean
  /** A new key of the account's, for one tab. */
  giveKey(agentId: AgentId): Promise<string>
  /** Whose key it is, and whether its page was locked; null for nobody's, and for one that was not used for a day's work. */
  ownerOf(key: string): Promise<{ readonly agentId: AgentId; readonly locked: boolean } | null>
  /** It is in use, by a page that is locked or not. */
  keyInUse(key: string, locked: boolean): Promise<void>
  forgetKey(key: string): Promise<void>
  forgetKeysOf(agentId: AgentId): void
  /** What is stored of PINs cannot be read: none opens anything until they are given anew. */
  unreadable(): boolean
  /** New PINs for these accounts, and none for any other, where nothing could be read; null where it could. */
  renew(agentIds: readonly AgentId[]): Promise<ReadonlyMap<AgentId, string> | null>
  /** Everything is written again: the browser's data was cleared. */
  keepAgain(): void
}

export interface AccountsOptions {
  readonly store: KeyValue
  readonly now: () => number
  /** Secrets of accounts that have none yet. */
  readonly initial: ReadonlyMap<AgentId, PinSecret>
  /** PINs an older version kept in the open. */
  readonly found: ReadonlyMap<AgentId, string>
  /** Whether nothing of this centre is stored yet: only then do accounts begin with `initial` where no secrets are found. */
  readonly isNew: boolean
  /** How slow a PIN that is set is to try; fewer rounds are for tests. */
  readonly rounds?: number
}

const SECRETS_KEY = 'secrets'
/** The same once more: one that was torn is read from the other. */
const COPY_KEY = 'secrets copy'
/** Digits of a PIN that nobody has chosen. */
const GIVEN_PIN_DIGITS = 8
/** So many wrong PINs in a row are free; each further one doubles the wait. */
const FREE_TRIES = 3
const FIRST_WAIT_MS = 5_000
const LONGEST_WAIT_MS = 15 * 60_000
const MOST_KEYS = 200
/** A key that was not used for so long opens nothing. */
export const KEY_LASTS_MS = 12 * 3_600_000

const TriesSchema = z.object({ count: z.number().int(), notBeforeMs: z.number() }).readonly()
const SecretsSchema = z.object({
  pins: z.record(AgentIdSchema, PinSecretSchema),
  /** Hash of a key, whose it is, when it was last used, and whether its page was locked; the latest last. */
  keys: z.array(z.object({ hash: z.string(), agentId: AgentIdSchema, usedAtMs: z.number().default(0), locked: z.boolean().default(false) }).readonly()),
  tries: z.record(AgentIdSchema, TriesSchema),
})
type Secrets = z.infer<typeof SecretsSchema>

/** Throws when the store cannot be asked: PINs that were not read are not PINs that were never set. */
export async function openAccounts({ store, now, initial, found, isNew, rounds }: AccountsOptions): Promise<Accounts> {
  const kept = [await store.get(SECRETS_KEY), await store.get(COPY_KEY)]
  const [stored] = kept.flatMap((secrets) => SecretsSchema.safeParse(secrets).data ?? [])
  const secrets: Secrets = stored ?? { pins: {}, keys: [], tries: {} }
  let isUnreadable = stored === undefined && (kept.some((s) => s !== null) || !isNew) && found.size === 0
  const busy = new Map<AgentId, Promise<unknown>>()

  let writing: Promise<void> = Promise.resolve()
  const keep = () => {
    const copy = structuredClone(secrets)
    const write = async () => {
      await store.set(SECRETS_KEY, copy)
      await store.set(COPY_KEY, copy)
    }
    writing = writing
      .then(write)
      // Asked once more: a PIN that was changed, or a key that was given back, is not to come again because of one write.
      .catch(write)
      .catch((error: unknown) => console.warn(`Secrets are in memory only: ${storageWords(error)}`))
    return writing
  }

  if (!isUnreadable) for (const [agentId, secret] of initial) secrets.pins[agentId] ??= secret
  /** Hashing what an older version kept takes a while: whoever signs in meanwhile waits for their own. */
  const hashing = new Map<AgentId, Promise<void>>()
  const hashFound = async () => {
    for (const [agentId, pin] of found) {
      const made = makePinSecret(pin, rounds).then((secret) => {
        secrets.pins[agentId] = secret
      })
      hashing.set(agentId, made)
      await made
    }
    await keep()
    hashing.clear()
  }
  if (found.size > 0) void hashFound()
  // Before anything else of the centre is kept: what is there without secrets is taken for one whose secrets were lost.
  else if (stored === undefined && !isUnreadable) await keep()

  const tryPin = async (agentId: AgentId, pin: string): Promise<Verified> => {
    if (isUnreadable) return { ok: false, refusal: { reason: 'pinsUnreadable' } }
    const tries = secrets.tries[agentId] ?? { count: 0, notBeforeMs: 0 }
    if (tries.notBeforeMs > now()) return { ok: false, refusal: { reason: 'tooManyTries', waitMs: tries.notBeforeMs - now() } }
    if (found.has(agentId) && !hashing.has(agentId) && secrets.pins[agentId] === undefined)
      secrets.pins[agentId] = await makePinSecret(found.get(agentId) ?? '', rounds)
    await hashing.get(agentId)
    const secret = secrets.pins[agentId]
    if (secret === undefined) return { ok: false, refusal: { reason: 'noPin' } }
    if (PIN_FORM.test(pin) && (await opens(secret, pin))) {
      if (tries.count > 0) {
        delete secrets.tries[agentId]
        void keep()
      }
      return { ok: true }
    }
    const count = tries.count + 1
    const waitMs = count < FREE_TRIES ? 0 : Math.min(LONGEST_WAIT_MS, FIRST_WAIT_MS * 2 ** (count - FREE_TRIES))
    secrets.tries[agentId] = { count, notBeforeMs: now() + waitMs }
    await keep()
    if (waitMs > 0) return { ok: false, refusal: { reason: 'tooManyTries', waitMs } }
    return { ok: false, refusal: { reason: 'wrongPin', triesLeft: FREE_TRIES - count } }
  }

  return {
    verify(agentId, pin) {
      // Tries that come together are counted one after the other.
      const next = (busy.get(agentId) ?? Promise.resolve()).then(() => tryPin(agentId, pin))
      busy.set(
        agentId,
        next.catch(() => {}),
      )
      return next
    },
    async setPin(agentId, pin) {
      if (!PIN_FORM.test(pin)) return { ok: false, refusal: { reason: 'pinNotDigits' } }
      secrets.pins[agentId] = await makePinSecret(pin, rounds)
      delete secrets.tries[agentId]
      secrets.keys = secrets.keys.filter((k) => k.agentId !== agentId)
      await keep()
      return { ok: true }
    },
    hasPin: (agentId) => secrets.pins[agentId] !== undefined || found.has(agentId),
    async giveKey(agentId) {
      const key = newSeatKey()
      secrets.keys = [...secrets.keys, { hash: await hashOfKey(key), agentId, usedAtMs: now(), locked: false }].slice(-MOST_KEYS)
      await keep()
      return key
    },
    async ownerOf(key) {
      const hash = await hashOfKey(key)
      const found = secrets.keys.find((k) => k.hash === hash)
      return found === undefined || now() - found.usedAtMs >= KEY_LASTS_MS ? null : { agentId: found.agentId, locked: found.locked }
    },
    async keyInUse(key, locked) {
      const hash = await hashOfKey(key)
      secrets.keys = secrets.keys.map((k) => (k.hash === hash ? { ...k, usedAtMs: now(), locked } : k))
      await keep()
    },
    async forgetKey(key) {
      const hash = await hashOfKey(key)
      secrets.keys = secrets.keys.filter((k) => k.hash !== hash)
      await keep()
    },
    forgetKeysOf(agentId) {
      secrets.keys = secrets.keys.filter((k) => k.agentId !== agentId)
      void keep()
    },
    unreadable: () => isUnreadable,
    async renew(agentIds) {
      if (!isUnreadable) return null
      isUnreadable = false
      const given = new Map(agentIds.map((id) => [id, newPin()]))
      for (const [id, pin] of given) secrets.pins[id] = await makePinSecret(pin, rounds)
      await keep()
      return given
    },
    keepAgain: () => void keep(),
  }
}

const newPin = (): string => [...crypto.getRandomValues(new Uint8Array(GIVEN_PIN_DIGITS))].map((byte) => byte % 10).join('')

export function signInWords(refusal: SignInRefusal): { readonly says: string; readonly next: string } {
  switch (refusal.reason) {
    case 'wrongPin':
      return {
        says: 'This name and PIN do not belong together.',
        next: `Check the name, then type the PIN again. ${triesWords(refusal.triesLeft)}`,
      }
    case 'tooManyTries':
      return { says: 'The PIN was wrong several times.', next: `Wait ${waitWords(refusal.waitMs)}, then type it again. A set-up owner can give you a new one.` }
    case 'pinsUnreadable':
      return { says: 'What this browser keeps of PINs cannot be read, so none opens anything.', next: 'Give the owners of the set-up new ones, below.' }
    case 'noPin':
      return { says: 'This account has no PIN yet.', next: 'A set-up owner can give it one in Set-up.' }
    case 'pinNotDigits':
      return { says: 'A PIN is 4 to 8 digits.', next: 'Type digits only.' }
  }
}

/** For whoever is signed in already, and shows their own PIN once more: there is no name to check. */
export function ownPinWords(refusal: SignInRefusal): { readonly says: string; readonly next: string } {
  return refusal.reason === 'wrongPin'
    ? { says: 'This is not the PIN you signed in with.', next: `Type it again. ${triesWords(refusal.triesLeft)}` }
    : signInWords(refusal)
}

const triesWords = (left: number): string => `${left === 1 ? 'After one more wrong PIN' : `After ${left} more wrong PINs`} there is a wait.`
const waitWords = (ms: number): string => (ms < 60_000 ? `${Math.ceil(ms / 1_000)} s` : `${Math.ceil(ms / 60_000)} min`)
