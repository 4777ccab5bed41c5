'use client'
// A passphrase that is made up here, typed twice: nobody can give it again.
import { TextField } from '@/parts/ui'

interface Field {
  readonly value: string
  readonly problem: string | null
  readonly onChange: (value: string) => void
}

export function NewPassphrase({ hint, passphrase, again }: { hint: string; passphrase: Field; again: Field }) {
  const fields = [
    { label: 'Passphrase', name: 'passphrase', hint, field: passphrase },
    { label: 'Once more', name: 'again', hint: undefined, field: again },
  ]
  return fields.map(({ label, name, hint, field }) => (
    <TextField
      key={name}
      label={label}
      name={name}
      type="password"
      autoComplete="new-password"
      hint={hint}
      value={field.value}
      problem={field.problem}
      onChange={(e) => field.onChange(e.target.value)}
    />
  ))
}
