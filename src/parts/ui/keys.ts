'use client'
// Keyboard shortcuts as this person has them. Everywhere in the product a shortcut is named by what it is at first (`Alt+A`); what it was changed to is
// kept in this browser for each account.
import { useSyncExternalStore } from 'react'
import { readComfort, writeComfort } from './comfort'

/** By the shortcut as it is at first. */
export type OwnKeys = Readonly<Record<string, string>>

const NONE: OwnKeys = {}
const listeners = new Set<() => void>()
let owner: string | null = null
let keys: OwnKeys = NONE

const tell = () => {
  for (const listener of listeners) listener()
}
const nameOf = (accountId: string) => `keys ${accountId}`

/** Whose keys count from now on; null for those everybody begins with. */
export function setKeysOwner(accountId: string | null): void {
  if (owner === accountId) return
  owner = accountId
  keys = accountId === null ? NONE : read(readComfort(nameOf(accountId)))
  tell()
}

export function setOwnKeys(next: OwnKeys): void {
  keys = next
  if (owner !== null) writeComfort(nameOf(owner), JSON.stringify(next))
  tell()
}

function read(text: string | null): OwnKeys {
  if (text === null) return NONE
  try {
    const value: unknown = JSON.parse(text)
    return typeof value === 'object' && value !== null
      ? Object.fromEntries(Object.entries(value).filter((entry): entry is [string, string] => typeof entry[1] === 'string'))
      : NONE
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
    return NONE
  }
}

const subscribe = (listener: () => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}

export const ownKeys = (): OwnKeys => keys
export const useOwnKeys = (): OwnKeys => useSyncExternalStore(subscribe, ownKeys, () => NONE)

/** A shortcut as this person presses it. */
export const useOwnKey = (shortcut: string | undefined): string | undefined => {
  const own = useOwnKeys()
  return shortcut === undefined ? undefined : (own[shortcut] ?? shortcut)
}
