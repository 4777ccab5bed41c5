// What an act would come to, asked of the floor before it is done, and said in a sentence.
import { useEffect, useState } from 'react'
import { type Ask, type Consequences, toRefusalText } from '@/core/floor'
import { formatClock } from '@/core/time'
import { listed, stateWords } from '@/parts/words'
import { useAllSeen, useFloor } from '@/services/exchange/react'

interface Names {
  readonly queue: (id: string) => string
  readonly agent: (id: string) => string
}

export interface Foreseen {
  readonly says: string
  readonly refused: boolean
}

/** null until it is known, or while nothing is asked. Asked anew when the act is another one, and whenever the floor has changed. */
export function useForesee(ask: Ask | null, names: Names): Foreseen | null {
  const floor = useFloor()
  // Between the opening and the press others act as well.
  const now = useAllSeen(({ seats, queues }) => ({ seats, queues }))
  const [answer, setAnswer] = useState<{ readonly to: string; readonly is: Consequences } | null>(null)
  const question = ask === null ? null : JSON.stringify(ask)
  // biome-ignore lint/correctness/useExhaustiveDependencies: another floor is another answer to the same question
  useEffect(() => {
    if (question === null) return
    let alive = true
    void floor?.ask({ kind: 'foresee', command: JSON.parse(question) as Ask }).then((reply) => {
      if (alive && reply.ok && reply.text !== null) setAnswer({ to: question, is: JSON.parse(reply.text) as Consequences })
    })
    return () => {
      alive = false
    }
  }, [floor, question, now])
  return answer === null || answer.to !== question ? null : foreseen(answer.is, names)
}

export function foreseen(is: Consequences, { queue, agent }: Names): Foreseen {
  if (!is.ok) {
    const { says, next } = toRefusalText(is.refusal)
    return { says: `${says} ${next}`, refused: true }
  }
  const parts = [
    ...is.queues.map(({ queueId, before, after }) => {
      const changes = [
        ...(before.ready === after.ready && before.serving === after.serving
          ? []
          : [`${after.ready} of ${after.serving} ready instead of ${before.ready} of ${before.serving}`]),
        ...(before.waiting === after.waiting ? [] : [`${after.waiting} waiting instead of ${before.waiting}`]),
        ...(before.expectedWaitMs === after.expectedWaitMs
          ? []
          : [`expected wait ${waitWords(after.expectedWaitMs)} instead of ${waitWords(before.expectedWaitMs)}`]),
      ]
      return `${queue(queueId)}: ${changes.join(', ')}`
    }),
    ...(is.rings.length === 0
      ? []
      : [
          `${is.rings.length === 1 ? 'a waiting call rings' : `${is.rings.length} waiting calls ring`} at once at ${listed(is.rings.map((r) => agent(r.agentId)))}`,
        ]),
    ...is.afterwards.map((a) => `${agent(a.agentId)}, after what they have in hand: ${stateWords(a.ready ? 'ready' : 'notReady', a.reason)}`),
    ...is.agents.filter((a) => !is.rings.some((r) => r.agentId === a.agentId)).map((a) => `${agent(a.agentId)}: ${stateWords(a.state, a.reason)}`),
  ]
  return { says: parts.length === 0 ? 'Nothing changes for queues and callers.' : `${parts.join('. ')}.`, refused: false }
}

const waitWords = (ms: number | null): string => (ms === null ? 'unknown' : ms === 0 ? 'none' : formatClock(ms))
