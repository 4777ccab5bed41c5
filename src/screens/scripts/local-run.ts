'use client'
// A run of a script that is nobody's call: the same steps as on the floor, by the same functions, with a made-up caller.
import { useMemo, useReducer, useRef } from 'react'
import { toRefusalText } from '@/core/floor'
import { toCallId } from '@/core/ids'
import { checkAnswer, evolveRun, nextPage, previousPage, type Script, type ScriptEvent, type ScriptRun, seenPage } from '@/core/scripts'
import { factsOf } from '@/core/work'
import type { ReadingActions, ReadOf } from '@/parts/reading'
import type { MadeUpCaller } from './callers'

const CALL = toCallId('call_rehearsal')

export interface LocalRun {
  readonly work: ReadOf & { readonly run: ScriptRun }
  readonly actions: ReadingActions
  restart(): void
}

/** A step that was refused, as the floor would say it. */
export const refusedReply = (refusal: Parameters<typeof toRefusalText>[0]) =>
  ({ ok: false, refusal: { reason: refusal.reason, ...toRefusalText(refusal) } }) as const

/** `times` names the rehearsal: what was typed in another one is not in this one. */
export function useLocalRun(script: Script, caller: MadeUpCaller, homeCountry: string): LocalRun {
  const began = useRef(Date.now())
  const [times, setTimes] = useReducer((n: number) => n + 1, 0)
  const start = useMemo(() => {
    void times
    return evolveRun(null, { kind: 'scriptStarted', callId: CALL, scriptId: script.id, version: script.version, pageId: script.startPage }, Date.now())
  }, [script.id, script.version, script.startPage, times])
  const [held, fold] = useReducer(
    (before: { of: ScriptRun; run: ScriptRun }, next: { of: ScriptRun; event: ScriptEvent }) => {
      const run = before.of === next.of ? before.run : next.of
      return { of: next.of, run: evolveRun(run, next.event, Date.now()) }
    },
    { of: start, run: start },
  )
  const run = held.of === start ? held.run : start
  // A page that was taken out while it was open gives way to the first one.
  const isThere = script.pages.some((p) => p.id === run.pageId)
  const shown = isThere ? run : start
  const { customer, number, path } = caller
  const id = toCallId(`call_rehearsal_${began.current}_${times}`)
  const work = { id, customer, number, path, queueId: null, campaign: null, run: shown, captions: [], endedAtMs: null }
  const facts = factsOf(work)
  const done = (event: ScriptEvent) => {
    fold({ of: start, event })
    return Promise.resolve({ ok: true } as const)
  }
  return {
    work,
    restart: setTimes,
    actions: {
      answer: (field, value) => {
        const checked = checkAnswer(script, field, value, homeCountry)
        return checked.ok ? done({ kind: 'scriptAnswered', callId: CALL, field, value: checked.value }) : Promise.resolve(refusedReply(checked.refusal))
      },
      turn: (direction, pageId) => {
        const page = direction === 'next' ? nextPage(script, shown, facts) : direction === 'back' ? previousPage(shown) : seenPage(shown, pageId ?? '')
        return page.ok ? done({ kind: 'scriptPageShown', callId: CALL, pageId: page.value, direction }) : Promise.resolve(refusedReply(page.refusal))
      },
    },
  }
}
