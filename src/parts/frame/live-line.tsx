'use client'
// A ring or a live call, on any page but the desk: one line with what matters at this moment, and the way back.
import clsx from 'clsx'
import { useRouter } from 'next/navigation'
import { type Call, type Connection, connectionOf, takesPart } from '@/core/calls'
import { Button, Clock } from '@/parts/ui'
import { describeBoard, isMine, ROLE_WORDS, ROLES_BY_SILENCE } from '@/parts/words'
import { useAllSeen } from '@/services/exchange/react'
import type { OnShift } from './on-shift'
import { ROLE_KEYS, SHORTCUTS } from './shortcuts'

export function LiveLine({ shift }: { shift: OnShift }) {
  const router = useRouter()
  const { me, inFront, rings, give, trouble } = shift
  const names = useAllSeen(({ seats, centre }) => ({ seats, centre }))
  if (inFront === undefined || names === null) return null
  const { call } = inFront
  const mine = call.connections.find((c) => isMine(c, me.id))
  if (mine === undefined) return null
  const on = { callId: call.id }
  const held = mine.state === 'held'
  const ends = call.clearing?.byAgentId === me.id
  const second = call.consultFor !== null
  const listens = !takesPart(mine)
  return (
    <section
      aria-label={rings ? 'Ringing' : listens ? 'Listening in' : 'Your call'}
      className={clsx(
        'flex min-h-10 items-center gap-3 border-l-4 px-4 py-1',
        listens
          ? 'border-sea bg-sea-wash'
          : rings
            ? 'border-brass bg-brass-wash text-brass-text'
            : held
              ? 'border-brass border-dashed bg-paper'
              : 'border-green bg-green-wash',
      )}
    >
      <span className="min-w-0 flex-1 truncate font-semibold">
        {describeBoard(me, [inFront], { me, ...names }, null)}
        {trouble !== null && <span className="ml-3 font-normal text-red">{trouble}</span>}
      </span>
      <Clock sinceMs={mine.sinceMs} />
      {ends ? (
        <Button tone="primary" shortcut={SHORTCUTS.undo.keys} onClick={(e) => e.detail <= 1 && void give({ kind: 'takeBack', ...on })}>
          Undo
        </Button>
      ) : listens ? (
        <ListeningButtons call={call} mine={mine} give={give} />
      ) : rings ? (
        <>
          <Button tone="primary" shortcut={SHORTCUTS.answer.keys} onClick={() => void give({ kind: 'answer', ...on })}>
            Answer
          </Button>
          <Button shortcut={SHORTCUTS.decline.keys} onClick={() => void give({ kind: 'decline', ...on })}>
            Decline
          </Button>
        </>
      ) : (
        <>
          <Button shortcut={SHORTCUTS.hold.keys} onClick={() => void give({ kind: held ? 'retrieve' : 'hold', ...on })}>
            {held ? 'Retrieve' : 'Hold'}
          </Button>
          <Button tone="loss" shortcut={SHORTCUTS.hangUp.keys} onClick={() => void give(second ? { kind: 'endConsult', ...on } : { kind: 'hangUp', ...on })}>
            {second ? 'End consult' : 'Hang up'}
          </Button>
        </>
      )}
      <Button tone="quiet" onClick={() => router.push('/')}>
        Back to the desk
      </Button>
    </section>
  )
}

/** As on the board, in one line: what one does now is pressed. */
function ListeningButtons({ call, mine, give }: { call: Call; mine: Connection; give: OnShift['give'] }) {
  const party = mine.beside === null ? undefined : connectionOf(call, mine.beside)?.party
  const on = { callId: call.id }
  return (
    <>
      {party?.kind === 'agent' && (
        <>
          {ROLES_BY_SILENCE.map((role) => (
            <Button
              key={role}
              aria-pressed={mine.role === role}
              tone={mine.role === role ? 'primary' : 'plain'}
              shortcut={SHORTCUTS[ROLE_KEYS[role]].keys}
              onClick={() => void give({ kind: 'takeRole', ...on, besideId: party.agentId, role })}
            >
              {ROLE_WORDS[role]}
            </Button>
          ))}
          <Button shortcut={SHORTCUTS.transfer.keys} onClick={() => void give({ kind: 'takeOver', ...on, fromAgentId: party.agentId })}>
            Take over
          </Button>
        </>
      )}
      <Button tone="loss" shortcut={SHORTCUTS.hangUp.keys} onClick={() => void give({ kind: 'stopListening', ...on })}>
        Stop listening
      </Button>
    </>
  )
}
