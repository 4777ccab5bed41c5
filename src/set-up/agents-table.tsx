'use client'
// Accounts: what each serves, knows and may do.
import clsx from 'clsx'
import { ENTITLEMENT_WORDS } from '@/core/rules/rights'
import { type AgentSetUp, ENTITLEMENTS, type SetUp } from '@/core/set-up'
import { Button, nameIn, TableHead } from '@/ui'

interface Props {
  readonly setUp: SetUp
  readonly onEdit: (agent: AgentSetUp) => void
  readonly onAdd: () => void
}

export function AgentsTable({ setUp, onEdit, onAdd }: Props) {
  return (
    <section aria-label="Accounts" className="mt-8">
      <div className="flex items-baseline justify-between">
        <h2 className="font-semibold text-lg">Accounts</h2>
        <Button onClick={onAdd}>Add an account</Button>
      </div>
      <table className="mt-1 w-full table-fixed">
        <TableHead headings={HEADINGS} />
        <tbody>
          {setUp.agents.map((agent) => (
            <AgentRow key={agent.id} agent={agent} setUp={setUp} onEdit={onEdit} />
          ))}
        </tbody>
      </table>
    </section>
  )
}

/** An agent is not meant to have these: their lack is nothing to mention. */
const ABOVE: readonly string[] = ['supervision', 'setUp']

function AgentRow({ agent, setUp, onEdit }: Omit<Props, 'onAdd'> & { agent: AgentSetUp }) {
  const lacks = ENTITLEMENTS.filter((e) => !agent.may.includes(e) && !ABOVE.includes(e))
  const queues = agent.queueIds.map((id) => nameIn(setUp.queues, id))
  const skills = agent.skills.map((s) => `${nameIn(setUp.skills, s.skillId)} ${s.level}`)
  return (
    <tr className={clsx('border-line border-b align-top', agent.retired && 'text-soft')}>
      <th scope="row" className="py-1.5 pr-3 text-left">
        {agent.name}
        {(agent.role === 'supervisor' || agent.retired) && <span className="block font-normal text-soft">{agent.retired ? 'retired' : 'supervisor'}</span>}
      </th>
      <td className="py-1.5 pr-3">{queues.join(', ') || <span className="text-soft">none</span>}</td>
      <td className="py-1.5 pr-3">
        {skills.join(', ') || <span className="text-soft">none</span>}
        {!agent.takesWrapUp && <span className="block text-soft">takes no wrap-up</span>}
        {agent.answersItself && <span className="block text-soft">put through without ringing</span>}
      </td>
      <td className="py-1.5 pr-3">{lacks.map((e) => ENTITLEMENT_WORDS[e]).join(', ') || <span className="text-soft">nothing missing</span>}</td>
      <td className="py-1.5 text-right">
        <Button aria-label={`Edit ${agent.name}`} onClick={() => onEdit(agent)}>
          Edit
        </Button>
      </td>
    </tr>
  )
}

const HEADINGS = [
  ['Name', 'w-[160px]'],
  ['Queues', 'w-[230px]'],
  ['Skills', ''],
  ['May not', 'w-[190px]'],
  ['', 'w-[64px]'],
] as const
