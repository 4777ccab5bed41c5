'use client'
// The reading pane: the page to read aloud, its questions, and the way on. What the caller says stands below it.
import { type Ref, useImperativeHandle, useRef, useState } from 'react'
import {
  type AnswerValue,
  fieldsOf,
  type Known,
  mergeFields,
  pageOf,
  pendingPages,
  type Question,
  type Script,
  type ScriptRun,
  saidOn,
  spansOf,
  splitAnswers,
  wayThrough,
} from '@/core/scripts'
import { factsOf, mergeValuesOf, type Work } from '@/core/work'
import { Button, Menu, MenuItem, useCaptionsSpoken } from '@/parts/ui'
import { callerWords } from '@/parts/words'
import { useSeen } from '@/services/exchange/react'
import { QuestionField } from './question-field'
import { useDigits } from './use-digits'

/** What is done on the pane, and what came of it. */
export interface ReadingActions {
  readonly answer: (field: string, value: AnswerValue | null) => Promise<Done>
  readonly turn: (direction: 'next' | 'back' | 'jump', pageId?: string) => Promise<Done>
}
export type Done = { readonly ok: true } | { readonly ok: false; readonly refusal: { readonly reason: string; readonly says: string; readonly next: string } }

/** What the pane reads of a call; a rehearsal has as much. */
export type ReadOf = Pick<Work, 'id' | 'customer' | 'number' | 'path' | 'queueId' | 'campaign' | 'run' | 'captions' | 'endedAtMs'>

interface Props {
  readonly agentName: string
  readonly work: ReadOf
  readonly script: Script | null
  /** Not open yet, or somebody else's: it may be read and not filled in. */
  readonly readOnly: boolean
  /** Who fills it in, when it is somebody else. */
  readonly readBy?: string | null
  /** Whose answer opens it; null when it is open, or never will be. */
  readonly opensWhen: 'youAnswer' | 'theyAnswer' | null
  readonly actions: ReadingActions
  /** The keys that turn pages, as shown to people. */
  readonly keys?: { readonly next: string; readonly back: string }
  readonly ref?: Ref<ReadingPaneHandle>
}

/** What shortcuts may ask of the pane from anywhere on the desk. */
export interface ReadingPaneHandle {
  turn(direction: 'next' | 'back'): void
}

interface Trouble {
  readonly field: string | null
  readonly says: string
}

const NO_QUESTIONS = [] as const
const NO_ANSWERS = {}

export function ReadingPane({ agentName, work, script, readOnly, readBy = null, opensWhen, actions, keys, ref }: Props) {
  const [trouble, setTrouble] = useState<Trouble | null>(null)
  const dirty = useRef(new Map<string, AnswerValue>())
  const pane = useRef<HTMLElement>(null)
  const { id: callId, run } = work

  const fail = (field: string | null, says: string) => {
    setTrouble({ field, says })
    if (field !== null) pane.current?.querySelector<HTMLElement>(`[data-field="${field}"] input`)?.focus()
  }

  /** True when the floor took it. */
  const answer = async (field: string, value: AnswerValue | null, turning = false): Promise<boolean> => {
    const reply = await actions.answer(field, value)
    if (reply.ok) {
      dirty.current.delete(field)
      setTrouble((t) => (t?.field === field || t?.field === null ? null : t))
      return true
    }
    // Left for another field, it is said where it stands; the focus stays where the agent has gone. Whoever turns the page is led back to it.
    const says = `${reply.refusal.says} ${reply.refusal.next}`
    if (turning) fail(field, says)
    else setTrouble({ field, says })
    return false
  }

  const jump = async (pageId: string) => {
    for (const [field, value] of dirty.current) await answer(field, value)
    const reply = await actions.turn('jump', pageId)
    if (reply.ok) setTrouble(null)
    else fail(null, `${reply.refusal.says} ${reply.refusal.next}`)
  }

  const turn = async (direction: 'next' | 'back') => {
    for (const [field, value] of dirty.current) if (!(await answer(field, value, true)) && direction === 'next') return
    const reply = await actions.turn(direction)
    if (reply.ok) return setTrouble(null)
    const missing = script === null || run === null ? null : firstOpen(script, run.pageId, run.answers)
    fail(reply.refusal.reason === 'answerMissing' ? missing : null, `${reply.refusal.says} ${reply.refusal.next}`)
  }
  useImperativeHandle(ref, () => ({ turn: (direction) => void turn(direction) }))

  const shown = script === null || readOnly ? NO_QUESTIONS : pageOf(script, run?.pageId ?? script.startPage).questions
  const current = useDigits({ pane, questions: shown, answers: run?.answers ?? NO_ANSWERS, onAnswer: (field, value) => void answer(field, value) })

  if (script === null)
    return (
      <section ref={pane} aria-label="Reading pane" className="flex min-h-0 flex-col overflow-auto bg-raised px-8 py-6">
        <p className="eyebrow">No script</p>
        <p className="mt-2 font-serif text-[1.1875rem] leading-8">This call has no script. Write what you learn in the notes.</p>
        <Captions work={work} />
      </section>
    )

  const page = pageOf(script, run?.pageId ?? script.startPage)
  const fields = mergeValuesOf(work, agentName)
  // Where the page stands on the way the answers lead; one that was jumped to off the way counts by what was seen.
  const onWay = run === null ? 0 : wayThrough(script, run.answers, factsOf(work)).indexOf(run.pageId)
  const pageNo = onWay >= 0 ? onWay + 1 : (run?.seen.indexOf(page.id) ?? 0) + 1
  // A page looked at by itself, as an author does, has no place on any way.
  const isAlone = onWay < 0 && run?.seen.length === 1
  const over = work.endedAtMs !== null
  const known = { ...factsOf(work), ...run?.answers }
  return (
    <section ref={pane} aria-label="Reading pane" className="flex min-h-0 flex-col bg-raised">
      {/* A page that is turned is said; the one that stands there first is not. */}
      <p role="status" aria-label="Page of the script" className="sr-only">
        {isAlone ? page.title : `Page ${pageNo}: ${page.title}`}
      </p>
      <div className="min-h-0 flex-1 overflow-auto px-8 pt-5 pb-4">
        <div className="flex items-baseline justify-between">
          <h2 className="font-semibold text-lg">{page.title}</h2>
          <p className="eyebrow">
            {script.name}
            {!isAlone && ` · page ${pageNo}`}
            {opensWhen !== null ? OPENS[opensWhen] : readOnly && run !== null && (readBy === null ? ' · read along' : ` · ${readBy} fills it in, read along`)}
          </p>
        </div>
        <div className="mt-3 max-w-[62ch] space-y-3 font-serif text-[1.25rem] leading-8">
          {saidOn(page, known).map((words) => (
            <p key={words}>
              <Aloud text={mergeFields(words, fields)} />
            </p>
          ))}
        </div>
        {page.direction !== null && page.direction !== '' && (
          <p className="mt-4 max-w-[70ch] border-line-strong border-l-2 pl-3 text-soft">
            <span className="font-semibold">For you: </span>
            {page.direction}
          </p>
        )}
        {!readOnly && (
          <div className="mt-5 space-y-4">
            {page.questions.map((question) => (
              <QuestionField
                key={`${callId} ${question.field}`}
                callId={callId}
                question={question}
                value={run?.answers[question.field] ?? null}
                problem={trouble?.field === question.field ? trouble.says : null}
                onAnswer={(value) => void answer(question.field, value)}
                onDirty={(value) => dirty.current.set(question.field, value)}
                takesDigits={question.field === current}
              />
            ))}
          </div>
        )}
        {trouble !== null && (trouble.field === null || !page.questions.some((q) => q.field === trouble.field)) && (
          <p role="alert" className="mt-4 border-red border-l-4 pl-2 text-red">
            {trouble.says}
          </p>
        )}
      </div>
      <Captions work={work} />
      {!readOnly && (
        <div className="flex items-center gap-2 border-line border-t px-8 py-2">
          <Button onClick={() => void turn('back')} disabled={run === null || run.trail.length === 0} {...(keys === undefined ? {} : { shortcut: keys.back })}>
            Back
          </Button>
          {page.ways.length > 0 ? (
            <Button tone="primary" onClick={() => void turn('next')} {...(keys === undefined ? {} : { shortcut: keys.next })}>
              Next page
            </Button>
          ) : (
            <span className="text-soft">
              {over ? 'The script is at its end.' : 'The script is at its end. The outcome it speaks for leads the list at the right.'}
            </span>
          )}
          {run !== null && run.seen.length > 1 && (
            <div className="ml-auto flex items-center gap-3">
              <SeenPages script={script} run={run} facts={factsOf(work)} onJump={(id) => void jump(id)} />
            </div>
          )}
        </div>
      )}
    </section>
  )
}

const OPENS = { youAnswer: ' · opens when you answer', theyAnswer: ' · opens when they answer' } as const

/** Words with their stresses, and a breath where one is meant. */
function Aloud({ text }: { text: string }) {
  return spansOf(text).map((span, i) => {
    // The same word may stand twice in a paragraph: its place is part of what it is.
    const key = `${i} ${span.text}`
    if (span.is === 'pause') return <Breath key={key} />
    return span.is === 'stressed' ? (
      <em key={key} className="font-semibold italic">
        {span.text}
      </em>
    ) : (
      <span key={key}>{span.text}</span>
    )
  })
}

function Breath() {
  return <span role="img" aria-label="pause" className="mx-1 inline-block h-4 border-line-strong border-l-2" />
}

/** Pages that were open on this call: any of them at once, with what is not finished and what no longer counts. */
function SeenPages({ script, run, facts, onJump }: { script: Script; run: ScriptRun; facts: Known; onJump: (pageId: string) => void }) {
  const pending = new Set(pendingPages(script, run, facts))
  const way = new Set(wayThrough(script, run.answers, facts))
  const unfinished = [...pending].filter((id) => id !== run.pageId).length
  const aside = Object.keys(splitAnswers(script, run, facts).aside).length
  return (
    <>
      <Menu label="Go to a page seen" trigger={<Button>Pages{unfinished > 0 ? ` · ${unfinished} not finished` : ''}</Button>}>
        {run.seen.map((id) => (
          <MenuItem key={id} disabled={id === run.pageId} onSelect={() => onJump(id)}>
            {pageOf(script, id).title}
            <span className="text-soft">{id === run.pageId ? ' · here' : !way.has(id) ? ' · kept aside' : pending.has(id) ? ' · not finished' : ''}</span>
          </MenuItem>
        ))}
      </Menu>
      {aside > 0 && (
        <span className="text-brass-text" title="They are kept, not reported, and count again when the way leads there again.">
          {aside === 1 ? '1 answer kept aside' : `${aside} answers kept aside`}
        </span>
      )}
    </>
  )
}

/** The question on the page that has no answer yet, to put the focus on. */
function firstOpen(script: Script, pageId: string, answers: Readonly<Record<string, AnswerValue>>): string | null {
  const page = pageOf(script, pageId)
  const asked = new Set(page.ways.flatMap((w) => (w.when === null ? [] : fieldsOf(w.when))))
  const isOpen = (q: Question) => answers[q.field] === undefined
  return (page.questions.find((q) => isOpen(q) && (asked.has(q.field) || q.kind === 'disclosure')) ?? page.questions.find(isOpen))?.field ?? null
}

const CAPTIONS_SHOWN = 2

function Captions({ work }: { work: ReadOf }) {
  const lines = work.captions.slice(-CAPTIONS_SHOWN)
  const callId = work.id
  const [spoken] = useCaptionsSpoken()
  const isHeard = useSeen(({ me }) => me !== null && me.soundPath !== 'none') === true
  if (lines.length === 0) return null
  const isLive = spoken === 'on' || (spoken === 'auto' && !isHeard)
  return (
    <div role="log" aria-live={isLive ? 'polite' : 'off'} aria-label="What the caller says" className="border-line border-t bg-paper px-8 py-2">
      <span className="eyebrow">Captions: {callerWords(work.customer?.name, work.number, 'the caller')} says</span>
      {lines.map(({ turn, atMs, text }) => (
        <p key={`${callId} ${turn} ${atMs}`} className="text-base last:font-semibold">
          “{text}”
        </p>
      ))}
    </div>
  )
}
