'use client'
// Where something is written, to whoever writes to us or to colleagues only. For whom it is stays as it was until somebody changes it: an aside never becomes
// an answer because a colleague left, the page was loaded anew or another piece came to the front.
import clsx from 'clsx'
import { type ClipboardEvent, type DragEvent, type KeyboardEvent, type Ref, useId, useImperativeHandle, useRef, useState } from 'react'
import type { AgentId } from '@/core/ids'
import type { QuickText } from '@/core/quick-texts'
import { LONGEST_TEXT } from '@/core/threads'
import type { Work } from '@/core/work'
import { Button, Problem } from '@/parts/ui'
import type { Draft, ThreadView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'
import { QuickTexts } from './quick-texts'
import { useWrittenDraft } from './use-written-draft'

export interface ComposeHandle {
  focus(): void
}

interface Props {
  readonly thread: ThreadView
  /** Whoever was asked in writes for colleagues only. */
  readonly asideOnly: boolean
  readonly me: AgentId
  /** Who reads what is no aside. */
  readonly writer: string
  readonly nameOf: (agentId: string) => string
  readonly work: Work
  readonly agentName: string
  readonly quickTexts: readonly QuickText[]
  readonly ref?: Ref<ComposeHandle>
}

/** From so much on the field is as high as it becomes: to measure it anew with every letter, or to seek its direction in all of it, would keep the page. */
const FILLS_FIELD = 2_000
/** What begins with a letter that is written from right to left. */
const RIGHT_TO_LEFT = /^\P{L}*[\p{Script=Arabic}\p{Script=Hebrew}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}]/u
const directionOf = (text: string) => (text.length < FILLS_FIELD ? 'auto' : RIGHT_TO_LEFT.test(text) ? 'rtl' : 'ltr')

const VERBS = { chat: 'Send', mail: 'Send mail', text: 'Send text' } as const

export function Compose({ thread, asideOnly, me, writer, nameOf, work, agentName, quickTexts, ref }: Props) {
  const { id, channel, askedIn } = thread
  const command = useCommand()
  const { draft, change, sent, left, drop } = useWrittenDraft(id, me)
  const { text } = draft
  const [problem, setProblem] = useState<string | null>(null)
  const field = useRef<HTMLTextAreaElement>(null)
  const sending = useRef(false)
  const fieldId = useId()
  useImperativeHandle(ref, () => ({ focus: () => field.current?.focus() }))
  const aside = asideOnly || draft.aside
  // What is begun as an aside stays one, also when whoever reads along is handed the piece.
  const setText = (next: string) => change({ text: next, aside })
  const send = async () => {
    if (sending.current) return
    sending.current = true
    const pressed = document.activeElement
    const reply = await command({ kind: 'writeLine', threadId: id, text, aside })
    sending.current = false
    setProblem(reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
    // What was typed meanwhile stays.
    if (reply.ok) sent(text)
    // Whoever has gone on to something else meanwhile is left there.
    if (pressed === null || document.activeElement === pressed || document.activeElement === document.body) field.current?.focus()
  }
  const onKey = (event: KeyboardEvent) => {
    if (event.key !== 'Enter' || event.nativeEvent.isComposing || event.altKey) return
    // A mail has paragraphs: there Enter begins the next one.
    const sends = channel === 'mail' ? event.ctrlKey || event.metaKey : !event.shiftKey
    if (!sends) return
    event.preventDefault()
    void send()
  }
  const onFiles = (event: ClipboardEvent | DragEvent) => {
    const files = 'clipboardData' in event ? event.clipboardData.files : event.dataTransfer.files
    if (files.length === 0) return
    event.preventDefault()
    setProblem(`${files[0]?.name ?? 'A file'} was not added: only text is sent from here. Say in words what is in it.`)
  }
  const over = text.length > LONGEST_TEXT
  return (
    <div className={clsx('shrink-0 border-t px-5 py-3', aside ? 'border-brass border-t-2 border-dashed bg-brass-wash' : 'border-line-strong bg-paper')}>
      {left.map((of) => (
        <LeftBehind
          key={of.agentId}
          of={of}
          name={nameOf(of.agentId)}
          writer={writer}
          onTake={() => {
            change({ text: text.trim() === '' ? of.text : `${text.trimEnd()}\n${of.text}`, aside: draft.aside || of.aside })
            drop(of)
            field.current?.focus()
          }}
          onDrop={() => drop(of)}
        />
      ))}
      <label htmlFor={fieldId} className="font-semibold">
        {aside ? 'To colleagues only' : channel === 'mail' ? 'Your reply' : 'Your answer'}
      </label>
      <textarea
        id={fieldId}
        ref={field}
        rows={channel === 'mail' ? 5 : 2}
        value={text}
        dir={directionOf(text)}
        aria-invalid={problem !== null || undefined}
        aria-describedby={`${fieldId}-about`}
        onChange={(e) => {
          setText(e.target.value)
          setProblem(null)
        }}
        onKeyDown={onKey}
        onPaste={onFiles}
        onDrop={onFiles}
        className={clsx(
          'mt-1 block max-h-48 w-full resize-none rounded-sm border bg-raised px-2 py-1 text-base leading-6',
          text.length < FILLS_FIELD ? '[field-sizing:content]' : 'h-48',
          aside ? 'border-brass border-dashed' : 'border-line-strong',
        )}
      />
      {problem !== null && <Problem of="Your">{problem}</Problem>}
      {aside && !asideOnly && askedIn.length === 0 && (
        <p role="status" className="mt-1">
          Nobody reads along any more. Sent as it is, it stands here for colleagues, and {writer} never sees it. To answer {writer}, take the tick away.
        </p>
      )}
      <div className="mt-2 flex flex-wrap items-center justify-end gap-x-3 gap-y-1">
        <p id={`${fieldId}-about`} className="min-w-40 flex-1 text-soft text-xs">
          {over
            ? `${text.length.toLocaleString('en-GB')} characters: ${LONGEST_TEXT.toLocaleString('en-GB')} can be sent at once.`
            : channel === 'mail'
              ? 'Control and Enter send it.'
              : 'Enter sends it, Shift and Enter begin a new line.'}
        </p>
        <QuickTexts
          texts={quickTexts}
          work={work}
          agentName={agentName}
          written={text}
          onInsert={(quick) => setText(text.trim() === '' ? quick : `${text.trimEnd()} ${quick}`)}
          onClosed={() => field.current?.focus()}
        />
        {!asideOnly && (aside || askedIn.length > 0) && (
          <label className="flex items-center gap-2">
            <input type="checkbox" className="size-4 accent-green" checked={aside} onChange={(e) => change({ aside: e.target.checked })} />
            For colleagues only
          </label>
        )}
        <Button tone={aside ? 'brass' : 'primary'} onClick={() => void send()}>
          {aside ? 'Send to colleagues' : VERBS[channel]}
        </Button>
      </div>
    </div>
  )
}

/** What somebody had begun before the piece went on: it is theirs in name until it is taken over. */
function LeftBehind({ of, name, writer, onTake, onDrop }: { of: Draft; name: string; writer: string; onTake: () => void; onDrop: () => void }) {
  return (
    <section aria-label={`Begun by ${name}`} className="mb-2 flex items-start gap-3 border-brass border-l-4 bg-raised px-3 py-1">
      <div className="min-w-0 flex-1">
        <p className="text-soft text-xs">
          Begun by {name}, {of.aside ? 'for colleagues only' : `to ${writer}`}, and not sent
        </p>
        <p className="line-clamp-3 whitespace-pre-wrap break-words">{of.text}</p>
      </div>
      <Button className="!h-7 shrink-0" onClick={onTake}>
        Go on with it
      </Button>
      <Button tone="quiet" className="!h-7 shrink-0" onClick={onDrop}>
        Put it away
      </Button>
    </section>
  )
}
