'use client'
// Conferences by appointment: those to come and those that were, who is asked and who was there; joined, invited to, changed and called off beside the list.
import clsx from 'clsx'
import { useState } from 'react'
import { endsAtMs } from '@/core/conferences'
import { PeoplePlaces } from '@/parts/frame'
import { Button, Choice, ListBeside, RowList, useNowMs } from '@/parts/ui'
import { useNumberWords } from '@/parts/words'
import type { ConferenceView } from '@/services/exchange/protocol'
import { useAllSeen } from '@/services/exchange/react'
import { ConferenceEntry } from './conference-entry'
import { PlanDialog } from './plan-dialog'
import { useConferences } from './use-conferences'
import { beginsWords, standsWords } from './words'

export function ConferencesScreen() {
  useNumberWords()
  const seen = useAllSeen(({ account, centre, seats }) => ({ account, centre, seats }))
  const page = useConferences()
  const nowMs = useNowMs()
  const [which, setWhich] = useState<'coming' | 'past'>('coming')
  const [frontId, setFrontId] = useState<string | null>(null)
  const [editing, setEditing] = useState<ConferenceView | 'new' | null>(null)
  if (seen === null) return null
  const { account, centre, seats } = seen
  const isPast = (c: ConferenceView) => (c.cancelledAtMs !== null || endsAtMs(c) < nowMs) && !c.attended.some((a) => a.toMs === null)
  const all = page?.conferences ?? []
  const shown = which === 'coming' ? all.filter((c) => !isPast(c)) : all.filter(isPast).toReversed()
  const front = all.find((c) => c.id === frontId) ?? null
  const mayPlan = account.may.includes('conference')
  return (
    <>
      <PeoplePlaces here="/conferences" />
      <main className="flex min-h-0 flex-1 flex-col">
        <ListBeside
          name="conferences"
          accountId={account.id}
          label="Conference"
          px={420}
          list={
            <>
              <div className="flex flex-wrap items-end gap-4">
                <h1 className="mr-2 self-center font-semibold text-2xl">Conferences</h1>
                <Choice
                  label="Which"
                  value={which}
                  options={[
                    { value: 'coming', label: 'To come' },
                    { value: 'past', label: 'Past' },
                  ]}
                  onChange={setWhich}
                />
                <Button
                  tone="primary"
                  className="ml-auto"
                  aria-disabled={!mayPlan || undefined}
                  title={mayPlan ? undefined : 'Your account may not hold conferences.'}
                  onClick={() => mayPlan && setEditing('new')}
                >
                  Arrange a conference
                </Button>
              </div>
              <p role="status" className="mt-3 min-h-6 text-soft">
                {page === null ? 'Looking…' : shown.length === 1 ? '1 conference' : `${shown.length} conferences`}
              </p>
              <RowList
                label="Conferences"
                rows={shown}
                keyOf={(c) => c.id}
                nameOf={(c) => c.plan.title}
                frontKey={frontId}
                onFront={setFrontId}
                columns="pl-2 grid-cols-[8.5rem_minmax(0,1fr)_6rem] md:grid-cols-[8.5rem_minmax(0,1.3fr)_minmax(0,0.8fr)_minmax(0,1fr)]"
                empty={
                  page === null
                    ? ''
                    : which === 'coming'
                      ? 'None to come. Arrange one, and whoever you invite has it on the desk when it is time.'
                      : 'None in the last month.'
                }
              >
                {(c) => (
                  <>
                    <span className="tabular whitespace-nowrap text-soft text-xs">{beginsWords(c, centre.timeZone, nowMs)}</span>
                    <span className={clsx('min-w-0 truncate font-semibold', c.cancelledAtMs !== null && 'line-through')} title={c.plan.title}>
                      {c.plan.title}
                    </span>
                    <span className="hidden min-w-0 truncate text-soft md:block">{c.host}</span>
                    <span className={clsx('min-w-0 truncate', c.isOpen ? 'font-semibold text-brass-text' : 'text-soft')}>{standsWords(c, nowMs)}</span>
                  </>
                )}
              </RowList>
            </>
          }
          beside={
            front === null ? (
              <p className="px-5 py-6 font-serif text-[1.0625rem] text-soft leading-7">
                The conference you choose in the list stands here: who is asked, how one dials in, and who was there.
              </p>
            ) : (
              <ConferenceEntry key={front.id} conference={front} number={page?.number ?? ''} centre={centre} onEdit={() => setEditing(front)} />
            )
          }
        />
      </main>
      {editing !== null && (
        <PlanDialog
          conference={editing === 'new' ? null : editing}
          now={editing === 'new' ? null : (page?.conferences.find((c) => c.id === editing.id) ?? null)}
          centre={centre}
          seats={seats}
          accountId={account.id}
          onClose={() => setEditing(null)}
          onPlanned={setFrontId}
        />
      )}
    </>
  )
}
