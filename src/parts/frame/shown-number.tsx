'use client'
import type { QueueId } from '@/core/ids'
import { Button, Menu, MenuItem, usePersonalSetting } from '@/parts/ui'
import { numberWords } from '@/parts/words'
// Which number those who are called see, and with it on whose business the call is: an agent's own, or that of a queue they serve. What was chosen last
// holds for the next call.
import { useSeen } from '@/services/exchange/react'

const OWN = 'own'

export interface ShownNumber {
  /** null for the agent's own. */
  readonly queueId: QueueId | null
  readonly label: string
  /** '' where the centre has none for it. */
  readonly number: string
}

/** Those the agent may show, the one that is shown, and a way to choose; null off shift. */
export function useShownNumber(): {
  readonly shown: ShownNumber
  readonly all: readonly ShownNumber[]
  readonly choose: (queueId: QueueId | null) => void
} | null {
  const me = useSeen((view) => view.me)
  const queues = useSeen((view) => view.centre.queues) ?? []
  const [chosen, setChosen] = usePersonalSetting<string>(`shown number ${me?.id ?? ''}`, OWN)
  if (me === null) return null
  const own: ShownNumber = { queueId: null, label: 'yourself', number: me.number }
  const all = [own, ...queues.filter((q) => me.queueIds.includes(q.id)).map((q): ShownNumber => ({ queueId: q.id, label: q.name, number: q.number }))]
  // A queue that is not served any more is nobody to call for.
  const shown = all.find((n) => (n.queueId ?? OWN) === chosen) ?? own
  return { shown, all, choose: (queueId) => setChosen(queueId ?? OWN) }
}

/** Beside Call: for whom, and which number is shown, as a choice. */
export function ShownNumberMenu() {
  const numbers = useShownNumber()
  if (numbers === null) return null
  const { shown, all, choose } = numbers
  return (
    <Menu
      label="Number shown to whoever is called"
      align="end"
      trigger={
        <Button
          tone="quiet"
          className="!px-1"
          aria-label={`Calls for ${shown.label}`}
          title={shown.number === '' ? undefined : `They see ${numberWords(shown.number)}`}
        >
          for {shown.label}
        </Button>
      }
    >
      {all.map((n) => (
        <MenuItem key={n.label} onSelect={() => choose(n.queueId)}>
          <span className="flex justify-between gap-6">
            {n === shown ? <strong>For {n.label}</strong> : <>For {n.label}</>}
            <span className="tabular text-soft">{n.number === '' ? 'no number set' : numberWords(n.number)}</span>
          </span>
        </MenuItem>
      ))}
    </Menu>
  )
}
