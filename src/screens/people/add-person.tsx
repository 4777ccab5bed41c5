'use client'
// Adding somebody from elsewhere: from a call, the log or a message, with what is known already.
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
  const change = async (wanted: Change): Promise<string | null> => {
    const changed = await book.change(wanted)
    return changed.ok ? null : changed.says
  }
  const keepsShared = account.may.includes('supervision') || account.may.includes('setUp')
  return (
    <EditDialog editing={{ person: null, ownerId: account.id, begins }} keepsShared={keepsShared} accountId={account.id} onChange={change} onClose={onClose} />
  )
}
