'use client'
// One message: heard, answered, sent on, deleted.
import { useState } from 'react'
import { ColleagueActions, ShownNumberMenu, useOnShift } from '@/parts/frame'
import { Button, inZone, Problem } from '@/parts/ui'
import { numberWords } from '@/parts/words'
import { AddPerson } from '@/screens/people'
import type { AccountView, CentreView, MessageView, SeatView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'
import { ForwardDialog } from './forward-dialog'
import { MessagePlayer } from './message-player'
import type { CallBack } from './use-call-back'
import { arrivedAtMs, fromWords, standsWords } from './words'

interface Props {
  readonly message: MessageView
  readonly centre: CentreView
  readonly seats: readonly SeatView[]
  readonly account: AccountView
  readonly callBack: CallBack
  readonly onDeleted: () => void
}

export function MessageEntry({ message, centre, seats, account, callBack, onDeleted }: Props) {
  const command = useCommand()
  const shift = useOnShift()
  const [problem, setProblem] = useState<string | null>(null)
  const [open, setOpen] = useState<'forward' | 'add' | null>(null)
  const { id: messageId, fromAgentId } = message
  const give = async (ask: Parameters<typeof command>[0]): Promise<boolean> => {
    const reply = await command(ask)
    setProblem(reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
    return reply.ok
  }
  const why = callBack.whyNot(message)
  const seat = seats.find((s) => s.id === fromAgentId)
  const isWork = message.box.kind === 'queue' && message.work !== null
  const deleted = message.deletedAtMs !== null
  const remove = async () => {
    if (await give({ kind: 'deleteMessage', messageId })) onDeleted()
  }
  const facts: readonly (readonly [string, string | null])[] = [
    ['When', inZone(arrivedAtMs(message), centre.timeZone, 'EEE d MMM yyyy, HH:mm')],
    ['Mailbox', message.box.kind === 'queue' ? message.boxName : 'Yours'],
    ['Number', message.number === null ? null : numberWords(message.number)],
    ['Sent on by', message.forwardedBy],
    ['Stands', standsWords(message)],
  ]
  return (
    <article aria-label={`Message of ${fromWords(message)}`} className="px-5 py-5">
      <h2 className="break-words font-semibold text-xl">{fromWords(message)}</h2>
      <dl className="mt-2 grid grid-cols-[5.625rem_minmax(0,1fr)] gap-y-1">
        {facts.map(
          ([name, said]) =>
            said !== null && (
              <div key={name} className="contents">
                <dt className="text-soft">{name}</dt>
                <dd className="break-words">{said}</dd>
              </div>
            ),
        )}
      </dl>
      {message.forwarded !== null && message.forwarded.note !== '' && (
        <p className="mt-3 whitespace-pre-wrap break-words border-brass border-l-4 pl-2">{message.forwarded.note}</p>
      )}
      <div className="mt-3">
        <MessagePlayer
          message={message}
          onFirstPlay={() => {
            if (!message.heard && !isWork && !deleted) void give({ kind: 'markMessage', messageId, heard: true })
          }}
        />
      </div>
      {problem !== null && <Problem>{problem}</Problem>}
      {callBack.trouble !== null && <Problem>{callBack.trouble}</Problem>}
      <div className="mt-4 flex flex-wrap items-center gap-2">
        {seat !== undefined && shift !== null ? (
          <ColleagueActions me={shift.me} seat={seat} />
        ) : (
          <>
            <Button tone="primary" aria-disabled={why !== null || undefined} title={why ?? undefined} onClick={() => void callBack.call(message)}>
              Call back
            </Button>
            {message.number !== null && <ShownNumberMenu />}
          </>
        )}
      </div>
      {why !== null && <p className="mt-1 text-soft">{why}</p>}
      <div className="mt-3 flex flex-wrap gap-2">
        {!isWork && !deleted && (
          <Button onClick={() => void give({ kind: 'markMessage', messageId, heard: !message.heard })}>
            {message.heard ? 'Mark as not heard' : 'Mark as heard'}
          </Button>
        )}
        {!deleted && <Button onClick={() => setOpen('forward')}>Forward</Button>}
        {message.number !== null && fromAgentId === null && <Button onClick={() => setOpen('add')}>Add to people</Button>}
        {deleted ? (
          <Button onClick={() => void give({ kind: 'restoreMessage', messageId })}>Bring back</Button>
        ) : (
          !isWork && (
            <Button tone="loss" onClick={() => void remove()}>
              Delete
            </Button>
          )
        )}
      </div>
      {isWork && (
        <p className="mt-2 text-soft">
          {message.work?.with == null
            ? `It is offered to agents of ${message.boxName} when nobody waits there; the outcome they save closes it.`
            : `${message.work.with} has it; the outcome they save closes it.`}
        </p>
      )}
      {open === 'forward' && <ForwardDialog message={message} centre={centre} seats={seats} onClose={() => setOpen(null)} />}
      {open === 'add' && (
        <AddPerson
          account={account}
          begins={{ name: message.name ?? '', numbers: [{ kind: 'work', number: message.number ?? '' }] }}
          onClose={() => setOpen(null)}
        />
      )}
    </article>
  )
}
