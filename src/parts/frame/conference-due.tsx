'use client'
// A conference whose time has come: a line on the desk from five minutes before until it is over or joined, and joined with one press.
import { useState } from 'react'
import type { Ask } from '@/core/floor'
import { MINUTE } from '@/core/time'
import { Button, inZone, useNowMs } from '@/parts/ui'
import type { ConferenceSoon, MeView } from '@/services/exchange/protocol'
import { useSeen } from '@/services/exchange/react'

const BEFORE_MS = 5 * MINUTE

interface Props {
  readonly me: MeView
  readonly give: (ask: Ask) => Promise<boolean>
}

export function ConferenceDue({ me, give }: Props) {
  const soon = useSeen((view) => view.conferences.soon) ?? NONE
  return soon.length === 0 ? null : <Due me={me} give={give} soon={soon} />
}

const NONE = [] as const

function Due({ me, give, soon }: Props & { soon: readonly ConferenceSoon[] }) {
  const timeZone = useSeen((view) => view.centre.timeZone) ?? 'UTC'
  const now = useNowMs()
  const [put, setPut] = useState<readonly string[]>([])
  const due = soon.find((c) => !c.isIn && !put.includes(c.id) && now >= c.startsAtMs - BEFORE_MS && now < c.endsAtMs)
  if (due === undefined) return null
  const talks = me.state === 'onCall' || me.state === 'internalCall' || me.state === 'ringing'
  const there = due.present === 0 ? 'nobody is there yet' : due.present === 1 ? 'one is there' : `${due.present} are there`
  return (
    <section aria-label="Conference" className="flex min-h-8 items-center gap-3 border-sea border-l-4 bg-sea-wash px-4 py-0.5">
      <span className="min-w-0 truncate" title={due.title}>
        <strong>Conference {inZone(due.startsAtMs, timeZone, 'HH:mm')}:</strong> {due.title} · {there}
      </span>
      <Button
        className="!h-6"
        tone="primary"
        aria-disabled={talks || undefined}
        title={talks ? 'You are on a call: end it first.' : undefined}
        onClick={() => !talks && void give({ kind: 'joinConference', conferenceId: due.id })}
      >
        Join
      </Button>
      <Button tone="quiet" className="!h-6" onClick={() => setPut([...put, due.id])}>
        Not this one
      </Button>
    </section>
  )
}
