// Calls by whom they were with, so that a caller's earlier ones are found while the telephone rings, however many calls there have been.
import type { CallRecord } from '@/core/ledger'

export interface ContactsIndex {
  add(records: readonly CallRecord[]): void
  /** By name when it is known, otherwise by number. */
  of(who: { readonly customer: string | null; readonly number: string | null }): readonly CallRecord[]
}

export function createContactsIndex(): ContactsIndex {
  const byCustomer = new Map<string, CallRecord[]>()
  const byNumber = new Map<string, CallRecord[]>()
  const note = (index: Map<string, CallRecord[]>, key: string | null, record: CallRecord) => {
    if (key === null) return
    const known = index.get(key)
    if (known === undefined) index.set(key, [record])
    else known.push(record)
  }
  return {
    add(records) {
      for (const record of records) {
        note(byCustomer, record.customer, record)
        note(byNumber, record.number, record)
      }
    },
    of: ({ customer, number }) => (customer !== null ? byCustomer.get(customer) : number !== null ? byNumber.get(number) : undefined) ?? [],
  }
}
