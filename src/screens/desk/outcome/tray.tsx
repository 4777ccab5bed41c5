'use client'
// The outcome tray: choose a code, write notes and what the code asks for, say what you do next, save. Choosing and saving are two
// gestures. What does not fit scrolls; Save stays in view.
import { type Ref, useEffect, useId, useImperativeHandle, useRef, useState } from 'react'
import { codesFor, type OutcomeSet, type Then } from '@/core/outcomes'
import type { Script } from '@/core/scripts'
import { behalfOf, type Work } from '@/core/work'
import { chosenReasons, SHORTCUTS } from '@/parts/frame'
import { Button, Problem, ShortcutHint, useDraft } from '@/parts/ui'
import { becomesWords, memoInWords, numberWords } from '@/parts/words'
import type { CentreView, MeView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'
import { CallbackFields, UntilFields, useCallbackDraft } from './callback-fields'
import { CodeList } from './code-list'
import { SoundRating } from './sound-rating'
import { TaskFields, useTaskDraft } from './task-fields'
import { ThenChoice } from './then-choice'
import { FIRST_REASON, WrapUpBand } from './wrap-up-band'

interface Props {
  readonly me: MeView
  readonly work: Work
  readonly set: OutcomeSet
  readonly script: Script | null
  readonly centre: CentreView
  readonly onSaved: (label: string, kept: boolean) => void
  readonly ref: Ref<OutcomeTrayHandle>
}

export interface OutcomeTrayHandle {
  choose(key: string): void
  focusNotes(): void
  save(): void
  extend(): void
}

const SEND_NOTES_AFTER_MS = 300
const LATE_MS = 150

export const OutcomeTray = memoInWords(function OutcomeTray({ me, work, set, script, centre, onSaved, ref }: Props) {
  const command = useCommand()
  const { id: callId } = work
  const [code, setCode, forgetCode] = useDraft(`${callId} code`, work.outcome?.code ?? '')
  const [notes, setNotes, forgetNotes] = useDraft(`${callId} notes`, work.notes)
  const [followUp, setFollowUp, forgetFollowUp] = useDraft(`${callId} follow-up`, work.followUp)
  const chosenCode = set.codes.find((c) => c.code === code)
  const follows = chosenCode?.follows ?? null
  const asksUntil = follows?.kind === 'retry' && follows.asksUntil === true
  const callback = useCallbackDraft(work, centre)
  const [openedAtMs] = useState(() => Date.now())
  const task = useTaskDraft(work, follows?.kind === 'task' ? follows : null, me.name, openedAtMs, centre.timeZone)
  // What was asked for during the call stands, until the agent says otherwise here.
  const asked: Then =
    me.afterwards.ready || !chosenReasons(centre).includes(me.afterwards.reason ?? '')
      ? { state: 'ready' }
      : { state: 'notReady', reason: me.afterwards.reason ?? '' }
  const [chosenThen, setThen] = useState<Then | null>(null)
  const then = chosenThen ?? asked
  const [problem, setProblem] = useState<string | null>(null)
  /** What speaks against the code that is chosen; saving again means it. */
  const [doubt, setDoubt] = useState<{ readonly code: string; readonly says: string } | null>(null)
  /** The floor has the outcome and has not answered; said on the button only once it takes long, for drawing it costs a frame. */
  const saving = useRef(false)
  const [isLate, setIsLate] = useState(false)
  const notesField = useRef<HTMLTextAreaElement>(null)
  const codes = useRef<HTMLFieldSetElement>(null)
  const extensionReason = useRef(FIRST_REASON)
  const id = useId()
  useSendNotes(work, notes, followUp)
  /** Of a call that is only owed it does not say how to go on: the agent is at something else by now. */
  const goesOn = me.wrapUp?.callId === callId || work.endedAtMs === null || me.state === 'notReady'

  const save = async () => {
    if (saving.current) return
    saving.current = true
    const late = setTimeout(() => setIsLate(true), LATE_MS)
    const reply = await command({
      kind: 'saveOutcome',
      callId,
      code: code === '' ? null : code,
      notes,
      followUp,
      andThen: then,
      insists: doubt?.code === code,
      ...((follows?.kind === 'callback' || asksUntil) && callback.value !== undefined ? { callback: callback.value } : {}),
      ...(task === null ? {} : { task: task.value }),
    })
    saving.current = false
    clearTimeout(late)
    setIsLate(false)
    if (!reply.ok && reply.refusal.reason === 'answersContradict') {
      setProblem(null)
      return setDoubt({ code, says: reply.refusal.says })
    }
    if (!reply.ok) {
      setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
      focusOn(reply.refusal.reason)
      return
    }
    setProblem(null)
    setDoubt(null)
    for (const forget of [forgetCode, forgetNotes, forgetFollowUp]) forget()
    callback.forget()
    task?.forget()
    onSaved(set.codes.find((c) => c.code === code)?.label ?? code, reply.kept)
  }

  /** To what is missing; saving is the agent's own gesture, so the focus may follow it. */
  const focusOn = (reason: string) => {
    if (reason === 'notesMissing') return notesField.current?.focus()
    const about = reason.startsWith('callback') || reason.startsWith('number') ? 'Callback day' : null
    const field =
      about === null
        ? codes.current?.querySelector<HTMLElement>('input')
        : document.querySelector<HTMLElement>(`[aria-label="${about}"], [aria-label="Not there until, day"]`)
    field?.focus()
  }

  const choose = (next: string) => {
    setCode(next)
    setProblem(null)
    setDoubt(null)
  }
  const extend = async (why: string) => {
    const reply = await command({ kind: 'extendWrapUp', callId, why })
    setProblem(reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
  }
  useImperativeHandle(ref, () => ({
    choose: (key) => {
      const found = codesFor(set, work.dialled).find((c) => c.key === key)
      if (found === undefined) return
      choose(found.code)
      // Whoever chose it by its key goes on with what has to be typed for it.
      if (found.follows.kind === 'callback') setTimeout(() => document.querySelector<HTMLElement>('[aria-label="Callback day"]')?.focus())
    },
    focusNotes: () => notesField.current?.focus(),
    save: () => void save(),
    extend: () => void extend(extensionReason.current),
  }))

  const savedLabel = set.codes.find((c) => c.code === work.outcome?.code)?.label ?? null
  return (
    <section aria-label="Outcome tray" className="flex max-h-[calc(100%-8.75rem)] min-h-0 shrink-0 flex-col border-line-strong border-t bg-raised">
      <div tabIndex={-1} className="min-h-0 flex-1 overflow-auto px-4 pt-2 pb-1">
        <WrapUpBand
          me={me}
          callId={callId}
          onExtend={(why) => void extend(why)}
          onReason={(why) => {
            extensionReason.current = why
          }}
        />
        {savedLabel !== null && work.endedAtMs === null && (
          <p className="mb-1 text-green">
            Saved as <strong>{savedLabel}</strong>. Save again to change it; it takes effect when the call ends.
          </p>
        )}
        <CodeList ref={codes} set={set} script={script} work={work} chosen={code} onChoose={choose} />
        {problem !== null && <Problem>{problem}</Problem>}
        {doubt !== null && (
          <p role="alert" className="mt-1 border-brass border-l-4 bg-brass-wash px-2 py-1">
            {doubt.says} <span className="text-soft">Save again if it is so, or choose another outcome.</span>
          </p>
        )}
        {follows?.kind === 'callback' && <CallbackFields draft={callback} number={work.number} centre={centre} />}
        {asksUntil && <UntilFields draft={callback} centre={centre} />}
        {task !== null && <TaskFields draft={task} />}
        {follows !== null && <FollowsWords follows={follows} work={work} />}
        {chosenCode !== undefined && work.campaign !== null && behalfOf(work).campaignId !== null && (
          <p className="mt-1 border-line-strong border-l-2 pl-2 text-soft">{becomesWords(chosenCode, work.campaign)}</p>
        )}
        <label htmlFor={`${id}-notes`} className="relative mt-2 block font-semibold">
          Notes
          <ShortcutHint keys={SHORTCUTS.notes.keys} />
        </label>
        <textarea
          id={`${id}-notes`}
          ref={notesField}
          rows={2}
          value={notes}
          onChange={(e) => setNotes(e.target.value)}
          className="mt-0.5 block max-h-28 w-full resize-none rounded-sm border border-line-strong bg-raised px-2 py-1 [field-sizing:content]"
        />
        <div className="mt-2 flex items-center gap-2">
          <label htmlFor={`${id}-follow-up`} className="font-semibold">
            Follow-up
          </label>
          <input
            id={`${id}-follow-up`}
            value={followUp}
            placeholder="What we promised to do next"
            onChange={(e) => setFollowUp(e.target.value)}
            className="h-8 min-w-0 flex-1 rounded-sm border border-line-strong bg-raised px-2"
          />
        </div>
        {work.channel === 'call' && <SoundRating me={me} work={work} />}
      </div>
      <div className="flex shrink-0 items-center gap-2 px-4 pt-1 pb-3">
        {goesOn && <ThenChoice then={then} reasons={chosenReasons(centre)} onChange={setThen} />}
        <Button tone="primary" className="ml-auto" onClick={() => void save()} disabled={isLate} shortcut={SHORTCUTS.save.keys}>
          Save outcome
        </Button>
      </div>
    </section>
  )
})

/** What will happen by itself when it is saved. */
function FollowsWords({ follows, work }: { follows: OutcomeSet['codes'][number]['follows']; work: Work }) {
  const says = followsWords(follows, work)
  return says === null ? null : <p className="mt-1 border-line-strong border-l-2 pl-2 text-soft">{says}</p>
}

function followsWords(follows: OutcomeSet['codes'][number]['follows'], { number, customer, tries, campaign, queueId }: Work): string | null {
  switch (follows.kind) {
    case 'retry':
      // Of a record the dialer tries again.
      if (behalfOf({ queueId, campaign }).campaignId !== null) return null
      return tries >= follows.atMost
        ? `This was try ${tries} of ${follows.atMost}: nobody will try again.`
        : `Will be tried again in ${Math.round(follows.afterMs / 60_000)} min: try ${tries + 1} of ${follows.atMost}.`
    case 'neverCall':
      if (follows.whom === 'person' && customer !== null) return `${customer.name} goes on the do-not-call list, with every number.`
      return number === null ? null : `${numberWords(number)} goes on the do-not-call list.`
    case 'wrongNumber':
      return number !== null && customer !== null ? `${numberWords(number)} will be struck from the record of ${customer.name}.` : null
    default:
      return null
  }
}

/** Notes reach the floor a moment after the last keystroke, and at once when the call changes. */
function useSendNotes(work: Work, notes: string, followUp: string): void {
  const command = useCommand()
  const { id: callId } = work
  const same = notes === work.notes && followUp === work.followUp
  useEffect(() => {
    if (same) return
    const timer = setTimeout(() => void command({ kind: 'draftNotes', callId, text: notes, followUp }), SEND_NOTES_AFTER_MS)
    return () => clearTimeout(timer)
  }, [command, callId, notes, followUp, same])
}
