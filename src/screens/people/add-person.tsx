'use client'
// Adding somebody from elsewhere: from a call, the log or a message, with what is known already.
import { useState } from 'react'
import type { Change, ContactText } from '@/core/people'
import type { AccountView } from '@/services/exchange/protocol'
import { EditDialog } from './edit-dialog'
import { useBook } from './use-people'

interface Props {
  readonly account: Pick<AccountView, 'id' | 'may'>
  readonly begins: Partial<ContactText>
  readonly onClose: () => void
}

export function AddPerson({ account, begins, onClose }: Props) {
  const book = useBook()
  const [problem, setProblem] = useState<string | null>(null)
  const change = async (wanted: Change): Promise<boolean> => {
    const changed = await book.change(wanted)
    setProblem(changed.ok ? null : changed.says)
    return changed.ok
  }
  const keepsShared = account.may.includes('supervision') || account.may.includes('setUp')
  return (
    <EditDialog
      editing={{ person: null, ownerId: account.id, begins }}
      keepsShared={keepsShared}
      accountId={account.id}
      onChange={change}
      onClose={onClose}
      problem={problem}
    />
  )
}
