// What comes in over a tab's port: measured, read, answered. Whatever one tab asked for, the floor is there for the others.
import { tooMuch } from '@/services/ports'
import type { Floor } from './answering'
import { answerTo } from './answers'
import { FAULT, NOT_UNDERSTOOD, TOO_MUCH } from './desk-refusals'
import { type RefusalView, type TabMessage, TabMessageSchema } from './protocol'
import type { Tab } from './tab'

/** Messages that settle whose port a tab's is. */
const BINDS: ReadonlySet<TabMessage['kind']> = new Set(['hello', 'signIn', 'signOut', 'setPin'])

export function createReceiving(floor: Floor): (tab: Tab, data: unknown) => Promise<void> {
  return async (tab, data) => {
    const refuse = (requestId: string, refusal: RefusalView) => tab.port.postMessage({ kind: 'reply', requestId, ok: false, refusal })
    const much = tooMuch(data)
    if (much !== null) return refuse(requestIdOf(data), TOO_MUCH(much))
    const parsed = TabMessageSchema.safeParse(data)
    if (!parsed.success) return refuse(requestIdOf(data), NOT_UNDERSTOOD)
    const message = parsed.data
    const { requestId } = message
    try {
      // While it is being found out whose port this is, what comes after waits: it is asked in that one's name.
      if (tab.binding !== null) await tab.binding
      const answering = answerTo(floor, tab, message)
      if (BINDS.has(message.kind)) tab.binding = answering.then(unbound(tab), unbound(tab))
      tab.port.postMessage({ kind: 'reply', requestId, ...(await answering) })
    } catch (error) {
      console.error('A fault in answering a tab:', error)
      refuse(requestId, FAULT(error instanceof Error ? error.message : String(error)))
    }
  }
}

const unbound = (tab: Tab) => () => {
  tab.binding = null
}

const LONGEST_ID = 64
const requestIdOf = (data: unknown): string =>
  typeof data === 'object' && data !== null && 'requestId' in data ? String(data.requestId).slice(0, LONGEST_ID) : ''
