'use client'
// Where a chat, a mail or a text may be sent: to another queue that takes it, or to somebody on shift who has room for it.
import type { Ask } from '@/core/floor'
import { Button, Menu, MenuItem, MenuLine } from '@/parts/ui'
import type { PieceView } from '@/services/exchange/protocol'
import { useAllSeen } from '@/services/exchange/react'
import { useActs } from './acts'
import { pieceName } from './pieces-words'

export function MovePiece({ piece }: { piece: PieceView }) {
  const { act } = useActs()
  const seen = useAllSeen(({ centre, seats }) => ({ queues: centre.queues, seats }))
  if (seen === null) return null
  const { id: threadId, channel, queueId, agentId, state } = piece
  const name = pieceName(piece)
  const send = (to: Extract<Ask, { kind: 'moveThread' }>['to'], done: string) => void act({ kind: 'moveThread', threadId, to }, done)
  const queues = seen.queues.filter((q) => q.writes.some((w) => w.channel === channel) && (q.id !== queueId || state !== 'waiting'))
  const agents = seen.seats.filter((s) => s.role === 'agent' && s.state !== 'signedOut' && s.state !== 'notReady' && s.id !== agentId)
  return (
    <Menu
      label={`Send ${name}`}
      align="end"
      trigger={
        <Button className="!h-6 !px-2" aria-label={`Send what ${name} wrote`}>
          Send
        </Button>
      }
    >
      {queues.map((q) => (
        <MenuItem key={q.id} onSelect={() => send({ kind: 'queue', queueId: q.id }, `${name} is now waiting in ${q.name}.`)}>
          To {q.name}
        </MenuItem>
      ))}
      {queues.length > 0 && agents.length > 0 && <MenuLine />}
      {agents.map((a) => (
        <MenuItem key={a.id} onSelect={() => send({ kind: 'agent', agentId: a.id }, `${name} is offered to ${a.name}.`)}>
          To {a.name}
          {a.serves.includes(queueId) ? '' : ', who does not serve the queue'}
        </MenuItem>
      ))}
    </Menu>
  )
}
