'use client'
// The outcome tray: choose a code, write notes, say what you do next, save. Choosing and saving are two gestures.
import clsx from 'clsx'
import { type Ref, useEffect, useId, useImperativeHandle, useRef, useState } from 'react'
import type { Contact } from '@/core/contacts'
import type { OutcomeCode, OutcomeSet, Then } from '@/core/outcomes'
import { pageOf, type Script } from '@/core/scripts'
import { formatClock } from '@/core/time'
import type { CentreView, MeView } from '@/exchange/protocol'
import { useCommand } from '@/exchange/react'
import { Button, Problem, ShortcutHint, useNowMs } from '@/ui'
import { useDraft } from './draft'
import { chosenReasons } from './shift-bar'
import { outcomeShortcut, SHORTCUTS } from './shortcuts'

interface Props {
  readonly me: MeView
  readonly contact: Contact
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
}

const SEND_NOTES_AFTER_MS = 300

export function OutcomeTray({ me, contact, set, script, centre, onSaved, ref }: Props) {
  const command = useCommand()
  const { callId } = contact
  const [code, setCode, forgetCode] = useDraft(`${callId} code`, contact.outcome?.code ?? '')
  const [notes, setNotes, forgetNotes] = useDraft(`${callId} notes`, contact.notes)
  const [followUp, setFollowUp, forgetFollowUp] = useDraft(`${callId} follow-up`, contact.followUp)
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
  const [saving, setSaving] = useState(false)
  const notesField = useRef<HTMLTextAreaElement>(null)
  const codes = useRef<HTMLFieldSetElement>(null)
  const id = useId()
  useSendNotes(me, contact, notes, followUp)

  const ordered = suggestedFirst(set, script, contact)

  const save = async () => {
    if (saving) return
    setSaving(true)
    const reply = await command({
      kind: 'saveOutcome',
      agentId: me.id,
      callId,
      code: code === '' ? null : code,
      notes,
      followUp,
      andThen: then,
      insists: doubt?.code === code,
    })
    setSaving(false)
    if (!reply.ok && reply.refusal.reason === 'answersContradict') {
      setProblem(null)
      return setDoubt({ code, says: reply.refusal.says })
    }
    if (!reply.ok) {
      setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
      codes.current?.querySelector<HTMLElement>('input')?.focus()
      return
    }
    setProblem(null)
    setDoubt(null)
    for (const forget of [forgetCode, forgetNotes, forgetFollowUp]) forget()
    onSaved(set.codes.find((c) => c.code === code)?.label ?? code, reply.kept)
  }

  const choose = (next: string) => {
    setCode(next)
    setProblem(null)
    setDoubt(null)
  }
  useImperativeHandle(ref, () => ({
    choose: (key) => {
      const found = set.codes.find((c) => c.key === key)
      if (found !== undefined) choose(found.code)
    },
    focusNotes: () => notesField.current?.focus(),
    save: () => void save(),
  }))

  return (
    <section aria-label="Outcome tray" className="min-h-0 shrink-0 overflow-auto border-line-strong border-t bg-raised px-4 pt-2 pb-3">
      <WrapUpBand me={me} callId={callId} savedLabel={labelOf(set, contact.outcome?.code)} />
      <fieldset ref={codes} className="min-w-0">
        <legend className="font-semibold">Outcome</legend>
        <div className="mt-1 grid grid-cols-2 gap-1">
          {ordered.map(({ option, reason }) => (
            <CodeOption
              key={option.code}
              option={option}
              reason={reason}
              name={`${id}-code`}
              chosen={code === option.code}
              onChoose={() => choose(option.code)}
            />
          ))}
        </div>
      </fieldset>
      {problem !== null && <Problem>{problem}</Problem>}
      {doubt !== null && (
        <p role="alert" className="mt-1 border-brass border-l-4 bg-brass-wash px-2 py-1">
          {doubt.says} <span className="text-soft">Save again if it is so, or choose another outcome.</span>
        </p>
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
      <div className="mt-2 flex items-center gap-2">
        <ThenChoice then={then} reasons={chosenReasons(centre)} onChange={setThen} />
        <Button tone="primary" className="ml-auto" onClick={() => void save()} disabled={saving} shortcut={SHORTCUTS.save.keys}>
          Save outcome
        </Button>
      </div>
    </section>
  )
}

/** Notes reach the floor a moment after the last keystroke, and at once when the call changes. */
function useSendNotes(me: MeView, contact: Contact, notes: string, followUp: string): void {
  const command = useCommand()
  const { callId } = contact
  const same = notes === contact.notes && followUp === contact.followUp
  useEffect(() => {
    if (same) return
    const timer = setTimeout(() => void command({ kind: 'draftNotes', agentId: me.id, callId, text: notes, followUp }), SEND_NOTES_AFTER_MS)
    return () => clearTimeout(timer)
  }, [command, me.id, callId, notes, followUp, same])
}

interface Ordered {
  readonly option: OutcomeCode
  /** Why it stands first; null when it is not suggested. */
  readonly reason: string | null
}

function suggestedFirst(set: OutcomeSet, script: Script | null, contact: Contact): readonly Ordered[] {
  const page = script === null || contact.run === null ? null : pageOf(script, contact.run.pageId)
  const suggests = page?.suggests ?? []
  const all = set.codes.map((option) => ({ option, reason: suggests.includes(option.code) ? `The page “${page?.title}” speaks for it.` : null }))
  return [...all.filter((o) => o.reason !== null), ...all.filter((o) => o.reason === null)]
}

const labelOf = (set: OutcomeSet, code: string | undefined): string | null => set.codes.find((c) => c.code === code)?.label ?? null

interface CodeOptionProps {
  readonly option: OutcomeCode
  readonly reason: string | null
  readonly name: string
  readonly chosen: boolean
  readonly onChoose: () => void
}

function CodeOption({ option, reason, name, chosen, onChoose }: CodeOptionProps) {
  return (
    <label
      title={reason === null ? option.means : `${option.means} ${reason}`}
      className={clsx(
        'relative flex h-8 min-w-0 cursor-pointer items-center gap-2 rounded-sm border px-2 has-focus-visible:outline-3 has-focus-visible:outline-ink',
        chosen ? 'border-2 border-green bg-green-wash font-semibold' : reason === null ? 'border-line' : 'border-line-strong border-l-4 border-l-brass',
      )}
    >
      <input
        type="radio"
        name={name}
        className="sr-only"
        checked={chosen}
        onChange={onChoose}
        aria-label={option.label}
        aria-keyshortcuts={outcomeShortcut(option.key)}
      />
      <span aria-hidden className="tabular w-3 text-soft">
        {option.key}
      </span>
      <span className="truncate">{option.label}</span>
      {chosen && (
        <span aria-hidden className="ml-auto">
          ✓
        </span>
      )}
      {!chosen && reason !== null && <span className="ml-auto shrink-0 font-normal text-brass-text text-xs">suggested</span>}
      <ShortcutHint keys={outcomeShortcut(option.key)} />
    </label>
  )
}

function ThenChoice({ then, reasons, onChange }: { then: Then; reasons: readonly string[]; onChange: (then: Then) => void }) {
  const id = useId()
  return (
    <fieldset className="flex items-center gap-2">
      <legend className="sr-only">Then</legend>
      <span aria-hidden className="font-semibold">
        Then
      </span>
      <label className="flex items-center gap-1">
        <input type="radio" name={`${id}-then`} className="accent-green" checked={then.state === 'ready'} onChange={() => onChange({ state: 'ready' })} />
        Ready
      </label>
      <label className="flex items-center gap-1">
        <input
          type="radio"
          name={`${id}-then`}
          className="accent-green"
          checked={then.state === 'notReady'}
          onChange={() => onChange({ state: 'notReady', reason: reasons[0] ?? '' })}
        />
        Not ready
      </label>
      {then.state === 'notReady' && (
        <select
          aria-label="Reason"
          value={then.reason}
          onChange={(e) => onChange({ state: 'notReady', reason: e.target.value })}
          className="h-8 w-24 rounded-sm border border-line-strong bg-raised px-1"
        >
          {reasons.map((reason) => (
            <option key={reason}>{reason}</option>
          ))}
        </select>
      )}
    </fieldset>
  )
}

/** Recommended time as a band that fills, and the over-time band behind it: told apart by word, form and colour. */
function WrapUpBand({ me, callId, savedLabel }: { me: MeView; callId: Contact['callId']; savedLabel: string | null }) {
  const now = useNowMs()
  if (me.wrapUp?.callId !== callId)
    return savedLabel === null ? null : (
      <p className="mb-1 text-green">
        Saved as <strong>{savedLabel}</strong>. Save again to change it; it takes effect when the call ends.
      </p>
    )
  const { startedAtMs, recommendedMs } = me.wrapUp
  const spentMs = now - startedAtMs
  const over = spentMs > recommendedMs
  return (
    <div className="mb-2">
      <p className="flex justify-between">
        <span className="font-semibold">Wrap-up</span>
        <span className={over ? 'font-semibold text-brass-text' : 'text-soft'}>
          {over ? (
            <>
              over by <span className="tabular">{formatClock(spentMs - recommendedMs)}</span>
            </>
          ) : (
            <>
              <span className="tabular">{formatClock(spentMs)}</span> of <span className="tabular">{formatClock(recommendedMs)}</span> recommended
            </>
          )}
        </span>
      </p>
      <div aria-hidden className="relative mt-1 h-2 overflow-hidden rounded-sm border border-line-strong bg-paper">
        <div className="absolute inset-y-0 left-0 bg-green" style={{ width: `${(Math.min(1, spentMs / recommendedMs) * 200) / 3}%` }} />
        <div
          className="absolute inset-y-0 left-2/3 bg-[repeating-linear-gradient(135deg,var(--color-brass)_0_4px,var(--color-brass-wash)_4px_8px)]"
          style={{ width: over ? `${Math.min(1, (spentMs - recommendedMs) / recommendedMs) * 34}%` : 0 }}
        />
        <div className="absolute inset-y-0 left-2/3 w-0.5 bg-ink" />
      </div>
    </div>
  )
}
