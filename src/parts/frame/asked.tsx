'use client'
// What colleagues ask and are asked before they call, and calls that come about when both are free: a line each for as long as it stands open.
import { format } from 'date-fns'
import { type Answer, type Question, SOON_MS } from '@/core/colleagues'
import { Button, Clock, nameIn, useNowMs } from '@/parts/ui'
import { useSeen } from '@/services/exchange/react'
import { Line } from './line'
import type { OnShift } from './on-shift'
import { SHORTCUTS, useShortcuts } from './shortcuts'

type Props = Pick<OnShift, 'me' | 'give'>

const ANSWERS = [
  ['now', 'Now', SHORTCUTS.answerNow.keys],
  ['soon', 'In 5 min', SHORTCUTS.answerSoon.keys],
  ['no', 'No', SHORTCUTS.answerNo.keys],
] as const satisfies readonly (readonly [Answer, string, string])[]

export function Asked({ me, give }: Props) {
  const seats = useSeen((view) => (me.asked.length + me.asking.length + me.whenFree.length === 0 ? NOBODY : view.seats)) ?? NOBODY
  const [first] = me.asked
  const answer = (question: Question, is: Answer) => void give({ kind: 'answerQuestion', byAgentId: question.byAgentId, answer: is })
  useShortcuts(
    first === undefined ? {} : { answerNow: () => answer(first, 'now'), answerSoon: () => answer(first, 'soon'), answerNo: () => answer(first, 'no') },
  )
  return (
    <>
      {me.asked.map((question) => (
        <Line key={question.byAgentId} label={`${nameIn(seats, question.byAgentId)} asks`} alert>
          <span className="min-w-0 flex-1 truncate" title={question.text}>
            <strong>{nameIn(seats, question.byAgentId)}</strong> asks: “{question.text}” <Clock sinceMs={question.askedAtMs} className="ml-1" />
          </span>
          {ANSWERS.map(([is, label, keys]) => (
            <Button
              key={is}
              className="!h-6"
              tone={is === 'now' ? 'primary' : 'plain'}
              {...(question === first ? { shortcut: keys } : {})}
              onClick={() => answer(question, is)}
            >
              {label}
            </Button>
          ))}
        </Line>
      ))}
      {me.asking.map((question) => (
        <Asking key={question.toAgentId} question={question} name={nameIn(seats, question.toAgentId)} give={give} />
      ))}
      {me.whenFree.map(({ toAgentId, sinceMs }) => (
        <Line key={toAgentId} label={`Call ${nameIn(seats, toAgentId)} when free`}>
          <span className="min-w-0 flex-1 truncate">
            It rings at both of you as soon as <strong>{nameIn(seats, toAgentId)}</strong> and you are free. <Clock sinceMs={sinceMs} className="ml-1" />
          </span>
          <Button className="!h-6" onClick={() => void give({ kind: 'dropCallWhenFree', toAgentId })}>
            Drop it
          </Button>
        </Line>
      ))}
    </>
  )
}

const NOBODY = [] as const

/** What became of a question of one's own. */
function Asking({ question, name, give }: { question: Question; name: string; give: OnShift['give'] }) {
  const { toAgentId, text, answered, askedAtMs } = question
  const now = useNowMs()
  const close = () => void give({ kind: 'closeQuestion', toAgentId })
  if (answered === null)
    return (
      <Line label={`You asked ${name}`}>
        <span className="min-w-0 flex-1 truncate" title={text}>
          You asked <strong>{name}</strong>: “{text}” No answer yet, <Clock sinceMs={askedAtMs} />
        </span>
        <Button className="!h-6" onClick={close}>
          Withdraw
        </Button>
      </Line>
    )
  const untilMs = answered.atMs + SOON_MS
  const said =
    answered.answer === 'no'
      ? 'cannot talk now.'
      : now < untilMs
        ? `can talk in five minutes, at ${format(untilMs, 'HH:mm')}.`
        : 'said five minutes: that was it.'
  return (
    <Line label={`Answer of ${name}`}>
      <span className="min-w-0 flex-1 truncate">
        <strong>{name}</strong> {said}
      </span>
      {answered.answer === 'soon' && (
        <Button
          className="!h-6"
          onClick={async () => {
            if (await give({ kind: 'callColleague', toAgentId, at: 'desk' })) close()
          }}
        >
          Call {name}
        </Button>
      )}
      <Button className="!h-6" onClick={close}>
        Put it away
      </Button>
    </Line>
  )
}
