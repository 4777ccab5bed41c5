'use client'
// The log of calls: in, out and missed over all days, found by name, number or day; whoever is in front stands beside the list with what can be done.
import { useSearchParams } from 'next/navigation'
import { useCallback, useDeferredValue, useEffect, useState } from 'react'
import type { AgentId } from '@/core/ids'
import { PeoplePlaces, seesEverybody, useSeenMissed } from '@/parts/frame'
import { ListBeside, Problem, SelectField, TextField, useDraft } from '@/parts/ui'
import { outcomeLabels, useNumberWords } from '@/parts/words'
import { floorNow } from '@/services/exchange/floor-time'
import { useAllSeen } from '@/services/exchange/react'
import { LOG_WAYS, type LogWay } from '@/services/history/client'
import { useHistory } from '@/services/history/react'
import { LogEntry } from './log-entry'
import { LogList } from './log-list'
import { keyOf } from './log-words'

const AT_MOST = 5_000
const WAY_LABELS: Readonly<Record<LogWay, string>> = { in: 'In', out: 'Out', missed: 'Missed' }
/** Every call of the centre, for whoever answers for it. */
const CENTRE = 'centre'

export function LogScreen() {
  useNumberWords()
  const seen = useAllSeen(({ account, centre, seats, me }) => ({ account, centre, seats, me }))
  // A card leads here with whom it is about.
  const asked = useSearchParams().get('find')
  // Whoever comes back finds what they sought.
  const [typed, setTyped] = useDraft('log sought', '')
  useEffect(() => {
    if (asked !== null) setTyped(asked)
  }, [asked, setTyped])
  const search = useDeferredValue(typed)
  const [way, setWay] = useState<LogWay | null>(null)
  const [whose, setWhose] = useState<string | null>(null)
  const [frontKey, setFrontKey] = useState<string | null>(null)
  const id = seen?.account.id ?? null
  // One moment for as long as the page is open: another one would be another question.
  const [openedAtMs] = useState(floorNow)
  const [seenMs, see] = useSeenMissed(id ?? '', seen?.me?.shiftStartedAtMs ?? openedAtMs)
  const only = whose === CENTRE ? null : ((whose ?? id) as AgentId | null)
  const timeZone = seen?.centre.timeZone ?? 'UTC'
  const centre = seen?.centre
  const { latest: value, problem } = useHistory(
    useCallback(
      async (api) => {
        if (id === null || centre === undefined) return null
        return api.log({ only, way, search, sinceMs: 0, from: 0, atMost: AT_MOST, seenMs, nowMs: floorNow(), timeZone, outcomes: outcomeLabels(centre) })
      },
      [id, only, way, search, seenMs, timeZone, centre],
    ),
  )
  // Whoever looks at the list has seen what they missed, once they leave it or look elsewhere.
  useEffect(() => see, [see])
  if (seen === null || id === null) return null
  const { account, seats } = seen
  const rows = value?.rows ?? []
  const front = rows.find((r) => keyOf(r) === frontKey) ?? null
  return (
    <>
      <PeoplePlaces here="/log" />
      <main className="flex min-h-0 flex-1 flex-col">
        <ListBeside
          name="log"
          accountId={id}
          label="Call"
          px={380}
          list={
            <>
              <div className="flex flex-wrap items-end gap-3">
                <h1 className="mr-2 self-center font-semibold text-2xl">Log of calls</h1>
                <TextField
                  label="Find a call"
                  className="min-w-52 flex-1"
                  type="search"
                  autoComplete="off"
                  placeholder="Name, number, queue or day (26 Nov)"
                  value={typed}
                  onChange={(e) => setTyped(e.target.value)}
                />
                <SelectField label="Which" className="w-32" value={way ?? ''} onChange={(e) => setWay(LOG_WAYS.find((w) => w === e.target.value) ?? null)}>
                  <option value="">All calls</option>
                  {LOG_WAYS.map((w) => (
                    <option key={w} value={w}>
                      {WAY_LABELS[w]}
                    </option>
                  ))}
                </SelectField>
                {seesEverybody(account) && (
                  <SelectField label="Calls of" className="w-44" value={whose ?? id} onChange={(e) => setWhose(e.target.value)}>
                    <option value={id}>{account.name}</option>
                    <option value={CENTRE}>The whole centre</option>
                    {seats
                      .filter((s) => s.id !== id)
                      .map((s) => (
                        <option key={s.id} value={s.id}>
                          {s.name}
                        </option>
                      ))}
                  </SelectField>
                )}
              </div>
              <p role="status" className="mt-3 min-h-6 text-soft">
                {value === null ? (problem === null ? 'Looking…' : '') : value.found === 1 ? '1 call' : `${value.found.toLocaleString('en-GB')} calls`}
                {value !== null && value.found > rows.length && `, the latest ${rows.length.toLocaleString('en-GB')} are shown`}
                {value !== null && value.unseen > 0 && <strong className="ml-3 text-brass-text">{value.unseen} missed and not seen yet</strong>}
              </p>
              {problem !== null && <Problem>The log could not be read: {problem}. Reload the page.</Problem>}
              <LogList
                rows={rows}
                frontKey={frontKey}
                onFront={setFrontKey}
                seenMs={seenMs}
                timeZone={timeZone}
                empty={
                  value === null
                    ? ''
                    : search.trim() !== ''
                      ? `No call here has “${search.trim()}” in it.`
                      : 'No calls yet. Every call you make, take or miss stands here.'
                }
              />
            </>
          }
          beside={
            front === null ? (
              <p className="px-5 py-6 font-serif text-[1.0625rem] text-soft leading-7">
                The call you choose in the list stands here, with what can be done about it.
              </p>
            ) : (
              <LogEntry key={keyOf(front)} row={front} centre={seen.centre} seats={seats} account={account} />
            )
          }
        />
      </main>
    </>
  )
}
