'use client'
// What may be done about a queue, behind its name: its door, and storm.
import type { Ask } from '@/core/floor'
import { MenuItem } from '@/parts/ui'
import { ActItem, ActMenu } from './act-item'
import { useActs, useMayAct } from './acts'
import type { QueueRow } from './queue-row'

export function QueueMenu({ queue, mayStorm }: { queue: QueueRow; mayStorm: boolean }) {
  const { act } = useActs()
  const mayAct = useMayAct()
  const { id, name, door, open, storm } = queue
  if (!mayAct) return <span className="font-semibold">{name}</span>
  const sets = (to: 'open' | 'closed' | null): Ask => ({ kind: 'setDoor', queueId: id, door: to })
  return (
    <ActMenu
      label={`Acts on ${name}`}
      trigger={
        <button type="button" title={name} className="min-h-6 font-semibold underline decoration-line-strong decoration-dotted underline-offset-2">
          {name}
        </button>
      }
    >
      {open ? (
        <ActItem
          ask={sets('closed')}
          onSelect={() =>
            void act(sets('closed'), `${name} is closed: whoever calls now is turned away, or leaves a message. Callers already waiting stay in it.`)
          }
        >
          Close now
        </ActItem>
      ) : (
        <ActItem ask={sets('open')} onSelect={() => void act(sets('open'), `${name} is open, whatever its hours say.`)}>
          Open now
        </ActItem>
      )}
      {door !== null && (
        <ActItem ask={sets(null)} onSelect={() => void act(sets(null), `${name} goes by its hours again.`)}>
          Back to its hours
        </ActItem>
      )}
      <MenuItem
        disabled={!mayStorm}
        onSelect={() => void act({ kind: 'switchStorm', queueId: id, on: !storm }, `${name} is ${storm ? 'back from storm' : 'switched to storm'}.`)}
      >
        {storm ? 'Back from storm' : 'Switch to storm'}
        {!mayStorm && <span className="block text-soft">Your account is not enabled for changing the set-up.</span>}
      </MenuItem>
    </ActMenu>
  )
}
