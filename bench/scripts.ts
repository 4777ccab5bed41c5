// Scripts: the checker on a large document, and a step of a run.
import { toCallId, toScriptId } from '@/core/ids'
import { checkScript, evolveRun, nextPage, type Script, ScriptSchema, splitAnswers } from '@/core/scripts'
import { median, print, timed } from './statistics'

export const PAGES = 500

/** Pages of a choice each, leading on by one, by ten or to the end; every tenth reads a disclosure. */
export function aLargeScript(): Script {
  const id = (n: number) => `page${Math.min(n, PAGES)}`
  return ScriptSchema.parse({
    id: 'script_bench',
    version: 1,
    name: 'Large',
    startPage: id(0),
    pages: Array.from({ length: PAGES + 1 }, (_, n) => ({
      id: id(n),
      title: `Page ${n}`,
      say: ['Good day, {caller.name|there}. This is a page of a large script, as long as others are.'],
      direction: null,
      questions: [
        { field: `choice${n}`, label: 'Choice', kind: 'choice', options: ['on', 'far', 'out'].map((value) => ({ value, label: value })) },
        ...(n % 10 === 0 ? [{ field: `read${n}`, label: 'Terms', kind: 'disclosure', text: 'These are the terms.' }] : []),
      ],
      ways:
        n === PAGES
          ? []
          : [
              { when: { field: `choice${n}`, is: 'out' }, to: id(PAGES) },
              {
                when: {
                  all: [
                    { field: `choice${n}`, is: 'far' },
                    { field: 'caller.known', is: true },
                  ],
                },
                to: id(n + 10),
              },
              { when: null, to: id(n + 1) },
            ],
      suggests: n === PAGES ? ['done'] : [],
    })),
  })
}

export function scripts(): void {
  const script = aLargeScript()
  const checked = timed(20, () => checkScript(script, ['done']))
  print(`the checker on ${PAGES} pages, ${PAGES / 10} of them with a disclosure`, `${median(checked).toFixed(1)} ms`, 'under 50 ms')
  const callId = toCallId('call_bench_1')
  let run = evolveRun(null, { kind: 'scriptStarted', callId, scriptId: toScriptId('script_bench'), version: 1, pageId: 'page0' }, 0)
  const steps = timed(PAGES - 1, () => {
    const n = run.pageId.slice('page'.length)
    run = evolveRun(run, { kind: 'scriptAnswered', callId, field: `choice${n}`, value: 'on' }, 0)
    run = evolveRun(run, { kind: 'scriptAnswered', callId, field: `read${n}`, value: true }, 0)
    const next = nextPage(script, run, {})
    if (!next.ok) throw new Error(next.refusal.reason)
    run = evolveRun(run, { kind: 'scriptPageShown', callId, pageId: next.value, direction: 'next' }, 0)
  })
  print('a step of a run: two answers and the next page', `${median(steps).toFixed(3)} ms`, 'under 1 ms')
  print('which answers count, at the end of 500 pages', `${median(timed(50, () => splitAnswers(script, run, {}))).toFixed(2)} ms`, 'none set')
}
