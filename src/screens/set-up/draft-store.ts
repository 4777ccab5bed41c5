'use client'
// The changed set-up, until it is put into use: one for all pages under Set-up and for a reload, kept in this tab. New PINs are in memory only.
import { useSyncExternalStore } from 'react'
import type { AgentId } from '@/core/ids'
import type { SetUp } from '@/core/set-up'
import { readTabComfort, writeTabComfort } from '@/parts/ui'

export interface HeldDraft {
  readonly setUp: SetUp
  /** What it was made from, and that one's revision. */
  readonly base: SetUp
  readonly basedOn: number
}

const KEY = 'set-up draft'
const listeners = new Set<() => void>()
let held: HeldDraft | null | undefined
let pins: ReadonlyMap<AgentId, string> = new Map()

function readHeld(): HeldDraft | null {
  if (held === undefined) {
    const text = readTabComfort(KEY)
    held = text === null ? null : (JSON.parse(text) as HeldDraft)
  }
  return held
}

export function holdDraft(next: HeldDraft | null): void {
  held = next
  writeTabComfort(KEY, next === null ? null : JSON.stringify(next))
  for (const listener of listeners) listener()
}

export const newPins = (): ReadonlyMap<AgentId, string> => pins
export function holdPin(agentId: AgentId, pin: string): void {
  pins = new Map(pins).set(agentId, pin)
  for (const listener of listeners) listener()
}
export function forgetPin(agentId: AgentId): void {
  pins = new Map([...pins].filter(([id]) => id !== agentId))
  for (const listener of listeners) listener()
}
export function forgetPins(): void {
  pins = new Map()
  for (const listener of listeners) listener()
}

const subscribe = (listener: () => void) => {
  listeners.add(listener)
  return () => listeners.delete(listener)
}
export const useHeldDraft = (): HeldDraft | null => useSyncExternalStore(subscribe, readHeld, () => null)
export const useNewPins = (): ReadonlyMap<AgentId, string> => useSyncExternalStore(subscribe, newPins, newPins)
