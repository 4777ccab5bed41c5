'use client'
// What one agent or several serve for the rest of their shift: a choice for each queue, the campaign and each skill, and beforehand what comes of it.
import { type FormEvent, useState } from 'react'
import type { Ask } from '@/core/floor'
import { CampaignIdSchema, type QueueId, type SkillId } from '@/core/ids'
import { MOST_SKILLED, type Skill } from '@/core/set-up'
import { Button, Dialog, Problem, SelectField, useSought } from '@/parts/ui'
import { listed, stateWords } from '@/parts/words'
import type { CampaignView, CentreView } from '@/services/exchange/protocol'
import { useActs } from './acts'
import type { AgentRow } from './agent-row'
import { useForesee } from './foresee'

interface Props {
  /** Whom it may be about: one or several; where a queue needs people, everybody who does not serve it, to choose from. */
  readonly agents: readonly AgentRow[]
  readonly add?: QueueId
  readonly centre: CentreView
  readonly campaigns: readonly CampaignView[]
  readonly onClose: () => void
}

type AssignWork = Extract<Ask, { kind: 'assignWork' }>

export function ChangeWork({ agents: offered, add, centre, campaigns, onClose }: Props) {
  const { act } = useActs()
  /** Who is on offer is chosen from; who was chosen already is meant. */
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set(add === undefined ? offered.map((a) => a.id) : []))
  const agents = offered.filter((a) => chosen.has(a.id))
  const [queues, setQueues] = useState<Readonly<Record<string, '' | 'add' | 'drop'>>>(add === undefined ? {} : { [add]: 'add' })
  const [campaign, setCampaign] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const [levels, setLevels] = useState<Readonly<Record<string, string>>>({})
  const names = {
    queue: (id: string) => centre.queues.find((q) => q.id === id)?.name ?? 'A queue',
    agent: (id: string) => agents.find((a) => a.id === id)?.name ?? 'somebody',
  }
  const chosenLevels = Object.entries(levels).filter(([, level]) => level !== '')
  const ask: AssignWork = {
    kind: 'assignWork',
    agentIds: agents.map((a) => a.id),
    add: centre.queues.flatMap((q) => (queues[q.id] === 'add' ? [q.id] : [])),
    drop: centre.queues.flatMap((q) => (queues[q.id] === 'drop' ? [q.id] : [])),
    ...(campaign === '' ? {} : { campaignId: campaign === 'none' ? null : CampaignIdSchema.parse(campaign) }),
    ...(chosenLevels.length === 0 ? {} : { levels: chosenLevels.map(([skillId, level]) => ({ skillId: skillId as SkillId, level: Number(level) })) }),
  }
  const changes = agents.length > 0 && (ask.add.length + ask.drop.length > 0 || ask.campaignId !== undefined || ask.levels !== undefined)
  const foreseen = useForesee(changes ? ask : null, names)
  const who = listed(agents.map((a) => a.name))
  const give = async (event: FormEvent) => {
    event.preventDefault()
    const refused = await act(ask, `${who}: ${agents.length === 1 ? 'serves' : 'serve'} what you chose, for this shift.`)
    if (refused === null) onClose()
    setProblem(refused)
  }
  const open = campaigns.filter((c) => c.state === 'running' || c.state === 'paused')
  return (
    <Dialog
      open
      onOpenChange={(next) => !next && onClose()}
      title={add === undefined ? `Work of ${who}` : `Agents for ${names.queue(add)}`}
      description="For this shift. They are told, and that it was you."
    >
      <form onSubmit={(event) => void give(event)}>
        {add !== undefined && <Offered offered={offered} chosen={chosen} onChoose={setChosen} />}
        <div className="grid grid-cols-1 gap-x-6 gap-y-2 sm:grid-cols-2">
          {centre.queues.map((q) => {
            const about = agents.length === 0 ? offered : agents
            const serve = about.filter((a) => a.serves.includes(q.id)).length
            const alone = about.length === 1
            return (
              <SelectField
                key={q.id}
                label={q.name}
                value={queues[q.id] ?? ''}
                onChange={(e) => setQueues({ ...queues, [q.id]: e.target.value as '' | 'add' | 'drop' })}
              >
                <option value="">{alone ? (serve === 1 ? 'Serves it' : 'Does not serve it') : `As it is: ${serve} of ${about.length} serve it`}</option>
                {serve < about.length && <option value="add">{alone ? 'Serve it from now on' : 'All serve it'}</option>}
                {serve > 0 && <option value="drop">{alone ? 'No longer' : 'None serves it'}</option>}
              </SelectField>
            )
          })}
          {open.length > 0 && (
            <SelectField label="Campaign" value={campaign} onChange={(e) => setCampaign(e.target.value)}>
              <option value="">As it is</option>
              <option value="none">None</option>
              {open.map((c) => (
                <option key={c.id} value={c.id}>
                  {centre.campaigns.find((x) => x.id === c.id)?.name}
                </option>
              ))}
            </SelectField>
          )}
          {centre.skills.map((skill) => (
            <LevelChoice key={skill.id} skill={skill} value={levels[skill.id] ?? ''} onChange={(level) => setLevels({ ...levels, [skill.id]: level })} />
          ))}
        </div>
        <p role="status" className={`mt-4 min-h-10 border-l-4 py-1 pl-3 ${foreseen?.refused ? 'border-red' : 'border-line-strong'}`}>
          {!changes ? 'Choose what is to change. What comes of it is said here first.' : (foreseen?.says ?? 'Working out what comes of it…')}
        </p>
        {problem !== null && <Problem className="mt-2">{problem}</Problem>}
        <div className="mt-4 flex gap-3">
          <Button type="submit" tone="primary" aria-disabled={!changes || foreseen?.refused || undefined} disabled={!changes}>
            Change for this shift
          </Button>
          <Button onClick={onClose}>Cancel</Button>
        </div>
      </form>
    </Dialog>
  )
}

const LEVELS = Array.from({ length: MOST_SKILLED }, (_, i) => i + 1)

/** Who does not serve the queue yet, the free ones first. */
function Offered({
  offered,
  chosen,
  onChoose,
}: {
  offered: readonly AgentRow[]
  chosen: ReadonlySet<string>
  onChoose: (chosen: ReadonlySet<string>) => void
}) {
  const sought = useSought('Find an agent', offered.length)
  if (offered.length === 0) return <p className="mb-4">Everybody on shift serves it already. Set somebody ready, or switch the queue to storm.</p>
  const free = (a: AgentRow) => (a.state === 'ready' ? 0 : 1)
  return (
    <fieldset className="mb-4 max-h-40 overflow-auto">
      <legend className="font-semibold">Who</legend>
      {sought.field}
      {offered
        .filter((a) => sought.isSought(a.name) || chosen.has(a.id))
        .toSorted((a, b) => free(a) - free(b))
        .map((a) => (
          <label key={a.id} className="flex items-center gap-2 py-0.5">
            <input
              type="checkbox"
              className="size-4 accent-green"
              checked={chosen.has(a.id)}
              onChange={(e) => onChoose(new Set(e.target.checked ? [...chosen, a.id] : [...chosen].filter((id) => id !== a.id)))}
            />
            {a.name} <span className="text-soft">{stateWords(a.state, a.reason)}</span>
          </label>
        ))}
    </fieldset>
  )
}

function LevelChoice({ skill, value, onChange }: { skill: Skill; value: string; onChange: (level: string) => void }) {
  return (
    <SelectField label={`Skill: ${skill.name}`} value={value} onChange={(e) => onChange(e.target.value)}>
      <option value="">As it is</option>
      <option value="0">None</option>
      {LEVELS.map((level) => (
        <option key={level} value={level}>
          Level {level}
        </option>
      ))}
    </SelectField>
  )
}
