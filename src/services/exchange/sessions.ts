// Whose port is whose. A port belongs to the account whose PIN was shown at it, or whose key it held after a reload; an agent's shift is at one tab at a
// time. Nothing a tab says about who it is counts besides.

import type { AgentId } from '@/core/ids'
import { openAccount } from '@/core/rules/rights'
import { agentName } from '@/core/set-up'
import type { FloorState } from '@/core/state'
import { get } from '@/core/table'
import type { Accounts } from './accounts'
import { forgetSent, type Tab } from './tab'

export interface Sessions {
  signIn(tab: Tab, accountId: AgentId): Promise<string>
  /** With the key of a reload. A key of nobody's, or of an account that is retired, leaves the port nobody's. */
  comeBack(tab: Tab, key: string): Promise<void>
  signOut(tab: Tab): Promise<void>
  /** Also after a reload. */
  lock(tab: Tab, locked: boolean): Promise<void>
  /** Somebody is there: a key that is in use lasts. */
  touched(tab: Tab): void
  /** The shift is at this tab; another one that had it is told. */
  takeSeat(tab: Tab): void
  leaveSeat(tab: Tab): void
  /** Accounts that are no longer in use are signed out everywhere. */
  dropRetired(): void
}

interface Options {
  readonly accounts: Accounts
  readonly tabs: ReadonlySet<Tab>
  readonly now: () => number
  readonly state: () => FloorState
}

const USES_KEY_EVERY_MS = 10 * 60_000
const SIGNED_OUT = 'You were signed out at the desk this was opened from.'

export function createSessions({ accounts, tabs, now, state }: Options): Sessions {
  const isOpen = (id: AgentId) => openAccount(state().setUp, id) !== undefined
  const onShift = (id: AgentId) => get(state().agents, id)?.shift?.seat === 'desk'
  const hasSeat = (id: AgentId) => [...tabs].some((t) => t.agentId === id)

  const setLocked = (tab: Tab, locked: boolean) => {
    tab.locked = locked
    if (locked) return
    for (const goOn of tab.waiting) goOn()
    tab.waiting.clear()
  }
  const bind = (tab: Tab, accountId: AgentId, key: string) => {
    tab.accountId = accountId
    tab.key = key
    tab.because = null
    setLocked(tab, false)
    tab.untouched = 0
    tab.keyUsedAtMs = now()
    // A shift without a desk goes on at the first of the account's tabs; a copy of a tab leaves it where it is.
    if (onShift(accountId) && !hasSeat(accountId)) tab.agentId = accountId
  }
  const unbind = (tab: Tab, because: string | null) => {
    tab.accountId = null
    tab.agentId = null
    tab.key = null
    tab.soundHere = false
    setLocked(tab, false)
    tab.seatMoved = null
    tab.because = because
    // What was sent is gone from the tab as well.
    forgetSent(tab)
  }

  return {
    async signIn(tab, accountId) {
      const key = await accounts.giveKey(accountId)
      if (tab.accountId !== null) unbind(tab, null)
      bind(tab, accountId, key)
      return key
    },
    async comeBack(tab, key) {
      const owner = await accounts.ownerOf(key)
      if (owner === null || !isOpen(owner.agentId)) return
      bind(tab, owner.agentId, key)
      setLocked(tab, owner.locked)
      await accounts.keyInUse(key, owner.locked)
    },
    async lock(tab, locked) {
      setLocked(tab, locked)
      tab.untouched = 0
      if (tab.key !== null) await accounts.keyInUse(tab.key, locked)
    },
    touched(tab) {
      tab.untouched = 0
      if (tab.key === null || now() - tab.keyUsedAtMs < USES_KEY_EVERY_MS) return
      tab.keyUsedAtMs = now()
      void accounts.keyInUse(tab.key, tab.locked)
    },
    async signOut(tab) {
      const { key } = tab
      // A copy of the tab, and the handset on its desk, were let in by the same key.
      for (const other of tabs) if (other !== tab && key !== null && other.key === key) unbind(other, SIGNED_OUT)
      unbind(tab, null)
      if (key !== null) await accounts.forgetKey(key)
    },
    takeSeat(tab) {
      const { accountId } = tab
      if (accountId === null) return
      for (const other of tabs)
        if (other !== tab && other.agentId === accountId) {
          other.agentId = null
          other.seatMoved = { name: agentName(state().setUp, accountId), atMs: now() }
        }
      tab.agentId = accountId
      tab.seatMoved = null
    },
    leaveSeat(tab) {
      tab.agentId = null
      tab.soundHere = false
    },
    dropRetired() {
      for (const tab of tabs)
        if (tab.accountId !== null && !isOpen(tab.accountId)) {
          accounts.forgetKeysOf(tab.accountId)
          unbind(tab, 'Your account was retired in Set-up. A set-up owner can bring it back.')
        }
    },
  }
}
