'use client'
// Acts on all the agents who are ticked.
import type { Ask } from '@/core/floor'
import type { Reason } from '@/core/set-up'
import { Button } from '@/parts/ui'
import { listed } from '@/parts/words'
import { ActItem, ActMenu } from './act-item'
import { useActs } from './acts'
import type { AgentRow } from './agent-row'

interface Props {
  readonly chosen: readonly AgentRow[]
  readonly reasons: readonly Reason[]
  readonly onWork: (agents: readonly AgentRow[]) => void
  readonly onWord: (agents: readonly AgentRow[]) => void
  readonly onClear: () => void
}

export function ChosenBar({ chosen, reasons, onWork, onWord, onClear }: Props) {
  const { act } = useActs()
  const who = listed(chosen.map((a) => a.name))
  const sets = (ready: boolean, reason: string): Ask => ({ kind: 'setReadiness', agentIds: chosen.map((a) => a.id), ready, reason })
  return (
    <div role="toolbar" aria-label={`${chosen.length} chosen`} className="mt-2 flex flex-wrap items-center gap-2 border border-line bg-paper px-2 py-1">
      <span className="mr-1 font-semibold tabular-nums">{chosen.length} chosen</span>
      <Button className="!h-7" onClick={() => onWork(chosen)}>
        Change work…
      </Button>
      <ActMenu label="Set" trigger={<Button className="!h-7">Set ready or not…</Button>}>
        <ActItem ask={sets(true, '')} onSelect={() => void act(sets(true, ''), `${who}: set ready.`)}>
          Ready
        </ActItem>
        {reasons.map((r) => (
          <ActItem key={r.name} ask={sets(false, r.name)} onSelect={() => void act(sets(false, r.name), `${who}: set not ready, ${r.name}.`)}>
            Not ready: {r.name}
          </ActItem>
        ))}
      </ActMenu>
      <Button className="!h-7" onClick={() => onWord(chosen)}>
        Message…
      </Button>
      <Button className="!h-7" tone="quiet" onClick={onClear}>
        Choose nobody
      </Button>
    </div>
  )
}
