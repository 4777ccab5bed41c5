'use client'
// The Floor: what needs a person, every queue, everybody on shift; as it is this second.
import { startOfDay } from 'date-fns'
import { useSearchParams } from 'next/navigation'
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { type Need, needsNow, type WatchedLine } from '@/core/attention'
import type { QueueId } from '@/core/ids'
import { folded } from '@/core/people'
import { DAY, MINUTE, SECOND } from '@/core/time'
import { focusLater, PlaceLink, SelectField, TextField, useNowMs } from '@/parts/ui'
import { eventWords, listed, stateWords } from '@/parts/words'
import { floorNow } from '@/services/exchange/floor-time'
import type { AccountView, CampaignView, CentreView, PieceView, QueueView, SeatView, WaitingCaller, WatchedSeat } from '@/services/exchange/protocol'
import { useAllSeen } from '@/services/exchange/react'
import { useHistory } from '@/services/history/react'
import { ActsProvider, LastAct, MayActContext, useActs } from './acts'
import { type AgentRow, rowsOf, watchedAgent } from './agent-row'
import { AgentsNow, GROUPINGS, type Grouping } from './agents-now'
import { CampaignsNow } from './campaigns-now'
import { ChangeWork } from './change-work'
import { ChosenBar } from './chosen-bar'
import { DaySoFar } from './day-so-far'
import { Needs } from './needs'
import { pieceName } from './pieces-words'
import { QueuesNow } from './queues-now'
import { ReadProvider } from './read-piece'
import { SendWord } from './send-word'
import { needWords } from './words'

const ASIDE = [
  { href: '/floor/tomorrow', says: 'Tomorrow' },
  { href: '/floor/what-if', says: 'What if' },
  { href: '/floor/replay', says: 'Replay' },
] as const

const NO_CALLERS: readonly WaitingCaller[] = []
const NO_PIECES: readonly PieceView[] = []

const GROUPING_WORDS: Readonly<Record<Grouping, string>> = { nothing: 'Nothing', team: 'Team', state: 'State', queue: 'Queue or campaign' }

/** The Floor as it was at an instant of a day that is over; it stands where another floor is shown. */
export function FloorThen({ dayMs, atMs }: { dayMs: number; atMs: number }) {
  return (
    <MayActContext value={false}>
      <FloorScreen then={{ dayMs, atMs }} />
    </MayActContext>
  )
}

interface Then {
  readonly dayMs: number
  readonly atMs: number
}

export function FloorScreen({ then = null }: { then?: Then | null }) {
  const seen = useAllSeen(({ centre, seats, queues, watched, callers, pieces, campaigns, account }) => ({
    centre,
    seats,
    queues,
    watched,
    callers,
    pieces,
    campaigns,
    account,
  }))
  return seen === null ? null : (
    <ActsProvider>
      <ReadProvider pieces={seen.pieces ?? NO_PIECES}>
        <Floor {...seen} watched={seen.watched ?? []} callers={seen.callers ?? []} pieces={seen.pieces ?? NO_PIECES} then={then} />
      </ReadProvider>
    </ActsProvider>
  )
}

interface Props {
  readonly centre: CentreView
  readonly seats: readonly SeatView[]
  readonly queues: readonly QueueView[]
  readonly watched: readonly WatchedSeat[]
  readonly callers: readonly WaitingCaller[]
  readonly pieces: readonly PieceView[]
  readonly campaigns: readonly CampaignView[]
  readonly account: AccountView
  readonly then: Then | null
}

function Floor({ centre, seats, queues, watched, callers, pieces, campaigns, account, then }: Props) {
  const nowMs = useNowMs(SECOND)
  const asked = useSearchParams().get('find')
  const [typed, setTyped] = useState(asked ?? '')
  const self = useRef<HTMLElement>(null)
  // Found by name: what can be done about them is one press away.
  useEffect(() => {
    if (asked === null) return
    setTyped(asked)
    history.replaceState(history.state, '', location.pathname)
    // After the heading, which whoever comes by a link is led to.
    focusLater(() => self.current?.querySelector<HTMLElement>('[aria-label="Agents"] tr[data-row] button'))
  }, [asked])
  const [grouping, setGrouping] = useState<Grouping>('nothing')
  const today = useToday(then)
  const [chosenIds, setChosenIds] = useState<ReadonlySet<string>>(new Set())
  const { act } = useActs()
  const [work, setWork] = useState<{ readonly agents: readonly AgentRow[]; readonly add?: QueueId } | null>(null)
  const onWork = useCallback((agents: readonly AgentRow[]) => setWork({ agents }), [])
  const [word, setWord] = useState<readonly AgentRow[] | null>(null)
  const onChoose = useCallback((id: string) => setChosenIds((before) => toggled(before, id)), [])
  const reasons = useMemo(() => centre.notReadyReasons.filter((r) => !r.givenByFloor), [centre.notReadyReasons])
  const rows = useMemo(() => rowsOf(seats, watched, pieces, centre), [seats, watched, pieces, centre])
  const standing = useMemo(
    () =>
      queues.flatMap((q) => {
        const about = centre.queues.find((c) => c.id === q.id)
        const shareToday = today?.find((t) => t.id === q.id)?.measures.serviceLevelRatio ?? null
        return about === undefined
          ? []
          : [{ ...q, name: about.name, serviceLevelMs: about.serviceLevelMs, warns: about.warns, shareToday, lines: linesOf(q.id, about.writes, pieces) }]
      }),
    [queues, centre, today, pieces],
  )
  const needs = needsNow(standing, rows.map(watchedAgent), centre.holdLimitMs, nowMs)
  const pressing = new Set<string>(needs.map((n) => ('queueId' in n ? n.queueId : n.agentId)))
  const onNeed = (need: Need) => {
    if ('queueId' in need) return setWork({ agents: rows.filter((a) => !a.serves.includes(need.queueId)), add: need.queueId })
    const agent = rows.find((a) => a.id === need.agentId)
    if (agent === undefined) return
    const callId = agent.watched?.onCallId ?? null
    if ((need.kind === 'asksForHelp' || need.kind === 'heldTooLong') && callId !== null)
      return void act({ kind: 'takeRole', callId, besideId: agent.id, role: 'listens' }, `You listen to ${agent.name}.`)
    setWord([agent])
  }
  const names = {
    queue: (id: string) => standing.find((q) => q.id === id)?.name ?? 'A queue',
    agent: (id: string) => rows.find((a) => a.id === id)?.name ?? 'Somebody',
    standing: (id: string) => standing.find((q) => q.id === id),
    reason: (id: string) => rows.find((a) => a.id === id)?.reason ?? null,
  }
  // Somebody who has gone home is chosen no longer.
  const chosen = rows.filter((a) => chosenIds.has(a.id))
  const words = folded(typed)
  const shown = rows.filter((a) =>
    folded(`${a.name} ${a.team} ${stateWords(a.state, a.reason)} ${a.behalf ?? ''} ${a.watched?.with ?? ''} ${a.pieces.map(pieceName).join(' ')}`).includes(
      words,
    ),
  )
  // Where another floor is shown the page has its main part already.
  const Frame = then === null ? 'main' : 'div'
  return (
    <Frame className="flex min-h-0 flex-1 max-lg:block">
      <div className="w-[36rem] shrink-0 overflow-auto border-line border-r bg-raised px-6 py-4 max-lg:w-full">
        {then === null && (
          <div className="flex items-baseline gap-4">
            <h1 className="font-semibold text-2xl">Floor</h1>
            {ASIDE.map(({ href, says }) => (
              <PlaceLink key={href} href={href} isHere={false}>
                {says}
              </PlaceLink>
            ))}
          </div>
        )}
        <Needs needs={needs} wordsOf={(need) => needWords(need, names)} onAct={onNeed} />
        <QueuesNow
          rows={standing.map((q) => ({
            ...q,
            isPressing: pressing.has(q.id),
            today: today?.find((t) => t.id === q.id)?.measures,
            callers: q.waiting === 0 ? NO_CALLERS : callers.filter((c) => c.queueId === q.id),
            pieces: pieces.length === 0 ? NO_PIECES : pieces.filter((p) => p.state === 'waiting' && p.queueId === q.id),
          }))}
          ready={rows.filter((a) => a.state === 'ready')}
          mayStorm={account.may.includes('setUp')}
        />
        <CampaignsNow rows={campaigns.filter((c) => c.state === 'running' || c.state === 'paused')} campaigns={centre.campaigns} />
        {then === null && <DaySoFar queues={standing} wordsOf={(mark) => eventWords(mark.event, { centre, seats })} />}
      </div>
      <section ref={self} aria-label="On shift" className="min-w-0 flex-1 overflow-auto px-5 py-3">
        <div className="flex flex-wrap items-end gap-3">
          <div className="mr-2">
            <h2 className="font-semibold text-lg">On shift</h2>
            <p role="status" className="text-soft">
              {rows.length === 0
                ? 'Nobody is on shift.'
                : shown.length === 0
                  ? `Nobody on shift has “${typed.trim()}” in what stands here.`
                  : `${shown.length === rows.length ? '' : `${shown.length} of `}${rows.length} on shift, ${rows.filter((a) => a.state === 'ready').length} ready`}
            </p>
          </div>
          <TextField
            label="Find an agent"
            type="search"
            autoComplete="off"
            className="min-w-40 flex-1"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
          />
          <SelectField
            label="Group by"
            className="w-44"
            value={grouping}
            onChange={(e) => setGrouping(GROUPINGS.find((g) => g === e.target.value) ?? 'nothing')}
          >
            {GROUPINGS.map((g) => (
              <option key={g} value={g}>
                {GROUPING_WORDS[g]}
              </option>
            ))}
          </SelectField>
        </div>
        <LastAct />
        {chosen.length > 0 && <ChosenBar chosen={chosen} reasons={reasons} onWork={onWork} onWord={setWord} onClear={() => setChosenIds(new Set())} />}
        {shown.length > 0 && (
          <AgentsNow
            rows={shown.map((a) => ({ ...a, isPressing: pressing.has(a.id) }))}
            grouping={grouping}
            chosen={chosenIds}
            onChoose={onChoose}
            reasons={reasons}
            onWork={onWork}
            onWord={setWord}
          />
        )}
        {work !== null && <ChangeWork {...work} centre={centre} campaigns={campaigns} onClose={() => setWork(null)} />}
        {word !== null && <SendWord to={word} who={listed(word.map((a) => a.name))} onClose={() => setWord(null)} />}
      </section>
    </Frame>
  )
}

/** What waits in a queue for its first answer, by channel. */
function linesOf(queueId: QueueId, writes: CentreView['queues'][number]['writes'], pieces: readonly PieceView[]): readonly WatchedLine[] {
  return writes.flatMap(({ channel, serviceLevelMs }) => {
    const of = pieces.filter((p) => p.queueId === queueId && p.channel === channel && p.state === 'waiting' && p.unanswered)
    return of.length === 0 ? [] : [{ channel, serviceLevelMs, count: of.length, longestSinceMs: Math.min(...of.map((p) => p.beganAtMs)) }]
  })
}

const toggled = (before: ReadonlySet<string>, id: string): ReadonlySet<string> => {
  const after = new Set(before)
  if (!after.delete(id)) after.add(id)
  return after
}

/** Figures of each queue since midnight, asked for anew as calls end. */
function useToday(then: Then | null) {
  const [todayMs] = useState(() => startOfDay(floorNow()).getTime())
  const fromMs = then?.dayMs ?? todayMs
  // Of a day that is over: of the calls that had come by then, to the minute.
  const untilMs = then === null ? null : Math.floor(then.atMs / MINUTE) * MINUTE
  const { latest } = useHistory(
    useCallback(
      (api) =>
        api.report({ span: { fromMs, toMs: untilMs ?? fromMs + DAY }, nowMs: untilMs ?? floorNow(), steps: [], only: null }).then(({ queues }) => queues),
      [fromMs, untilMs],
    ),
  )
  return latest
}
