// Where the events of each call stand in the ledger: between its first and its last, among those of others.
import { type Numbers, packNumbers, valueAt } from './numbers'

export interface SeqColumns {
  readonly first: Numbers
  readonly last: Numbers
}

export const packSeqs = (calls: readonly { readonly firstSeq: number; readonly lastSeq: number }[]): SeqColumns => ({
  first: packNumbers(calls.map((c) => c.firstSeq)),
  last: packNumbers(calls.map((c) => c.lastSeq)),
})

export const seqsAt = ({ first, last }: SeqColumns, row: number) => ({ firstSeq: valueAt(first, row), lastSeq: valueAt(last, row) })
