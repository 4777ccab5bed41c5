'use client'
// What one agent or several serve for the rest of their shift: a choice for each queue, the campaign and each skill, and beforehand what comes of it.
import { type FormEvent, useState } from 'react'
import type { Ask } from '@/core/floor'
import { CampaignIdSchema, type SkillId } from '@/core/ids'
import { MOST_SKILLED, type Skill } from '@/core/set-up'
import type { CampaignView, CentreView } from '@/exchange/protocol'
import { Button, Dialog, SelectField } from '@/ui'
import { listed } from '@/words'
import { useActs } from './acts'
import type { AgentRow } from './agent-row'
import { useForesee } from './foresee'

interface Props {
  readonly agents: readonly AgentRow[]
  readonly centre: CentreView
  readonly campaigns: readonly CampaignView[]
  readonly onClose: () => void
}

type AssignWork = Extract<Ask, { kind: 'assignWork' }>

export function ChangeWork({ agents, centre, campaigns, onClose }: Props) {
  const { act } = useActs()
  const [queues, setQueues] = useState<Readonly<Record<string, '' | 'add' | 'drop'>>>({})
  const [campaign, setCampaign] = useState('')
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
  const changes = ask.add.length + ask.drop.length > 0 || ask.campaignId !== undefined || ask.levels !== undefined
  const foreseen = useForesee(changes ? ask : null, names)
  const who = listed(agents.map((a) => a.name))
  const give = async (event: FormEvent) => {
    event.preventDefault()
    if (await act(ask, `${who}: ${agents.length === 1 ? 'serves' : 'serve'} what you chose, for this shift.`, undoOf(agents, ask))) onClose()
  }
  const open = campaigns.filter((c) => c.state === 'running' || c.state === 'paused')
  return (
    <Dialog open onOpenChange={(next) => !next && onClose()} title={`Work of ${who}`} description="For this shift. They are told, and that it was you.">
      <form onSubmit={(event) => void give(event)}>
        <div className="grid grid-cols-1 gap-x-6 gap-y-2 sm:grid-cols-2">
          {centre.queues.map((q) => {
            const serve = agents.filter((a) => a.serves.includes(q.id)).length
            return (
              <SelectField
                key={q.id}
                label={q.name}
                value={queues[q.id] ?? ''}
                onChange={(e) => setQueues({ ...queues, [q.id]: e.target.value as '' | 'add' | 'drop' })}
              >
                <option value="">
                  {agents.length === 1 ? (serve === 1 ? 'Serves it' : 'Does not serve it') : `As it is: ${serve} of ${agents.length} serve it`}
                </option>
                {serve < agents.length && <option value="add">{agents.length === 1 ? 'Serve it from now on' : 'All serve it'}</option>}
                {serve > 0 && <option value="drop">{agents.length === 1 ? 'No longer' : 'None serves it'}</option>}
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

/** Queues go back to what each of them served; a campaign and levels of skill have no way back that is sure, and are changed anew. */
function undoOf(agents: readonly AgentRow[], { add, drop, campaignId, levels }: AssignWork): readonly Ask[] | null {
  if (campaignId !== undefined || levels !== undefined) return null
  return agents.map((a) => ({
    kind: 'assignWork',
    agentIds: [a.id],
    add: drop.filter((id) => a.serves.includes(id)),
    drop: add.filter((id) => !a.serves.includes(id)),
  }))
}
