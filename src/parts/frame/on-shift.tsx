'use client'
// What goes on for as long as a shift is at this tab, whatever page is open: sound, ringing, the keys of a call, announcements. Pages come and
// go below it; a call in progress does not notice.
import { usePathname, useRouter } from 'next/navigation'
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useRef, useState } from 'react'
import type { Ask } from '@/core/floor'
import type { CallId } from '@/core/ids'
import type { Work } from '@/core/work'
import { ringOf } from '@/parts/sound'
import { nameIn, useStable } from '@/parts/ui'
import { callerWords, isMine, othersOn, useNumberWords } from '@/parts/words'
import type { CallView, FloorView, MeView } from '@/services/exchange/protocol'
import { useAllSeen, useCommand, useSeen } from '@/services/exchange/react'
import { Announcer } from './announcer'
import { useCadence } from './cadence'
import { callShortcuts, lineInFront } from './call-shortcuts'
import { useDueCount } from './callback-alarm'
import { useCoding } from './coding'
import { HeldTooLong } from './held-too-long'
import { workInFront } from './in-front'
import { type LineSound, useLineSound } from './line-sound'
import { useCallNotification } from './notifications'
import type { OpenPanel } from './panel'
import { useShortcuts } from './shortcuts'
import { RING_LOUDNESS, useVolumes, type Volumes } from './volumes'
import { useZipTone } from './zip-tone'

export interface OnShift {
  readonly me: MeView
  /** The line in front of the agent: the one that rings, otherwise the one heard, otherwise the first. */
  readonly inFront: CallView | undefined
  readonly rings: boolean
  /** The work of that line, or of the call that owes its outcome. */
  readonly ofLine: Work | undefined
  /** A call that is coded instead of the one in front; null for that one. */
  readonly coding: CallId | null
  /** What is written and theirs, offered, parked or read along. */
  readonly threads: FloorView['threads']
  /** All that is in hand, the call first, in the order it is counted by keys. */
  readonly pieces: readonly CallId[]
  readonly setCoding: (callId: CallId | null) => void
  readonly give: (ask: Ask) => Promise<boolean>
  /** What was refused last, until the state it was said in has passed. */
  readonly trouble: string | null
  readonly panel: OpenPanel | null
  readonly setPanel: (panel: OpenPanel | null) => void
  readonly notReadyOpen: boolean
  readonly setNotReadyOpen: (open: boolean) => void
  readonly due: number
  readonly sound: LineSound
  readonly volumes: Volumes
  /** Something for screen readers to say once. */
  readonly say: (words: string) => void
}

const OnShiftContext = createContext<OnShift | null>(null)

/** null off shift, and at a tab that has not the shift's desk. */
export const useOnShift = (): OnShift | null => useContext(OnShiftContext)

/** Only while somebody is on shift at this tab. */
export function OnShiftProvider({ children }: { children: ReactNode }) {
  const seen = useAllSeen(({ me, calls, threads, work, centre, callbacks }) => ({ me, calls, threads, work, centre, callbacks }))
  // Names are asked for by those who have a call with a colleague, and by nobody else.
  const seats = useSeen((view) => (view.calls.some(({ call }) => call.workId === null) ? view.seats : NOBODY)) ?? NOBODY
  if (seen === null || seen.me === null) return children
  return (
    <Shift {...seen} me={seen.me} seats={seats}>
      {children}
    </Shift>
  )
}

const NOBODY: FloorView['seats'] = []

type Seen = Pick<FloorView, 'calls' | 'threads' | 'work' | 'centre' | 'callbacks' | 'seats'> & { readonly me: MeView }

/** Of a call with work its work remembers it. */
const isSilenced = (line: CallView | undefined, work: Work | undefined): boolean =>
  line?.call.workId === null ? line.call.hushed : (work?.ringSilenced ?? false)

function Shift({ me, calls, threads, work, centre, callbacks, seats, children }: Seen & { readonly children: ReactNode }) {
  const command = useCommand()
  const router = useRouter()
  const atDesk = usePathname() === '/'
  useNumberWords()
  const [notReadyOpen, setNotReadyOpen] = useState(false)
  const [refused, setRefused] = useState<{ readonly says: string; readonly forState: string } | null>(null)
  const [said, setSaid] = useState('')
  const [panel, setOpenPanel] = useState<OpenPanel | null>(null)

  const inFront = lineInFront(calls, me)
  const mine = inFront?.call.connections.find((c) => isMine(c, me.id))
  const rings = mine?.state === 'alerting'
  const written = useMemo(() => threads.flatMap((t) => (t.state === 'offered' ? [] : [t.id])), [threads])
  const [coding, setCodingAt] = useCoding(me, rings ? null : (inFront?.call.id ?? null), written)
  const ofLine = workInFront(inFront, work, me)
  const lineWork = inFront === undefined || rings ? null : inFront.call.workId
  const pieces = useMemo(() => [...(lineWork === null ? [] : [lineWork]), ...written], [lineWork, written])
  // With nothing else to do, what is in hand comes to the front; what is there already stays there.
  const next = coding === null && ofLine === undefined && inFront === undefined ? threads.find((t) => t.state === 'open' && t.agentId === me.id)?.id : undefined
  useEffect(() => {
    if (next !== undefined) setCodingAt(next)
  })

  const volumes = useVolumes()
  const { voice, ring } = volumes
  useCadence(ringOf(volumes.ringId).cadence, rings && !isSilenced(inFront, ofLine) && me.soundPath !== 'none', RING_LOUDNESS * ring)
  useZipTone(me, calls, ring)
  const asWork = inFront?.call.workId === null ? undefined : ofLine
  const colleague = inFront?.call.workId === null ? othersOn(inFront, me.id)[0]?.party : undefined
  useCallNotification(
    rings ? (inFront?.call.id ?? null) : null,
    `${colleague?.kind === 'agent' ? (nameIn(seats, colleague.agentId) ?? 'A colleague') : callerWords(asWork?.customer?.name, asWork?.number, 'A caller')} is ringing`,
    colleague === undefined ? [centre.queues.find((q) => q.id === asWork?.queueId)?.name, asWork?.path].filter((t) => t != null).join(' · ') : 'A colleague',
  )
  const due = useDueCount(me, callbacks)
  const sound = useLineSound(me, calls, voice)

  const stateKey = `${me.state} ${me.sinceMs} ${mine?.state}`
  const latestKey = useRef(stateKey)
  latestKey.current = stateKey
  const bringOwed = useRef(() => {})
  const give = useCallback(
    async (ask: Ask) => {
      const reply = await command(ask)
      // What is owed is put in front of whoever is told that it is.
      if (!reply.ok && reply.refusal.reason === 'outcomeOwed') bringOwed.current()
      setRefused(reply.ok ? null : { says: `${reply.refusal.says} ${reply.refusal.next}`, forState: latestKey.current })
      return reply.ok
    },
    [command],
  )
  /** Pickers, and what is coded, are on the desk: whoever asks for one from elsewhere is led there. */
  const toDesk = () => {
    if (!atDesk) router.push('/')
  }
  const setPanel = useStable((next: OpenPanel | null) => {
    setOpenPanel(next)
    if (next !== null) toDesk()
  })
  const setCoding = useStable((callId: CallId | null) => {
    setCodingAt(callId)
    if (callId !== null) toDesk()
  })
  bringOwed.current = () => {
    const first = me.owed[0]
    if (first !== undefined && calls.length === 0 && coding === null) setCoding(first.callId)
  }
  const lately = me.lately
  useShortcuts({
    ...callShortcuts({ me, calls, inFront, give, onPanel: setPanel, panel }),
    mute: () => void give({ kind: 'setMute', muted: !me.muted }),
    ...(lately !== null && calls.length === 0 ? { undo: () => void give({ kind: 'takeBackOutcome', callId: lately.callId }) } : {}),
    // Within a call the key is about what follows it.
    state: () =>
      me.afterwards.ready && me.leaving === null && (me.state !== 'wrapUp' || me.owed.length >= centre.mostOwed)
        ? setNotReadyOpen(true)
        : void give({ kind: 'goReady' }),
    piece: (n) => {
      const id = pieces[n - 1]
      if (id !== undefined) setCoding(id === lineWork ? null : id)
    },
  })

  const trouble = refused?.forState === stateKey ? refused.says : null
  const value = useMemo(
    (): OnShift => ({
      me,
      inFront,
      rings,
      ofLine,
      coding,
      threads,
      pieces,
      setCoding,
      give,
      trouble,
      panel,
      setPanel,
      notReadyOpen,
      setNotReadyOpen,
      due,
      sound,
      volumes,
      say: setSaid,
    }),
    [me, inFront, rings, ofLine, coding, threads, pieces, setCoding, give, trouble, panel, setPanel, notReadyOpen, due, sound, volumes],
  )
  return (
    <OnShiftContext value={value}>
      {children}
      <HeldTooLong me={me} centre={centre} calls={calls} />
      <Announcer me={me} calls={calls} centre={centre} said={said} />
    </OnShiftContext>
  )
}
