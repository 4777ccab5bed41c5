'use client'
// Who waits in a queue, in order, each with where they may be sent.
import type { Ask } from '@/core/floor'
import type { AgentId, QueueId } from '@/core/ids'
import { Button, Clock, Menu, MenuItem, MenuLine } from '@/parts/ui'
import type { WaitingCaller } from '@/services/exchange/protocol'
import { useActs, useMayAct } from './acts'

interface Props {
  readonly callers: readonly WaitingCaller[]
  readonly waiting: number
  readonly queues: readonly { readonly id: QueueId; readonly name: string }[]
  readonly ready: readonly { readonly id: AgentId; readonly name: string }[]
}

export function WaitingCallers({ callers, waiting, queues, ready }: Props) {
  const { act } = useActs()
  const mayAct = useMayAct()
  return (
    <>
      <ol className="border-brass border-l-2 pl-3">
        {callers.map(({ callId, queueId, label, sinceMs, kept }, place) => {
          const send = (ask: Ask, done: string) => void act(ask, done)
          return (
            <li key={callId} className="flex items-center gap-3 py-0.5">
              <span className="min-w-0 flex-1 truncate" title={label}>
                {place + 1}. {label} {kept && <span className="text-soft">is called in turn</span>}
              </span>
              <Clock sinceMs={sinceMs} />
              {mayAct && (
                <Menu
                  label={`Send ${label}`}
                  align="end"
                  trigger={
                    <Button className="!h-6 !px-2" aria-label={`Send ${label}`}>
                      Send
                    </Button>
                  }
                >
                  {place > 0 && (
                    <MenuItem onSelect={() => send({ kind: 'moveWaiting', callId, to: { kind: 'head' } }, `${label} is next.`)}>
                      To the head of the queue
                    </MenuItem>
                  )}
                  {!kept && (
                    <MenuItem
                      onSelect={() =>
                        send({ kind: 'moveWaiting', callId, to: { kind: 'callback' } }, `${label} hangs up, keeps the place and is called in turn.`)
                      }
                    >
                      Call them back in turn
                    </MenuItem>
                  )}
                  <MenuLine />
                  {queues
                    .filter((q) => q.id !== queueId)
                    .map((q) => (
                      <MenuItem
                        key={q.id}
                        onSelect={() => send({ kind: 'moveWaiting', callId, to: { kind: 'queue', queueId: q.id } }, `${label} is now waiting in ${q.name}.`)}
                      >
                        To {q.name}
                      </MenuItem>
                    ))}
                  {ready.length > 0 && <MenuLine />}
                  {ready.map((a) => (
                    <MenuItem
                      key={a.id}
                      onSelect={() => send({ kind: 'moveWaiting', callId, to: { kind: 'agent', agentId: a.id } }, `${label} rings at ${a.name}.`)}
                    >
                      To {a.name}, who is ready
                    </MenuItem>
                  ))}
                </Menu>
              )}
            </li>
          )
        })}
      </ol>
      {waiting > callers.length && <p className="pl-3 text-soft">and {waiting - callers.length} more</p>}
    </>
  )
}
