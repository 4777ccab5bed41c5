'use client'
// Somebody new, or what is kept of somebody. What is typed survives closing and reloading until it is kept or given up.
import { type FormEvent, useState } from 'react'
import type { AgentId } from '@/core/ids'
import { type Change, type ContactText, EMPTY_CONTACT, MOST_NUMBERS, NUMBER_KINDS, type NumberKind } from '@/core/people'
import { Button, Dialog, Problem, SelectField, TextField, useDraft } from '@/parts/ui'
import type { PersonView } from '@/services/exchange/people'
import { contactOf, createContact, KIND_WORDS, textOf } from './person'

export interface Editing {
  /** null for somebody new. */
  readonly person: PersonView | null
  /** Whose somebody new will be. */
  readonly ownerId: AgentId | null
  /** What is known of somebody new already. */
  readonly begins?: Partial<ContactText>
}

interface Props {
  readonly editing: Editing
  readonly keepsShared: boolean
  readonly accountId: AgentId
  /** Why it was not kept; null where it was. */
  readonly onChange: (change: Change, says: string) => Promise<string | null>
  readonly onClose: () => void
  readonly onFront?: (id: string) => void
}

interface Draft extends ContactText {
  readonly shared: boolean
}

/** The field a sentence is about: the one whose words it repeats. */
function wrongField({ name, email, numbers }: Draft, says: string): string | undefined {
  if (name.trim() === '') return 'Name'
  const isIn = (typed: string) => typed.trim() !== '' && says.includes(`“${typed.trim()}”`)
  const at = numbers.findIndex((n) => isIn(n.number))
  return at >= 0 ? `Number ${at + 1}` : isIn(email) ? 'E-mail' : undefined
}

export function EditDialog({ editing: { person, ownerId, begins }, keepsShared, accountId, onChange, onClose, onFront }: Props) {
  const initial: Draft = {
    ...(person === null ? { ...EMPTY_CONTACT, numbers: [{ kind: 'work', number: '' }], ...begins } : textOf(person)),
    shared: (person === null ? ownerId : person.ownerId) === null,
  }
  const [json, setJson, forget] = useDraft(`person ${person?.id ?? `new ${begins?.numbers?.[0]?.number ?? ''}`}`, JSON.stringify(initial))
  const draft = JSON.parse(json) as Draft
  const [problem, setProblem] = useState<string | null>(null)
  const set = (change: Partial<Draft>) => {
    setJson(JSON.stringify({ ...draft, ...change }))
    setProblem(null)
  }
  const setNumber = (at: number, change: Partial<ContactText['numbers'][number]>) =>
    set({ numbers: draft.numbers.map((n, i) => (i === at ? { ...n, ...change } : n)) })
  const save = async (event: FormEvent) => {
    event.preventDefault()
    const { shared, ...text } = draft
    if (text.name.trim() === '') return setProblem('There is no name. Type one; everything else may stay empty.')
    const numbers = text.numbers.filter((n) => n.number.trim() !== '')
    const owner = shared ? null : accountId
    const before = person === null ? null : contactOf(person)
    const contact = before === null ? createContact({ ...text, numbers }, owner) : { ...before, ...text, numbers }
    const said = before === null ? `${text.name.trim()} is in the list.` : `${text.name.trim()} is kept.`
    const refused = await onChange({ puts: [contact], removes: [] }, said)
    if (refused !== null) return setProblem(refused)
    forget()
    onFront?.(contact.id)
    onClose()
  }
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={person === null ? 'Add somebody' : `Edit ${person.name}`}>
      <form onSubmit={(event) => void save(event)} className="space-y-3">
        <TextField label="Name" value={draft.name} maxLength={120} onChange={(e) => set({ name: e.target.value })} autoComplete="off" />
        <div className="grid grid-cols-1 gap-3 sm:grid-cols-2">
          <TextField label="Company" value={draft.company} maxLength={120} onChange={(e) => set({ company: e.target.value })} autoComplete="off" />
          <TextField label="Group" value={draft.group} maxLength={60} onChange={(e) => set({ group: e.target.value })} autoComplete="off" />
        </div>
        <fieldset>
          <legend className="font-semibold">Numbers</legend>
          {draft.numbers.map((n, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: rows have nothing of their own while they are written
            <div key={i} className="mt-1 grid grid-cols-[7.5rem_minmax(0,1fr)_auto] items-end gap-2">
              <SelectField label={`Kind ${i + 1}`} value={n.kind} onChange={(e) => setNumber(i, { kind: e.target.value as NumberKind })}>
                {NUMBER_KINDS.map((kind) => (
                  <option key={kind} value={kind}>
                    {KIND_WORDS[kind]}
                  </option>
                ))}
              </SelectField>
              <TextField
                label={`Number ${i + 1}`}
                value={n.number}
                maxLength={40}
                onChange={(e) => setNumber(i, { number: e.target.value })}
                autoComplete="off"
              />
              <Button aria-label={`Remove number ${i + 1}`} onClick={() => set({ numbers: draft.numbers.filter((_, at) => at !== i) })}>
                Remove
              </Button>
            </div>
          ))}
          <Button
            className="mt-2"
            disabled={draft.numbers.length >= MOST_NUMBERS}
            onClick={() => set({ numbers: [...draft.numbers, { kind: 'mobile', number: '' }] })}
          >
            Add a number
          </Button>
        </fieldset>
        <TextField
          label="E-mail"
          type="text"
          inputMode="email"
          value={draft.email}
          maxLength={200}
          onChange={(e) => set({ email: e.target.value })}
          autoComplete="off"
        />
        <label className="block">
          <span className="font-semibold">Note</span>
          <textarea
            value={draft.note}
            maxLength={2000}
            rows={3}
            onChange={(e) => set({ note: e.target.value })}
            className="mt-1 w-full rounded-sm border border-line-strong bg-paper px-2 py-1"
          />
        </label>
        {person === null && (
          <label className="flex items-center gap-2" title={keepsShared ? undefined : 'Shared people are kept by supervisors.'}>
            <input type="checkbox" checked={draft.shared} disabled={!keepsShared} onChange={(e) => set({ shared: e.target.checked })} />
            Shared with everybody
          </label>
        )}
        {problem !== null && <Problem of={wrongField(draft, problem)}>{problem}</Problem>}
        <div className="flex gap-2">
          <Button type="submit" tone="primary">
            Keep
          </Button>
          <Button
            tone="quiet"
            onClick={() => {
              forget()
              onClose()
            }}
          >
            Discard changes
          </Button>
        </div>
      </form>
    </Dialog>
  )
}
