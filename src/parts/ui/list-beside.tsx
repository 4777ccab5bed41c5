'use client'
// A page of a list with what is in front beside it.
import type { ReactNode } from 'react'
import { Panes } from './panes'

interface Props {
  readonly name: string
  readonly accountId: string
  /** Head and list. */
  readonly list: ReactNode
  /** What of a row is shown in full. */
  readonly label: string
  readonly beside: ReactNode
  /** Of what is shown beside it, pixels to begin with. */
  readonly px: number
}

export function ListBeside({ name, accountId, list, label, beside, px }: Props) {
  return (
    <Panes
      name={name}
      accountId={accountId}
      stacksBelowPx={1024}
      className="min-h-0 flex-1"
      panes={[
        { id: 'list', name: 'the list', minPx: 480, content: <div className="flex min-h-0 min-w-0 flex-1 flex-col bg-raised px-6 pt-5">{list}</div> },
        {
          id: 'beside',
          name: `the ${label.toLowerCase()}`,
          px,
          minPx: 300,
          content: (
            <aside aria-label={label} className="min-h-0 flex-1 overflow-auto border-line-strong border-t bg-paper lg:border-t-0">
              {beside}
            </aside>
          ),
        },
      ]}
    />
  )
}
