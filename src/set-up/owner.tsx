'use client'
// Who changes the set-up: they say so once with their PIN, and stay until they leave the page. Anybody may read it.
import { type FormEvent, useState } from 'react'
import { type AgentId, toAgentId } from '@/core/ids'
import type { SetUp } from '@/core/set-up'
import { Button, PinField, Problem, SelectField } from '@/ui'

export interface Owner {
  readonly agentId: AgentId
  readonly name: string
  readonly pin: string
}

interface Props {
  readonly setUp: SetUp
  readonly owner: Owner | null
  readonly onOwner: (owner: Owner | null) => void
}

export function OwnerPanel({ setUp, owner, onOwner }: Props) {
  const accounts = setUp.agents.filter((a) => !a.retired && a.may.includes('setUp'))
  const [agentId, setAgentId] = useState<string>(accounts[0]?.id ?? '')
  const [pin, setPin] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  if (owner !== null)
    return (
      <p className="flex items-center justify-between gap-2">
        <span>
          <strong>{owner.name}</strong> may change it.
        </span>
        <Button onClick={() => onOwner(null)}>Done changing</Button>
      </p>
    )
  const open = (event: FormEvent) => {
    event.preventDefault()
    const account = accounts.find((a) => a.id === agentId)
    if (account?.pin !== pin) return setProblem('This account and PIN do not belong together. Check the name, then type the PIN again.')
    setPin('')
    onOwner({ agentId: toAgentId(agentId), name: account.name, pin })
  }
  return (
    <form onSubmit={open}>
      <p className="text-soft">Anybody may read the set-up. Changing it needs an account that is enabled for it.</p>
      <div className="mt-2 grid grid-cols-[1fr_110px] gap-2">
        <SelectField label="Account" value={agentId} onChange={(e) => setAgentId(e.target.value)}>
          {accounts.map((a) => (
            <option key={a.id} value={a.id}>
              {a.name}
            </option>
          ))}
        </SelectField>
        <PinField
          value={pin}
          onChange={(next) => {
            setPin(next)
            setProblem(null)
          }}
        />
      </div>
      {problem !== null && <Problem>{problem}</Problem>}
      <Button type="submit" className="mt-2">
        Change the set-up
      </Button>
      <p className="mt-2 text-soft text-xs">In this demonstration: Linnea Wickerby, 1290.</p>
    </form>
  )
}
