'use client'
// Where a page leads: the first way whose condition holds is taken, the one without a condition always.
import { memo } from 'react'
import type { Page } from '@/core/scripts'
import { Button } from '@/parts/ui'
import { ConditionEditor } from './condition-editor'
import type { PartProps, Titles } from './page-editor-props'
import { BOX, moved, RowButtons, replaced } from './parts'

interface Props extends PartProps {
  readonly pageId: string
  readonly ways: Page['ways']
  /** What this very page asks. */
  readonly asks: Page['questions']
  readonly titles: Titles
  readonly onSelect: (pageId: string) => void
}

export const WaysEditor = memo(function WaysEditor({ pageId, ways, asks, titles, questions, put: putPage, onSelect }: Props) {
  const put = (next: Page['ways']) => putPage({ ways: next }, null)
  const others = titles.filter((p) => p.id !== pageId)
  const add = () => {
    const [question] = asks
    const to = others[0]?.id ?? pageId
    const hasOtherwise = ways.some((w) => w.when === null)
    if (!hasOtherwise) return put([...ways, { when: null, to }])
    // A new way goes before the otherwise: behind it nobody would ever take it.
    const when = question === undefined ? ({ field: 'caller.known', is: true } as const) : ({ field: question.field, answered: true } as const)
    const at = ways.findIndex((w) => w.when === null)
    put(ways.toSpliced(at, 0, { when, to }))
  }
  return (
    <fieldset className="border-line border-t pt-3">
      <legend className="float-left w-full font-semibold">Leads to</legend>
      <ul className="clear-both space-y-2 pt-1">
        {ways.map((way, at) => (
          // biome-ignore lint/suspicious/noArrayIndexKey: a way is known by its place in the order
          <li key={at} className="flex items-start gap-1">
            <select
              aria-label={`Way ${at + 1} leads to`}
              className={`${BOX} w-44 shrink-0`}
              value={way.to}
              onChange={(e) => put(replaced(ways, at, { ...way, to: e.target.value }))}
            >
              {titles.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.title || p.id}
                </option>
              ))}
            </select>
            {way.when === null ? (
              <span className="flex min-w-0 flex-1 items-center gap-1 pl-1 text-soft leading-8">
                {ways.length === 1 ? 'always' : 'otherwise'}
                <Button
                  tone="quiet"
                  className="!px-1"
                  aria-label={`Only when… for way ${at + 1}`}
                  onClick={() => put(replaced(ways, at, { ...way, when: { field: asks[0]?.field ?? 'caller.known', is: true } }))}
                >
                  Only when…
                </Button>
              </span>
            ) : (
              <>
                <span className="pl-1 text-soft leading-8">when</span>
                <ConditionEditor
                  label={`Way ${at + 1}`}
                  value={way.when}
                  questions={questions}
                  onChange={(when) => put(replaced(ways, at, { ...way, when }))}
                />
                <Button tone="quiet" className="!px-1" aria-label={`Way ${at + 1}: otherwise`} onClick={() => put(replaced(ways, at, { ...way, when: null }))}>
                  otherwise
                </Button>
              </>
            )}
            <Button tone="quiet" className="!px-1" aria-label={`Open the page of way ${at + 1}`} onClick={() => onSelect(way.to)}>
              open
            </Button>
            <RowButtons
              of={`way ${at + 1}`}
              at={at}
              last={ways.length - 1}
              onMove={(to) => put(moved(ways, at, to))}
              onRemove={() => put(ways.filter((_, i) => i !== at))}
            />
          </li>
        ))}
      </ul>
      <Button className="mt-1" onClick={add}>
        Add a way
      </Button>
    </fieldset>
  )
})
