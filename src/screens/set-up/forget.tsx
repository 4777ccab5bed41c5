'use client'
// Having somebody forgotten: everything of a number, an address or a name is looked for and shown first; then it is gone for good, and figures stay.
import { type FormEvent, useState } from 'react'
import { LONGEST_SOUGHT, MOST_SOUGHT, mergeFound, type Sought } from '@/core/personal'
import { Button, Dialog, Problem, TextField } from '@/parts/ui'
import type { Kept, NumbersSaid } from '@/services/exchange/protocol'
import { useFloor } from '@/services/exchange/react'
import { useHistoryApi } from '@/services/history/react'
import { useLists } from '@/services/lists/react'

type Step =
  | { readonly is: 'ask'; readonly problem: string | null }
  | { readonly is: 'running'; readonly says: string }
  | { readonly is: 'found'; readonly sought: Sought; readonly kept: Kept; readonly problem: string | null }
  | { readonly is: 'done'; readonly count: number }

/** By what an id begins with. */
const KINDS: readonly (readonly [prefix: string, one: string, many: string])[] = [
  ['call_', 'call', 'calls'],
  ['thread_', 'chat, mail or text', 'chats, mails and texts'],
  ['callback_', 'callback', 'callbacks'],
  ['task_', 'task', 'tasks'],
  ['message_', 'message in a mailbox', 'messages in mailboxes'],
  ['conference_', 'conference', 'conferences'],
  ['record_', 'record of a calling list', 'records of calling lists'],
  ['number ', 'entry of the do-not-call list', 'entries of the do-not-call list'],
  ['person ', 'entry of the do-not-call list by name', 'entries of the do-not-call list by name'],
  ['turned away ', 'call that was turned away', 'calls that were turned away'],
]

export function ForgetDialog({ homeCountry, onClose }: { homeCountry: string; onClose: () => void }) {
  const floor = useFloor()
  const history = useHistoryApi()
  const lists = useLists()
  const [text, setText] = useState('')
  const [step, setStep] = useState<Step>({ is: 'ask', problem: null })

  const read = async (): Promise<Sought | { readonly problem: string }> => {
    const lines = text.split(/[,;\n]/).flatMap((line) => (line.trim() === '' ? [] : [line.trim()]))
    if (lines.length === 0) return { problem: 'Nothing is written. Write a number, a mail address or a whole name.' }
    const short = lines.find((line) => line.length < 4)
    if (short !== undefined) return { problem: `“${short}” is too short to be looked for. Write a whole number, address or name.` }
    const long = lines.find((line) => line.length > LONGEST_SOUGHT)
    if (long !== undefined) return { problem: `“${long.slice(0, 40)}…” is too long to be a number, an address or a name. Write it as it stands in the record.` }
    if (lines.length > MOST_SOUGHT)
      return { problem: `That is ${lines.length} at once. Write at most ${MOST_SOUGHT}, and the others once these are forgotten.` }
    const addresses = lines.filter((line) => line.includes('@'))
    const [typed, names] = [lines.filter((line) => !line.includes('@') && /\d/.test(line)), lines.filter((line) => !line.includes('@') && !/\d/.test(line))]
    const reply = await floor?.ask({ kind: 'numbers', write: [], read: typed.map((one) => ({ typed: one, homeCountry })) })
    if (reply === undefined || !reply.ok || reply.text === null) return { problem: 'The floor did not answer. Try again in a moment.' }
    const readings = (JSON.parse(reply.text) as NumbersSaid).read
    const unread = typed.find((_, i) => readings[i]?.ok !== true)
    if (unread !== undefined) return { problem: `“${unread}” is not a whole telephone number. Write it as it is dialled, or the name alone.` }
    return { numbers: readings.flatMap((r) => (r.ok ? [r.number.e164] : [])), addresses, names }
  }

  const look = async () => {
    setStep({ is: 'running', says: 'Looking through the ledger, past days, lists and people…' })
    try {
      const sought = await read()
      if ('problem' in sought) return setStep({ is: 'ask', problem: sought.problem })
      const reply = await floor?.ask({ kind: 'findKept', sought }, PATIENCE_MS)
      if (reply?.ok !== true)
        return setStep({ is: 'ask', problem: reply === undefined ? 'The floor did not answer. Try again.' : `${reply.refusal.says} ${reply.refusal.next}` })
      const own = JSON.parse(reply.text ?? '') as Kept
      const [past, listed] = await Promise.all([history?.keptAbout(sought) ?? [], lists?.keptAbout(sought) ?? []])
      const found = mergeFound([...own.found, ...past, ...listed])
      if (found.length + own.contacts.length === 0)
        return setStep({ is: 'ask', problem: 'Nothing is kept about them. Look for another number, address or name of theirs.' })
      setStep({ is: 'found', sought, kept: { found, contacts: own.contacts }, problem: null })
    } catch (error) {
      setStep({ is: 'ask', problem: `It could not all be looked through: ${wordsOf(error)}. Nothing was changed; try again.` })
    }
  }
  const forget = async (found: Extract<Step, { is: 'found' }>) => {
    const { sought, kept } = found
    setStep({ is: 'running', says: 'Forgetting…' })
    try {
      const reply = await floor?.ask({ kind: 'forget', sought, about: kept.found.map((f) => f.about) }, PATIENCE_MS)
      if (reply?.ok !== true)
        return setStep({
          ...found,
          problem: reply === undefined ? 'The floor did not answer. Look for them again.' : `${reply.refusal.says} ${reply.refusal.next}`,
        })
      await history?.forgetListed(sought)
      setStep({ is: 'done', count: kept.found.length + kept.contacts.length })
    } catch (error) {
      setStep({ ...found, problem: `It is not all done: ${wordsOf(error)}. Look for them again, and have what is left forgotten.` })
    }
  }
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && step.is !== 'running' && onClose()}
      title="Forget a person"
      description="Everything about somebody from outside is found first and shown. Nothing is changed before you say so."
      beginsAt="whom"
    >
      {step.is === 'ask' && (
        <form
          noValidate
          onSubmit={(e: FormEvent) => {
            e.preventDefault()
            void look()
          }}
        >
          <TextField
            label="Their numbers, mail addresses and names"
            name="whom"
            autoComplete="off"
            autoFocus
            value={text}
            hint="With commas between. A number in any form, a whole name."
            problem={step.problem}
            onChange={(e) => setText(e.target.value)}
          />
          <Button type="submit" tone="primary" className="mt-3">
            Look for them
          </Button>
        </form>
      )}
      {step.is === 'running' && (
        <p role="status" className="text-soft">
          {step.says}
        </p>
      )}
      {step.is === 'found' && <FoundParts step={step} onForget={() => void forget(step)} onAgain={() => setStep({ is: 'ask', problem: null })} />}
      {step.is === 'done' && (
        <>
          <p role="status">
            <strong>They are forgotten.</strong> {step.count === 1 ? 'One thing names' : `${step.count.toLocaleString('en-GB')} things name`} nobody any more;
            figures are what they were.
          </p>
          <p className="mt-2 text-soft">
            Files saved or exported before still hold what they held. Delete them where they are kept. Records of customers outside this desk are not touched.
          </p>
        </>
      )}
    </Dialog>
  )
}

function FoundParts({ step, onForget, onAgain }: { step: Extract<Step, { is: 'found' }>; onForget: () => void; onAgain: () => void }) {
  const { found, contacts } = step.kept
  const rows = KINDS.flatMap(([prefix, one, many]) => {
    const count = found.filter((f) => f.about.startsWith(prefix)).length
    return count === 0 ? [] : [[count === 1 ? one : many, count] as const]
  })
  const isListed = found.some((f) => f.about.startsWith('number ') || f.about.startsWith('person '))
  const isName = (text: string) => !text.includes('@') && !/^\+?\d/.test(text)
  const names = [...new Set([...found.flatMap((f) => f.names), ...contacts])]
  const people = names.filter(isName)
  return (
    <>
      <p>Kept about {[...step.sought.numbers, ...step.sought.addresses, ...step.sought.names].join(', ')}:</p>
      <ul className="mt-2" aria-label="What is kept">
        {rows.map(([what, count]) => (
          <li key={what} className="flex justify-between border-line border-b py-1">
            <span>{what}</span>
            <span className="tabular">{count.toLocaleString('en-GB')}</span>
          </li>
        ))}
        {contacts.length > 0 && (
          <li className="flex justify-between border-line border-b py-1">
            <span>{contacts.length === 1 ? 'person of the shared book or somebody’s own' : 'people of the shared book or somebody’s own'}</span>
            <span className="tabular">{contacts.length.toLocaleString('en-GB')}</span>
          </li>
        )}
      </ul>
      {names.length > 0 && (
        <p className="mt-3">
          What names them there: <strong>{names.slice(0, MOST_NAMES).join(', ')}</strong>
          {names.length > MOST_NAMES && ` and ${names.length - MOST_NAMES} more`}.
          {people.length > 1 && ' Several people share what was looked for: all of it is forgotten.'}
        </p>
      )}
      <p className="mt-3 border-brass border-l-4 bg-brass-wash px-3 py-2">
        Who it was, what was said and written, recordings and messages are <strong>gone for good</strong>, in files and backups made from now on as well. That
        there was a call, how long it took and how it was coded stays, so no figure changes.
        {isListed && ' They are taken off the do-not-call list as well, and may be called again.'}
      </p>
      {step.problem !== null && <Problem>{step.problem}</Problem>}
      <div className="mt-3 flex gap-2">
        <Button tone="loss" onClick={onForget}>
          Forget them for good
        </Button>
        <Button onClick={onAgain}>Look for somebody else</Button>
      </div>
    </>
  )
}

const MOST_NAMES = 8
/** A ledger of years is gone through in minutes. */
const PATIENCE_MS = 30 * 60_000

const wordsOf = (error: unknown): string => (error instanceof Error ? error.message : String(error))
