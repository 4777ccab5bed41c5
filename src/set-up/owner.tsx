'use client'
// Who changes what a page shows: they say so once with their PIN, and stay until they leave the page. Anybody may read it.
import { type FormEvent, useState } from 'react'
import { type AgentId, toAgentId } from '@/core/ids'
import type { AgentSetUp } from '@/core/set-up'
import { AccountFields, Button, Problem } from '@/ui'

export interface Owner {
  readonly agentId: AgentId
  readonly name: string
  readonly pin: string
}

interface Props {
  /** Who may. */
  readonly accounts: readonly Pick<AgentSetUp, 'id' | 'name' | 'pin'>[]
  /** What is said before anybody has, what the button says, and what holds in the demonstration. */
  readonly words: { readonly about: string; readonly button: string; readonly demo: string }
  readonly owner: Owner | null
  readonly onOwner: (owner: Owner | null) => void
}

export const SET_UP_WORDS = {
  about: 'Anybody may read the set-up. Changing it needs an account that is enabled for it.',
  button: 'Change the set-up',
  demo: 'In this demonstration: Linnea Wickerby, 1290.',
} as const

export const ownersOf = (agents: readonly AgentSetUp[]): readonly AgentSetUp[] => agents.filter((a) => !a.retired && a.may.includes('setUp'))

export function OwnerPanel({ accounts, words, owner, onOwner }: Props) {
  const [chosen, setAgentId] = useState<string | null>(null)
  const agentId = chosen ?? accounts[0]?.id ?? ''
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
      <p className="text-soft">{words.about}</p>
      <AccountFields
        label="Account"
        className="mt-2 grid grid-cols-[1fr_110px] gap-2"
        accounts={accounts}
        accountId={agentId}
        onAccount={setAgentId}
        pin={pin}
        onPin={(next) => {
          setPin(next)
          setProblem(null)
        }}
      />
      {problem !== null && <Problem>{problem}</Problem>}
      <Button type="submit" className="mt-2">
        {words.button}
      </Button>
      <p className="mt-2 text-soft text-xs">{words.demo}</p>
    </form>
  )
}
