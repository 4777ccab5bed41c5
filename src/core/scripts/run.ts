// The run of a script on one call: which page, which pages before it, and the answers. A pure function of the
// document and what the agent did. Does not choose the script (set-up does) and does not code the call.
//
// An answer is never lost. Those on pages that the present answers no longer lead to are kept aside: they are not reported, and
// count again when the way leads there again.
import type { EpochMs } from '@/core/time'
import { type AnswerValue, holds, type Known } from './condition'
import type { Page, Script } from './document'
import type { ScriptEvent } from './event'
import type { Question } from './question'
import { pageOf } from './read'
import type { ScriptRefusal } from './refusal'

export interface ScriptRun {
  readonly scriptId: Script['id']
  readonly version: number
  readonly pageId: string
  /** Pages seen before the present one, oldest first: what Back goes through. */
  readonly trail: readonly string[]
  /** Every page that was open so far, in the order they were first seen. */
  readonly seen: readonly string[]
  readonly answers: Readonly<Record<string, AnswerValue>>
  /** How long each page was open, the present one until it was opened. */
  readonly spentMs: Readonly<Record<string, number>>
  readonly pageSinceMs: EpochMs
}

export type Checked<T> = { readonly ok: true; readonly value: T } | { readonly ok: false; readonly refusal: ScriptRefusal }

export function evolveRun(run: ScriptRun | null, event: ScriptEvent, atMs: EpochMs): ScriptRun {
  if (event.kind === 'scriptStarted') {
    const { scriptId, version, pageId } = event
    return { scriptId, version, pageId, trail: [], seen: [pageId], answers: {}, spentMs: {}, pageSinceMs: atMs }
  }
  if (run === null) throw new Error(`${event.kind} on ${event.callId}, which runs no script`)
  if (event.kind === 'scriptPageShown') {
    const { pageId } = event
    const trail = event.direction === 'back' ? run.trail.slice(0, -1) : [...run.trail, run.pageId]
    const spentMs = { ...run.spentMs, [run.pageId]: (run.spentMs[run.pageId] ?? 0) + atMs - run.pageSinceMs }
    return { ...run, pageId, trail, spentMs, pageSinceMs: atMs, seen: run.seen.includes(pageId) ? run.seen : [...run.seen, pageId] }
  }
  const { [event.field]: _former, ...others } = run.answers
  return { ...run, answers: event.value === null ? others : { ...others, [event.field]: event.value } }
}

/** Pages the answers lead through from the start, in order, as far as they lead: up to an end, a page whose way is open, or a page met before. */
export function wayThrough(script: Script, answers: Known, facts: Known): readonly string[] {
  const way = new Set<string>()
  const known = { ...facts, ...answers }
  for (let pageId: string | null = script.startPage; pageId !== null && !way.has(pageId); ) {
    way.add(pageId)
    pageId = onwardFrom(pageOf(script, pageId), known)
  }
  return [...way]
}

const onwardFrom = (page: Page, known: Known): string | null => page.ways.find((w) => w.when === null || holds(w.when, known))?.to ?? null

export interface SplitAnswers {
  /** Those on pages the answers lead through, and on the page that is open: what is reported. */
  readonly applying: Readonly<Record<string, AnswerValue>>
  readonly aside: Readonly<Record<string, AnswerValue>>
}

/** Which answers count. An answer on a page that only answers kept aside would lead to is aside as well. */
export function splitAnswers(script: Script, { answers, pageId }: Pick<ScriptRun, 'answers' | 'pageId'>, facts: Known): SplitAnswers {
  const way = new Set([...wayThrough(script, answers, facts), pageId])
  const applying: Record<string, AnswerValue> = {}
  const aside: Record<string, AnswerValue> = {}
  // The same may be asked on several pages, of which one is on the way.
  const asked = new Set(script.pages.flatMap((p) => (way.has(p.id) ? p.questions.map((q) => q.field) : [])))
  for (const [field, value] of Object.entries(answers)) (asked.has(field) ? applying : aside)[field] = value
  return { applying, aside }
}

/** The page that follows by the answers given; refused when the way depends on an answer not yet taken, or leads nowhere. */
export function nextPage(script: Script, run: ScriptRun, facts: Known): Checked<string> {
  const page = pageOf(script, run.pageId)
  if (page.ways.length === 0) return { ok: false, refusal: { reason: 'lastPage' } }
  const unread = page.questions.find((q) => q.kind === 'disclosure' && run.answers[q.field] !== true)
  if (unread !== undefined) return { ok: false, refusal: { reason: 'answerMissing', field: unread.field, label: unread.label } }
  const to = onwardFrom(page, { ...facts, ...run.answers })
  if (to !== null) return { ok: true, value: to }
  const open = page.questions.find((q) => run.answers[q.field] === undefined)
  return {
    ok: false,
    refusal: open === undefined ? { reason: 'noWayOn', page: page.title } : { reason: 'answerMissing', field: open.field, label: open.label },
  }
}

export function previousPage(run: ScriptRun): Checked<string> {
  const value = run.trail.at(-1)
  return value === undefined ? { ok: false, refusal: { reason: 'firstPage' } } : { ok: true, value }
}

/** A page that was open before, at once. Refused: pageNotSeen. */
export const seenPage = (run: ScriptRun, pageId: string): Checked<string> =>
  run.seen.includes(pageId) ? { ok: true, value: pageId } : { ok: false, refusal: { reason: 'pageNotSeen' } }

/** Pages that were seen, lie on the way, and still have a question without an answer. */
export function pendingPages(script: Script, run: ScriptRun, facts: Known): readonly string[] {
  const way = new Set(wayThrough(script, run.answers, facts))
  const isOpen = (q: Question) => run.answers[q.field] === undefined
  return run.seen.filter((id) => way.has(id) && pageOf(script, id).questions.some(isOpen))
}
