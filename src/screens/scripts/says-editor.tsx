'use client'
// What is read aloud: paragraphs, each always said or only when a condition holds, with values to merge, words to stress and pauses.
import { memo, useCallback, useRef } from 'react'
import { FACTS, type Say } from '@/core/scripts'
import { Button } from '@/parts/ui'
import { ConditionEditor } from './condition-editor'
import type { PartProps } from './page-editor-props'
import { AREA, moved, RowButtons, replaced } from './parts'

export const SaysEditor = memo(function SaysEditor({ say: said, questions, put: putPage }: PartProps & { say: readonly Say[] }) {
  const put = (say: readonly Say[], of: string | null) => putPage({ say }, of)
  const last = useRef<HTMLTextAreaElement>(null)
  /** Where the author typed last; an insertion goes there. */
  const insertNow = (text: string) => {
    const area = last.current
    const at = area === null ? said.length - 1 : Number(area.dataset.at)
    const say = said[at]
    if (say === undefined) return put([...said, text], null)
    const words = typeof say === 'string' ? say : say.text
    const place = area?.selectionEnd ?? words.length
    const next = words.slice(0, place) + text + words.slice(place)
    put(replaced(said, at, typeof say === 'string' ? next : { ...say, text: next }), null)
    area?.focus()
  }
  const latest = useRef(insertNow)
  latest.current = insertNow
  const insert = useCallback((text: string) => latest.current(text), [])
  return (
    <fieldset>
      <legend className="float-left font-semibold">Read aloud</legend>
      <InsertMenu questions={questions} onInsert={insert} />
      <ul className="clear-both space-y-2 pt-1">
        {said.map((say, at) => {
          const text = typeof say === 'string' ? say : say.text
          const name = `paragraph ${at + 1}`
          return (
            // A paragraph is known by its place: two may say the same.
            // biome-ignore lint/suspicious/noArrayIndexKey: see above
            <li key={at}>
              <div className="flex items-start gap-1">
                <textarea
                  rows={1}
                  data-at={at}
                  aria-label={`Paragraph ${at + 1}`}
                  className={`${AREA} !mt-0 font-serif text-[1rem] leading-6`}
                  value={text}
                  onFocus={(e) => {
                    last.current = e.currentTarget
                  }}
                  onChange={(e) => put(replaced(said, at, typeof say === 'string' ? e.target.value : { ...say, text: e.target.value }), name)}
                />
                <RowButtons
                  of={name}
                  at={at}
                  last={said.length - 1}
                  onMove={(to) => put(moved(said, at, to), null)}
                  onRemove={() =>
                    put(
                      said.filter((_, i) => i !== at),
                      null,
                    )
                  }
                />
              </div>
              {typeof say === 'string' ? (
                <Button
                  tone="quiet"
                  className="!h-6 !px-0 text-xs"
                  onClick={() => put(replaced(said, at, { text, when: { field: 'caller.known', is: true } }), null)}
                >
                  Only say it when…
                </Button>
              ) : (
                <div className="mt-1 flex items-start gap-2 pl-3">
                  <span className="pt-1.5 text-soft">when</span>
                  <ConditionEditor
                    label={`When ${name}`}
                    value={say.when}
                    questions={questions}
                    onChange={(when) => put(replaced(said, at, { text, when }), null)}
                  />
                  <Button tone="quiet" className="!px-1" onClick={() => put(replaced(said, at, text), null)}>
                    Always
                  </Button>
                </div>
              )}
            </li>
          )
        })}
      </ul>
      <Button className="mt-1" onClick={() => put([...said, 'New paragraph'], null)}>
        Add a paragraph
      </Button>
    </fieldset>
  )
})

/** Drawn once for a list of questions, however much is typed. */
const InsertMenu = memo(function InsertMenu({ questions, onInsert }: Pick<PartProps, 'questions'> & { onInsert: (text: string) => void }) {
  return (
    <select
      aria-label="Insert a value"
      className="float-right h-7 rounded-sm border border-line-strong bg-raised px-1"
      value=""
      onChange={(e) => {
        if (e.target.value !== '') onInsert(e.target.value)
      }}
    >
      <option value="">Insert…</option>
      <option value="[pause]">a pause</option>
      <option value="*word*">a word that is stressed</option>
      {FACTS.filter((f) => f !== 'caller.known' && f !== 'call.queue').map((fact) => (
        <option key={fact} value={`{${fact}|…}`}>
          {fact}
        </option>
      ))}
      {questions.map((q) => (
        <option key={q.field} value={`{answers.${q.field}|…}`}>
          the answer to “{q.label}”
        </option>
      ))}
    </select>
  )
})
