'use client'
// One conference: when, how one dials in, who is asked and who was there, and what may be done about it.
import { useState } from 'react'
import type { Ask } from '@/core/floor'
import { formatClock } from '@/core/time'
import { useOnShift } from '@/parts/frame'
import { Button, inZone, Problem, saveFile, useNowMs } from '@/parts/ui'
import { callerWords, NumberLinks, numberWords } from '@/parts/words'
import { floorNow } from '@/services/exchange/floor-time'
import type { CentreView, ConferenceView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'
import { invitationOf, standsWords, whenWords } from './words'

interface Props {
  readonly conference: ConferenceView
  readonly number: string
  readonly centre: CentreView
  readonly onEdit: () => void
}

export function ConferenceEntry({ conference, number, centre, onEdit }: Props) {
  const { id: conferenceId, plan, code, host, invitedNames, attended, isOpen, isIn, mayChange } = conference
  const command = useCommand()
  const shift = useOnShift()
  const nowMs = useNowMs()
  const [problem, setProblem] = useState<string | null>(null)
  const give = async (ask: Ask) => {
    const reply = await command(ask)
    setProblem(reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
  }
  const why = isIn
    ? 'You are in it.'
    : !isOpen
      ? 'It opens fifteen minutes before it begins.'
      : shift === null
        ? 'Start your shift on the Desk to join from here, or dial in with the code.'
        : null
  const copy = () => void navigator.clipboard?.writeText(code)
  const invite = () => saveFile('conference.ics', invitationOf(conference, number, centre.timeZone, floorNow()), 'text/calendar')
  return (
    <article aria-label={plan.title} className="px-5 py-5">
      <p className="eyebrow">{standsWords(conference, nowMs)}</p>
      <h2 className="break-words font-semibold text-xl">{plan.title}</h2>
      <dl className="mt-3 grid grid-cols-[5.625rem_minmax(0,1fr)] gap-y-1">
        <dt className="text-soft">When</dt>
        <dd>{whenWords(conference, centre.timeZone, nowMs)}</dd>
        <dt className="text-soft">Arranged by</dt>
        <dd>{host}</dd>
        <dt className="text-soft">Dial in</dt>
        <dd>
          {number === '' ? (
            <span className="text-soft">this centre has no number for it</span>
          ) : (
            <>
              <span className="tabular">{numberWords(number)}</span>, code{' '}
              <strong className="tabular">
                {code.slice(0, 3)} {code.slice(3)}
              </strong>{' '}
              <Button tone="quiet" className="!h-6 !px-1" onClick={copy}>
                Copy code
              </Button>
            </>
          )}
        </dd>
        <dt className="text-soft">Asked</dt>
        <dd className="break-words">{invitedNames.length === 0 ? <span className="text-soft">nobody yet</span> : invitedNames.join(', ')}</dd>
      </dl>
      {plan.note !== '' && (
        <p className="mt-3 whitespace-pre-wrap break-words border-line-strong border-l-4 pl-2">
          <NumberLinks text={plan.note} />
        </p>
      )}
      {problem !== null && <Problem>{problem}</Problem>}
      <div className="mt-4 flex flex-wrap gap-2">
        <Button
          tone="primary"
          aria-disabled={why !== null || undefined}
          title={why ?? undefined}
          onClick={() => why === null && void give({ kind: 'joinConference', conferenceId })}
        >
          Join
        </Button>
        <Button onClick={invite}>Invitation as a file</Button>
        <Button
          aria-disabled={!mayChange || undefined}
          title={mayChange ? undefined : `It is over, or ${host} has arranged it.`}
          onClick={() => mayChange && onEdit()}
        >
          Change
        </Button>
        <Button
          tone="loss"
          aria-disabled={!mayChange || undefined}
          title={mayChange ? undefined : `It is over, or ${host} has arranged it.`}
          onClick={() => mayChange && void give({ kind: 'cancelConference', conferenceId })}
        >
          Call off
        </Button>
      </div>
      {why !== null && <p className="mt-1 text-soft">{why}</p>}
      <section aria-label="Who was there" className="mt-5">
        <h3 className="eyebrow">Who was there</h3>
        {attended.length === 0 ? (
          <p className="text-soft">Nobody so far.</p>
        ) : (
          <ul className="divide-y divide-line">
            {attended.map((a) => (
              <li key={`${a.deviceId} ${a.fromMs}`} className="grid grid-cols-[minmax(0,1fr)_auto] gap-2 py-1">
                <span className="min-w-0 truncate">{callerWords(a.name, a.number, 'Withheld number')}</span>
                <span className="tabular text-soft">
                  {inZone(a.fromMs, centre.timeZone, 'HH:mm')}
                  {a.toMs === null ? ', there now' : ` for ${formatClock(a.toMs - a.fromMs)}`}
                </span>
              </li>
            ))}
          </ul>
        )}
      </section>
    </article>
  )
}
