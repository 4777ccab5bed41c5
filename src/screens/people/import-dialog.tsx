'use client'
// People from a file: read, its columns matched, and before anything is changed it is shown who is new, who is there already and what cannot be read.
import { useState } from 'react'
import type { AgentId } from '@/core/ids'
import type { Change, ContactText } from '@/core/people'
import type { Matching, ReadCard, readPeopleCsv } from '@/core/people-files'
import { Button, Choice, Dialog, FileButton, More, Problem, Problems, SelectField } from '@/parts/ui'
import { type CheckedContact, CONTACTS_AT_ONCE } from '@/services/exchange/people'
import { type IfThere, planImport } from './plan-import'
import type { Book } from './use-people'

interface Props {
  readonly keepsShared: boolean
  readonly accountId: AgentId
  readonly book: Book
  /** Why nothing was brought in; null where it was. */
  readonly onChange: (change: Change, says: string) => Promise<string | null>
  readonly onClose: () => void
}

interface OfFile {
  readonly name: string
  /** null of vCards, whose parts have their names. */
  readonly csv: { readonly read: ReturnType<typeof readPeopleCsv>; readonly matching: Matching } | null
  readonly cards: readonly ReadCard[]
  readonly checked: readonly CheckedContact[]
}

const FIELD_WORDS = {
  ...{ name: 'Name', company: 'Company', group: 'Group', email: 'E-mail', note: 'Note' },
  work: 'Work number',
  mobile: 'Mobile number',
  home: 'Home number',
  other: 'Other number',
} as const

const IF_THERE = [
  { value: 'leave', label: 'Leave them as they are', means: 'Only who is new comes in.' },
  { value: 'add', label: 'Add what is new to them', means: 'Numbers, e-mail and notes they do not have yet.' },
  { value: 'both', label: 'Bring them in all the same', means: 'They stand in the list twice.' },
] as const satisfies readonly { readonly value: IfThere; readonly label: string; readonly means: string }[]

/** More of them nobody reads here. */
const LISTED = 50

export function ImportDialog({ keepsShared, accountId, book, onChange, onClose }: Props) {
  const [file, setFile] = useState<OfFile | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const [busy, setBusy] = useState(false)
  const [ifThere, setIfThere] = useState<IfThere>('leave')
  const [shared, setShared] = useState(keepsShared)

  const check = async (name: string, csv: OfFile['csv'], cards: readonly ReadCard[]) => {
    const contacts = cards.flatMap((c) => c.contact ?? [])
    if (contacts.length > CONTACTS_AT_ONCE)
      return setProblem(
        `There are ${contacts.length.toLocaleString('en-GB')} people in it; ${CONTACTS_AT_ONCE.toLocaleString('en-GB')} come in at once. Cut the file in two.`,
      )
    const reply = await book.check(contacts.map(withinLimits))
    if (!reply.ok) return setProblem(reply.says)
    setProblem(null)
    setFile({ name, csv, cards, checked: reply.value })
  }
  const read = async (chosen: File) => {
    setBusy(true)
    setFile(null)
    setProblem(null)
    try {
      const [text, { contactsOf, fromVCards, matchColumns, readPeopleCsv: readCsv }] = await Promise.all([chosen.text(), import('@/core/people-files')])
      if (/^\uFEFF?\s*BEGIN:VCARD/i.test(text)) await check(chosen.name, null, fromVCards(text))
      else {
        const csv = readCsv(text)
        if (csv.rows.length === 0) setProblem(`${chosen.name} has no rows under a heading, and no vCard. Choose a CSV file with a heading, or a .vcf file.`)
        else {
          const matching = matchColumns(csv.columns)
          await check(chosen.name, { read: csv, matching }, contactsOf(csv, matching))
        }
      }
    } finally {
      setBusy(false)
    }
  }
  const match = async (field: keyof typeof FIELD_WORDS, column: string) => {
    if (file?.csv == null) return
    // Nothing is brought in by what was matched before.
    setBusy(true)
    try {
      const { contactsOf } = await import('@/core/people-files')
      const matching = { ...file.csv.matching, [field]: column === '' ? undefined : column }
      await check(file.name, { ...file.csv, matching }, contactsOf(file.csv.read, matching))
    } finally {
      setBusy(false)
    }
  }
  const plan = file === null ? null : planImport(file.checked, ifThere, shared ? null : accountId)
  const bringIn = async () => {
    if (plan === null) return
    setBusy(true)
    // Whoever is added to is kept as they are now: somebody may have changed them since the file was read.
    const { rows } = await book
      .all({ search: '', group: 'everybody', sort: 'name', descending: false, recent: [] })
      .then((r) => (r.ok ? r.value : { rows: [] }))
    const { puts, added, into } = plan.changes(rows)
    const says = [`${added === 1 ? '1 person is' : `${added.toLocaleString('en-GB')} people are`} in the list`, into === 0 ? null : `${into} were added to`]
      .filter((t) => t !== null)
      .join(', ')
    const refused = await onChange({ puts, removes: [] }, `${says}.`)
    setBusy(false)
    if (refused === null) onClose()
    else setProblem(refused)
  }
  const unread = file?.cards.flatMap((c) => (c.problem === null ? [] : [`Line ${c.line}: ${c.problem}`])) ?? []
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title="Import people"
      description="A vCard file (.vcf, version 3.0 or 4.0), or CSV with a heading. Nothing is changed before you have seen what would be."
    >
      <div className="flex items-center gap-3">
        <FileButton
          label="Choose a file"
          fieldLabel="File of people"
          accept=".vcf,.csv,text/vcard,text/csv"
          disabled={busy}
          onFile={(chosen) => void read(chosen)}
        />
        <span role="status">{busy ? 'Reading…' : (file?.name ?? '')}</span>
      </div>
      {problem !== null && <Problem>{problem}</Problem>}
      {file?.csv != null && (
        <fieldset className="mt-4">
          <legend className="font-semibold">Which column holds what</legend>
          <div className="mt-1 grid grid-cols-2 gap-2 sm:grid-cols-3">
            {(Object.keys(FIELD_WORDS) as (keyof typeof FIELD_WORDS)[]).map((field) => (
              <SelectField key={field} label={FIELD_WORDS[field]} value={file.csv?.matching[field] ?? ''} onChange={(e) => void match(field, e.target.value)}>
                <option value="">No column</option>
                {file.csv?.read.columns
                  .filter((c) => c !== '')
                  .map((column) => (
                    <option key={column} value={column}>
                      {column}
                    </option>
                  ))}
              </SelectField>
            ))}
          </div>
        </fieldset>
      )}
      {file !== null && plan !== null && (
        <>
          <dl aria-label="What is in the file" className="mt-4 grid grid-cols-[1fr_auto] gap-y-0.5 border-line border-y py-2 [&>dd]:tabular [&>dd]:text-right">
            <dt>New</dt>
            <dd>{plan.fresh.length}</dd>
            <dt>There already, by number or by name and company</dt>
            <dd>{plan.there.length}</dd>
            <dt>Twice in the file: the first is taken</dt>
            <dd>{plan.twice}</dd>
            <dt>Cannot be read</dt>
            <dd>{unread.length}</dd>
          </dl>
          <Problems label="What cannot be read" className="mt-2 max-h-28" problems={unread.slice(0, LISTED)} />
          <More of={unread.length} shown={LISTED} what="they are in the file at their lines" />
          {plan.there.length > 0 && (
            <>
              <ul aria-label="There already" className="mt-2 max-h-28 overflow-auto text-soft">
                {plan.there.slice(0, LISTED).map(({ contact, duplicates }) => (
                  <li key={`${contact.name} ${duplicates[0]?.id}`}>
                    {contact.name} is {duplicates.map((d) => [d.name, d.company].filter((t) => t !== '').join(', ')).join(' or ')}
                  </li>
                ))}
              </ul>
              <More of={plan.there.length} shown={LISTED} what="the same is done with them" />
              <p className="mt-3 font-semibold">Who is there already</p>
              <Choice label="Who is there already" value={ifThere} options={IF_THERE} onChange={setIfThere} />
            </>
          )}
          <label className="mt-3 flex items-center gap-2" title={keepsShared ? undefined : 'Shared people are kept by supervisors.'}>
            <input type="checkbox" checked={shared} disabled={!keepsShared} onChange={(e) => setShared(e.target.checked)} />
            Shared with everybody
          </label>
          <Button tone="primary" className="mt-4" disabled={busy || plan.count === 0} onClick={() => void bringIn()}>
            {plan.count === 0 ? 'Nobody to bring in' : `Bring in ${plan.count.toLocaleString('en-GB')}`}
          </Button>
        </>
      )}
    </Dialog>
  )
}

/** What is longer than a field holds is cut: nothing of a file is refused for that. */
const withinLimits = ({ name, company, group, email, note, numbers }: ContactText): ContactText => ({
  name: name.slice(0, 120),
  company: company.slice(0, 120),
  group: group.slice(0, 60),
  email: email.slice(0, 200),
  note: note.slice(0, 2_000),
  numbers: numbers.map((n) => ({ ...n, number: n.number.slice(0, 40) })),
})
