'use client'
// Reviews of one's calls that wait for an answer: a quiet line, until they are answered or put off in this tab.
import Link from 'next/link'
import { useState } from 'react'
import { Button } from '@/parts/ui'
import { useSeen } from '@/services/exchange/react'
import { Line } from './line'

export function ReviewLine() {
  const toAnswer = useSeen((view) => view.reviews.toAnswer) ?? 0
  const [putOff, setPutOff] = useState(0)
  // Put off as many as there were: another count is said anew.
  if (toAnswer === 0 || toAnswer === putOff) return null
  return (
    <Line label="Reviews to answer">
      <span className="min-w-0 flex-1 truncate">
        {toAnswer === 1 ? 'A review of one of your calls is' : `${toAnswer} reviews of your calls are`} waiting for your answer.
      </span>
      <Link href="/results/reviews" className="underline underline-offset-2">
        Read {toAnswer === 1 ? 'it' : 'them'}
      </Link>
      <Button className="!h-6" onClick={() => setPutOff(toAnswer)}>
        Later
      </Button>
    </Line>
  )
}
