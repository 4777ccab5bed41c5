'use client'
// What lies below the board: the page that is read, the record and the outcome of the call in front; between calls what is waited for and the day so far.
import { type ComponentProps, memo, type Ref, useImperativeHandle, useMemo, useRef } from 'react'
import type { Call, Target } from '@/core/calls'
import type { CallId } from '@/core/ids'
import { behalfOf, type Work } from '@/core/work'
import { SHORTCUTS, scriptOf } from '@/parts/frame'
import { type ReadingActions, ReadingPane, type ReadingPaneHandle } from '@/parts/reading'
import { Panes, usePersonalSetting } from '@/parts/ui'
import { memoInWords, outcomeSetOf } from '@/parts/words'
import { Conversation } from '@/parts/written'
import { MessageInHand } from '@/screens/voicemail'
import type { CentreView, MeView, ThreadView } from '@/services/exchange/protocol'
import { useCommand, useSeen } from '@/services/exchange/react'
import { EarlierCall } from './earlier-call'
import { OutcomeTray, type OutcomeTrayHandle } from './outcome/tray'
import { PeopleBeside, usePeopleBeside } from './people-beside'
import { PreviewPane } from './preview-pane'
import { Record } from './record'
import { TodayColumn, WaitingPane } from './waiting'

export interface Shown {
  readonly me: MeView
  readonly centre: CentreView
  readonly work: Work | undefined
  readonly ringing: boolean
  /** Another call than the one in front is coded: the words of the way back. */
  readonly backTo: string | null
  /** Of a call that is on with somebody nobody knows: they can be named. */
  readonly unknown: Call | undefined
  readonly answeredAtMs: number | null
  readonly moreHeadStartMs: number
  readonly keptPlace: boolean
  /** A message, with nobody on the line so far. */
  readonly holdsMessage: boolean
  /** The chat, mail or text the work is, while there is something to see of it. */
  readonly thread: ThreadView | undefined
}

/** What shortcuts may ask of it from anywhere. */
export type BelowHandle = ReadingPaneHandle & OutcomeTrayHandle

interface Props {
  readonly shown: Shown
  readonly onLookUp: (name: string) => void
  readonly onSaved: (label: string, kept: boolean) => void
  readonly onBack: () => void
  /** Somebody is chosen to be brought to the call; null while there is none. */
  readonly onBring: ((target: Target) => void) | null
  readonly ref: Ref<BelowHandle>
}

export const Below = memo(function Below({ shown, onLookUp, onSaved, onBack, onBring, ref }: Props) {
  const { me, centre, work, ringing, backTo, unknown, answeredAtMs, moreHeadStartMs, keptPlace, holdsMessage, thread } = shown
  const [beside] = usePeopleBeside(me.id)
  const [besideWritten, setBesideWritten] = usePersonalSetting<'shown' | 'hidden'>('script beside what is written', 'shown')
  const pane = useRef<ReadingPaneHandle>(null)
  const tray = useRef<OutcomeTrayHandle>(null)
  useImperativeHandle(ref, () => ({
    turn: (direction) => pane.current?.turn(direction),
    focusNotes: () => tray.current?.focusNotes(),
    save: () => tray.current?.save(),
    extend: () => tray.current?.extend(),
    choose: (key) => tray.current?.choose(key),
  }))
  const readBy = useSeen(({ seats }) =>
    work?.handledBy == null || work.handledBy === me.id ? null : (seats.find((s) => s.id === work.handledBy)?.name ?? null),
  )
  const promised = useSeen(({ callbacks }) => callbacks.find((c) => c.id === work?.fromCallbackId))
  const actions = useReading(work?.id)
  /** Whoever has the call codes it, and whoever has left it and owes; others on the line read along. */
  const mayCode = work !== undefined && !ringing && (work.handledBy === me.id || work.owedBy.includes(me.id))
  const script = work === undefined ? null : scriptOf(centre, work)
  const outcomeSet = work === undefined ? undefined : outcomeSetOf(centre, behalfOf(work))
  const reading = (opensWhen: ReadingOpens) =>
    work !== undefined && (
      <Reading
        key={work.id}
        ref={pane}
        agentName={me.name}
        work={work}
        script={script}
        readOnly={!mayCode || work.run === null}
        readBy={readBy}
        opensWhen={opensWhen}
        keys={PAGE_KEYS}
        actions={actions}
      />
    )
  return (
    <div className="flex min-h-0 flex-1 flex-col [contain:strict] max-lg:flex-none max-lg:[contain:none]">
      <Panes
        name="desk"
        accountId={me.id}
        className="min-h-0 flex-1"
        stacksBelowPx={1024}
        panes={[
          {
            id: 'page',
            name: 'the page',
            minPx: 380,
            content:
              work === undefined && me.preview !== null ? (
                <PreviewPane key={`${me.preview.record.recordId} ${me.preview.sinceMs}`} me={me} centre={centre} preview={me.preview} />
              ) : work === undefined ? (
                <WaitingPane me={me} centre={centre} onChoose={onLookUp} />
              ) : holdsMessage && work.messageId !== null ? (
                <MessageInHand key={work.id} messageId={work.messageId} isPage />
              ) : thread !== undefined ? (
                <div className="flex min-h-0 flex-1 max-lg:block">
                  <Conversation
                    key={work.id}
                    me={me}
                    centre={centre}
                    thread={thread}
                    work={work}
                    onScript={
                      script === null
                        ? null
                        : { shown: besideWritten === 'shown', toggle: () => setBesideWritten(besideWritten === 'shown' ? 'hidden' : 'shown') }
                    }
                  />
                  {script !== null && besideWritten === 'shown' && (
                    <div className="flex min-h-0 w-[22rem] max-w-full shrink-0 flex-col border-line border-l max-lg:w-full">{reading(null)}</div>
                  )}
                </div>
              ) : (
                reading(ringing ? 'youAnswer' : work.run === null && work.endedAtMs === null ? 'theyAnswer' : null)
              ),
          },
          {
            id: 'record',
            name: 'the record',
            px: 420,
            minPx: 340,
            content: (
              <aside data-focus-home aria-label="Record and outcome" className="flex min-h-0 flex-1 flex-col overflow-hidden bg-paper">
                {work === undefined ? (
                  <TodayColumn me={me} centre={centre} />
                ) : (
                  <>
                    {backTo !== null && <EarlierCall backTo={backTo} onBack={onBack} />}
                    <Record
                      work={work}
                      unknown={unknown}
                      moreHeadStartMs={moreHeadStartMs}
                      keptPlace={keptPlace}
                      showsMessage={!holdsMessage && work.handledBy !== null}
                      centre={centre}
                      promised={promised ?? undefined}
                      answeredAtMs={answeredAtMs}
                    />
                    {mayCode && outcomeSet !== undefined && (
                      <OutcomeTray key={work.id} ref={tray} me={me} work={work} set={outcomeSet} script={script} centre={centre} onSaved={onSaved} />
                    )}
                  </>
                )}
              </aside>
            ),
          },
          ...(work !== undefined && beside === 'yes'
            ? [{ id: 'people', name: 'people', px: 260, minPx: 200, content: <PeopleBeside me={me} onBring={onBring} /> }]
            : []),
        ]}
      />
    </div>
  )
})

const Reading = memoInWords(ReadingPane)
type ReadingOpens = ComponentProps<typeof ReadingPane>['opensWhen']
const PAGE_KEYS = { next: SHORTCUTS.nextPage.keys, back: SHORTCUTS.previousPage.keys }

/** What is done on the reading pane of a call. */
function useReading(callId: CallId | undefined): ReadingActions {
  const command = useCommand()
  return useMemo((): ReadingActions => {
    const nobody = async () => ({ ok: true }) as const
    if (callId === undefined) return { answer: nobody, turn: nobody }
    return {
      answer: (field, value) => command({ kind: 'answerScript', callId, field, value }),
      turn: (direction, pageId) => command({ kind: 'turnPage', callId, direction, ...(pageId === undefined ? {} : { pageId }) }),
    }
  }, [callId, command])
}
