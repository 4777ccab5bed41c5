'use client'
// Calls whose outcome is owed: how many, and each one press from being coded.
import { format } from 'date-fns'
import { memo } from 'react'
import type { CallId } from '@/core/ids'
import { Button, Menu, MenuItem } from '@/parts/ui'
import type { MeView } from '@/services/exchange/protocol'
import { useSeen } from '@/services/exchange/react'

export const OwedMenu = memo(function OwedMenu({ me, onCode }: { me: MeView; onCode: (callId: CallId) => void }) {
  const centre = useSeen((view) => view.centre)
  const count = me.owed.length
  if (count === 0 || centre === null) return null
  const tooMany = count > centre.mostOwed
  return (
    <Menu
      label={tooMany ? `Code one: no more than ${centre.mostOwed} may be owed` : 'Choose one to code'}
      trigger={
        <Button
          tone={tooMany ? 'loss' : 'brass'}
          className="!px-2"
          aria-label={count === 1 ? '1 owed outcome' : `${count} owed outcomes`}
          title={`${centre.mostOwed} may be owed by somebody who goes ready`}
        >
          {count} owed
        </Button>
      }
    >
      {me.owed.map(({ callId, label, sinceMs, queueId }) => (
        <MenuItem key={callId} onSelect={() => onCode(callId)}>
          <span className="flex justify-between gap-6">
            <span>
              {label}
              <span className="text-soft"> · {centre.queues.find((q) => q.id === queueId)?.name ?? 'dialled by us'}</span>
            </span>
            <span className="tabular text-soft">{format(sinceMs, 'HH:mm')}</span>
          </span>
        </MenuItem>
      ))}
    </Menu>
  )
})
