'use client'
import { type FormEvent, useState } from 'react'
import type { ReadEntry } from '@/core/do-not-call'
import { Button, TextField, useDraft } from '@/parts/ui'
import type { CentreView } from '@/services/exchange/protocol'

interface Props {
  readonly homeCountry: string
  readonly people: CentreView['people']
  readonly onAdd: (entries: readonly ReadEntry[]) => Promise<boolean>
}

const isName = (typed: string): boolean => /\p{L}/u.test(typed)

/** A number in any form, or a name: which of the two is told by the letters in it. */
export function AddEntry({ homeCountry, people, onAdd }: Props) {
  const [whom, setWhom, forgetWhom] = useDraft('never call', '')
  const [why, setWhy, forgetWhy] = useDraft('never call, why', '')
  const [problem, setProblem] = useState<string | null>(null)
  const [lacksReason, setLacksReason] = useState(false)
  const add = async (event: FormEvent) => {
    event.preventDefault()
    const text = whom.trim()
    if (text === '') return setProblem('Nobody is named. Enter a number or a person.')
    let entry: ReadEntry = { whom: { person: text }, why }
    if (!isName(text)) {
      // Number metadata is large: it is fetched when the first number is added.
      const [{ readNumber }, { toRefusalText }] = await Promise.all([import('@/core/directory'), import('@/core/floor')])
      const reading = readNumber(text, homeCountry)
      if (!reading.ok) {
        const { says, next } = toRefusalText(reading.refusal)
        return setProblem(`${says} ${next}`)
      }
      entry = { whom: { number: reading.number.e164 }, why }
    }
    setProblem(null)
    if (why.trim() === '') return setLacksReason(true)
    if (await onAdd([entry])) {
      forgetWhom()
      forgetWhy()
    }
  }
  const unknown = isName(whom) && !people.some((p) => p.name.toLowerCase() === whom.trim().toLowerCase())
  return (
    <form aria-label="Add to the list" className="space-y-2 border-line border-t pt-4" onSubmit={(e) => void add(e)}>
      <h2 className="font-semibold text-lg">Add</h2>
      <TextField
        label="Number or person"
        value={whom}
        list="do-not-call-people"
        problem={problem}
        hint={unknown ? 'Nobody of that name is in the customer records; the name is kept as it is written.' : undefined}
        onChange={(e) => {
          setWhom(e.target.value)
          setProblem(null)
        }}
      />
      <datalist id="do-not-call-people">
        {whom.length > 1 &&
          people
            .filter((p) => p.name.toLowerCase().includes(whom.toLowerCase()))
            .slice(0, 8)
            .map((p) => <option key={p.id} value={p.name} />)}
      </datalist>
      <TextField
        label="Reason"
        value={why}
        problem={lacksReason ? 'No reason is given. Write what they said, or who asked for it.' : null}
        onChange={(e) => {
          setWhy(e.target.value)
          setLacksReason(false)
        }}
      />
      <Button type="submit">Add to the list</Button>
    </form>
  )
}
