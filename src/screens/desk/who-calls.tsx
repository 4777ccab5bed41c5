'use client'
// Who the caller is, where their number does not say: one of several it belongs to, somebody we know by name, or somebody new.
import { useState } from 'react'
import type { Call, Customer } from '@/core/calls'
import type { Ask } from '@/core/floor'
import { Button, More, Problem, TextField } from '@/parts/ui'
import type { CentreView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'

const NEW_GROUP = 'New caller'
const OFFERED = 3

export function WhoCalls({ call, centre }: { call: Call; centre: CentreView }) {
  const command = useCommand()
  const [name, setName] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const give = async (who: Pick<Extract<Ask, { kind: 'identifyCaller' }>, 'customerId' | 'customer'>) => {
    const reply = await command({ kind: 'identifyCaller', callId: call.id, ...who })
    setProblem(reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
  }
  const wanted = name.trim().toLowerCase()
  const known = wanted.length < 2 ? [] : centre.people.filter((p) => p.name.toLowerCase().includes(wanted))
  const newcomer: Customer = { name: name.trim(), group: NEW_GROUP, facts: [] }
  return (
    <section aria-label="Who is calling" className="mt-2 border-brass border-l-4 pl-3">
      {call.matches.length > 0 && (
        <>
          <p className="font-semibold">This number belongs to {call.matches.length} people. Who is it?</p>
          <ul className="mt-1 flex flex-wrap gap-1">
            {call.matches.map((match) => (
              <li key={match.name}>
                <Button onClick={() => void give({ customerId: null, customer: match })}>
                  {match.name} <span className="font-normal text-soft">{match.group}</span>
                </Button>
              </li>
            ))}
          </ul>
        </>
      )}
      <form
        className="mt-1 flex items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault()
          void give({ customerId: null, customer: newcomer })
        }}
      >
        <TextField
          label={call.matches.length > 0 ? 'Or somebody else' : 'Name'}
          className="flex-1"
          autoComplete="off"
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
        <Button type="submit">New caller</Button>
      </form>
      {known.length > 0 && (
        <ul aria-label="Known people" className="mt-1 flex flex-wrap gap-1">
          {known.slice(0, OFFERED).map((person) => (
            <li key={person.id}>
              <Button onClick={() => void give({ customerId: person.id, customer: null })}>
                {person.name} <span className="font-normal text-soft">{person.group}</span>
              </Button>
            </li>
          ))}
        </ul>
      )}
      <More of={known.length} shown={OFFERED} />
      {problem !== null && <Problem of={call.matches.length > 0 ? 'Or somebody else' : 'Name'}>{problem}</Problem>}
    </section>
  )
}
