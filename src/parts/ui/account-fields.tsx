'use client'
// Who it is, by account and PIN, side by side.
import { PinField, SelectField } from './field'

interface Props<Id extends string> {
  readonly label: string
  readonly accounts: readonly { readonly id: Id; readonly name: string }[]
  readonly accountId: string
  readonly onAccount: (id: Id) => void
  readonly pin: string
  readonly onPin: (pin: string) => void
  readonly className?: string
}

export function AccountFields<Id extends string>({ label, accounts, accountId, onAccount, pin, onPin, className = 'grid grid-cols-2 gap-3' }: Props<Id>) {
  return (
    <div className={className}>
      <SelectField label={label} value={accountId} onChange={(e) => onAccount(e.target.value as Id)}>
        {accounts.map((a) => (
          <option key={a.id} value={a.id}>
            {a.name}
          </option>
        ))}
      </SelectField>
      <PinField value={pin} onChange={onPin} />
    </div>
  )
}
