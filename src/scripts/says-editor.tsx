'use client'
// What is read aloud: paragraphs, each always said or only when a condition holds, with values to merge, words to stress and pauses.
import { useRef } from 'react'
import { FACTS, type Say } from '@/core/scripts'
import { Button } from '@/ui'
import { ConditionEditor } from './condition-editor'
import type { PageEditorProps } from './page-editor-props'
import { AREA, moved, RowButtons, replaced } from './parts'

export function SaysEditor({ page, questions, onChange }: PageEditorProps) {
  const put = (say: readonly Say[], of: string | null) => onChange({ ...page, say }, of)
  const last = useRef<HTMLTextAreaElement>(null)
  /** Where the author typed last; an insertion goes there. */
  const insert = (text: string) => {
    const area = last.current
    const at = area === null ? page.say.length - 1 : Number(area.dataset.at)
    const say = page.say[at]
    if (say === undefined) return put([...page.say, text], null)
    const words = typeof say === 'string' ? say : say.text
    const place = area?.selectionEnd ?? words.length
    const next = words.slice(0, place) + text + words.slice(place)
    put(replaced(page.say, at, typeof say === 'string' ? next : { ...say, text: next }), null)
    area?.focus()
  }
  return (
    <fieldset>
      <legend className="float-left font-semibold">Read aloud</legend>
      <select
        aria-label="Insert a value"
        className="float-right h-7 rounded-sm border border-line-strong bg-raised px-1"
        value=""
        onChange={(e) => {
          if (e.target.value !== '') insert(e.target.value)
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
      <ul className="clear-both space-y-2 pt-1">
        {page.say.map((say, at) => {
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
                  className={`${AREA} !mt-0 font-serif text-[16px] leading-6`}
                  value={text}
                  onFocus={(e) => {
                    last.current = e.currentTarget
                  }}
                  onChange={(e) => put(replaced(page.say, at, typeof say === 'string' ? e.target.value : { ...say, text: e.target.value }), name)}
                />
                <RowButtons
                  of={name}
                  at={at}
                  last={page.say.length - 1}
                  onMove={(to) => put(moved(page.say, at, to), null)}
                  onRemove={() =>
                    put(
                      page.say.filter((_, i) => i !== at),
                      null,
                    )
                  }
                />
              </div>
              {typeof say === 'string' ? (
                <Button
                  tone="quiet"
                  className="!h-6 !px-0 text-xs"
                  onClick={() => put(replaced(page.say, at, { text, when: { field: 'caller.known', is: true } }), null)}
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
                    onChange={(when) => put(replaced(page.say, at, { text, when }), null)}
                  />
                  <Button tone="quiet" className="!px-1" onClick={() => put(replaced(page.say, at, text), null)}>
                    Always
                  </Button>
                </div>
              )}
            </li>
          )
        })}
      </ul>
      <Button className="mt-1" onClick={() => put([...page.say, 'New paragraph'], null)}>
        Add a paragraph
      </Button>
    </fieldset>
  )
}
