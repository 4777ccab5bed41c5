'use client'
// The page as the agent will have it in front of them, with a made-up caller; its answers are the author's own and kept nowhere.
import { useState } from 'react'
import { toCallId } from '@/core/ids'
import { type AnswerValue, checkAnswer, nextPage, type Script } from '@/core/scripts'
import { factsOf } from '@/core/work'
import { ReadingPane } from '@/parts/reading'
import { CallerChoice } from './caller-choice'
import { CALLERS } from './callers'
import { refusedReply } from './local-run'

interface Props {
  readonly script: Script
  readonly pageId: string
  readonly homeCountry: string
  readonly onSelect: (pageId: string) => void
}

export function Preview({ script, pageId, homeCountry, onSelect }: Props) {
  const [callerNo, setCallerNo] = useState(0)
  const [answers, setAnswers] = useState<Readonly<Record<string, AnswerValue>>>({})
  const [session] = useState(() => Date.now())
  const { customer = null, number = null, path = null } = CALLERS[callerNo] ?? {}
  const run = { scriptId: script.id, version: script.version, pageId, trail: [], seen: [pageId], answers, spentMs: {}, pageSinceMs: 0 }
  const work = { id: toCallId(`call_preview_${session}`), customer, number, path, queueId: null, campaign: null, run, captions: [], endedAtMs: null }
  return (
    <section aria-label="Preview" className="flex min-h-0 flex-col border-line border-b bg-raised">
      <CallerChoice
        label="As it will be read to"
        className="flex items-center gap-2 border-line border-b bg-paper px-4 py-1"
        fieldClassName="h-7 min-w-0 flex-1 px-1"
        callerNo={callerNo}
        onCaller={setCallerNo}
      />
      <ReadingPane
        key={pageId}
        agentName="Eluned Tarnow"
        work={work}
        script={script}
        readOnly={false}
        opensWhen={null}
        actions={{
          answer: async (field, value) => {
            const checked = checkAnswer(script, field, value, homeCountry)
            if (!checked.ok) return refusedReply(checked.refusal)
            const { [field]: _former, ...others } = answers
            setAnswers(checked.value === null ? others : { ...others, [field]: checked.value })
            return { ok: true }
          },
          turn: async () => {
            const next = nextPage(script, run, factsOf(work))
            if (!next.ok) return refusedReply(next.refusal)
            onSelect(next.value)
            return { ok: true }
          },
        }}
      />
    </section>
  )
}
