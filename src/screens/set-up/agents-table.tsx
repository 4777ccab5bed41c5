'use client'
// Accounts: what each serves, knows and may do.
import { ENTITLEMENT_WORDS } from '@/core/rules/rights'
import { ABOVE_AGENTS, type AgentSetUp, ENTITLEMENTS, type SetUp } from '@/core/set-up'
import { Button, type Column, nameIn, OfHowMany, Table } from '@/parts/ui'

interface Props {
  readonly setUp: SetUp
  /** Whether what is said of it here is sought. */
  readonly isSought: (words: string) => boolean
  readonly onEdit: (agent: AgentSetUp) => void
  readonly onAdd: () => void
}

export function AgentsTable({ setUp, isSought, onEdit, onAdd }: Props) {
  const queuesOf = (agent: AgentSetUp) => agent.queueIds.map((id) => nameIn(setUp.queues, id)).join(', ')
  const skillsOf = (agent: AgentSetUp) => agent.skills.map((s) => `${nameIn(setUp.skills, s.skillId)} ${s.level}`).join(', ')
  const columns: readonly Column<AgentSetUp>[] = [
    {
      id: 'name',
      heading: 'Name',
      width: 'w-[10rem]',
      isName: true,
      sortBy: (agent) => agent.name,
      cell: (agent) => (
        <>
          {agent.name}
          {(agent.role === 'supervisor' || agent.retired) && <span className="block font-normal text-soft">{agent.retired ? 'retired' : 'supervisor'}</span>}
        </>
      ),
    },
    {
      id: 'queues',
      heading: 'Queues',
      width: 'w-[14.375rem]',
      sortBy: (agent) => queuesOf(agent) || null,
      cell: (agent) => queuesOf(agent) || <span className="text-soft">none</span>,
    },
    {
      id: 'skills',
      heading: 'Skills',
      sortBy: (agent) => skillsOf(agent) || null,
      cell: (agent) => (
        <>
          {skillsOf(agent) || <span className="text-soft">none</span>}
          {!agent.takesWrapUp && <span className="block text-soft">takes no wrap-up</span>}
          {agent.answersItself && <span className="block text-soft">put through without ringing</span>}
        </>
      ),
    },
    {
      id: 'mayNot',
      heading: 'May not',
      width: 'w-[11.875rem]',
      cell: (agent) => lacking(agent).join(', ') || <span className="text-soft">nothing missing</span>,
      sortBy: (agent) => lacking(agent).length,
    },
    {
      id: 'acts',
      heading: '',
      width: 'w-[4rem]',
      align: 'right',
      cell: (agent) => (
        <Button aria-label={`Edit ${agent.name}`} onClick={() => onEdit(agent)}>
          Edit
        </Button>
      ),
    },
  ]
  const rows = setUp.agents.filter((a) => isSought(`${a.name} ${queuesOf(a)} ${skillsOf(a)}`))
  return (
    <section aria-label="Accounts" className="mt-8">
      <div className="flex items-baseline justify-between">
        <h2 className="font-semibold text-lg">
          Accounts <OfHowMany shown={rows.length} of={setUp.agents.length} />
        </h2>
        <Button onClick={onAdd}>Add an account</Button>
      </div>
      <Table className="mt-1" columns={columns} rows={rows} keyOf={(agent) => agent.id} rowClass={(agent) => agent.retired && 'text-soft'} />
    </section>
  )
}

/** An agent is not meant to have what is above agents: its lack is nothing to mention. */
const lacking = (agent: AgentSetUp) => ENTITLEMENTS.filter((e) => !agent.may.includes(e) && !ABOVE_AGENTS.includes(e)).map((e) => ENTITLEMENT_WORDS[e])
