'use client'
// The editor of a page: its words, what it asks, where it leads. Every keystroke is in the preview beside it.
import { Button, TextField } from '@/ui'
import type { PageEditorProps } from './page-editor-props'
import { AREA, moved, RowButtons } from './parts'
import { QuestionsEditor } from './questions-editor'
import { SaysEditor } from './says-editor'
import { WaysEditor } from './ways-editor'

export function PageEditor(props: PageEditorProps) {
  const { script, page, codes, onChange, onStart, onRemove, onAdd } = props
  const isStart = page.id === script.startPage
  return (
    <section aria-label="Page editor" className="min-w-0 space-y-4 px-4 py-3">
      <div className="flex items-end gap-2">
        <TextField label="Title" className="min-w-0 flex-1" value={page.title} onChange={(e) => onChange({ ...page, title: e.target.value }, 'title')} />
        <Button onClick={onAdd}>Add a page after it</Button>
        <Button disabled={isStart} title={isStart ? 'The script starts here' : undefined} onClick={onStart}>
          Start here
        </Button>
        <Button
          tone="loss"
          disabled={script.pages.length === 1}
          title={script.pages.length === 1 ? 'A script has one page at least' : undefined}
          onClick={onRemove}
        >
          Remove page
        </Button>
      </div>
      <SaysEditor {...props} />
      <label className="block">
        <span className="font-semibold">For the agent, not read aloud</span>
        <textarea
          rows={1}
          className={AREA}
          value={page.direction ?? ''}
          onChange={(e) => onChange({ ...page, direction: e.target.value === '' ? null : e.target.value }, 'direction')}
        />
      </label>
      <QuestionsEditor {...props} />
      <WaysEditor {...props} />
      {page.ways.length === 0 && <Suggests page={page} codes={codes} onChange={onChange} />}
      <div className="flex flex-wrap items-center gap-x-6 gap-y-2 border-line border-t pt-3">
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            className="size-4 accent-green"
            checked={page.sensitive}
            onChange={(e) => onChange({ ...page, sensitive: e.target.checked }, null)}
          />
          Sensitive: a recording pauses here
        </label>
        <label className="flex items-center gap-2">
          Should be read within
          <input
            type="number"
            min={1}
            placeholder="–"
            aria-label="Reading time in seconds"
            className="h-8 w-20 rounded-sm border border-line-strong bg-raised px-2"
            value={page.readingMs === null ? '' : page.readingMs / 1000}
            onChange={(e) => onChange({ ...page, readingMs: e.target.valueAsNumber > 0 ? e.target.valueAsNumber * 1000 : null }, 'reading')}
          />
          seconds
        </label>
      </div>
    </section>
  )
}

/** An end page speaks for outcomes, the likeliest first. */
function Suggests({ page, codes, onChange }: Pick<PageEditorProps, 'page' | 'codes' | 'onChange'>) {
  const put = (suggests: readonly string[]) => onChange({ ...page, suggests }, null)
  const left = codes.filter((c) => !page.suggests.includes(c.code))
  return (
    <fieldset className="border-line border-t pt-3">
      <legend className="float-left w-full font-semibold">This page ends the script and speaks for</legend>
      <ul className="clear-both space-y-1">
        {page.suggests.map((code, at) => (
          <li key={code} className="flex items-center gap-2">
            <span className="min-w-0 flex-1 truncate">{codes.find((c) => c.code === code)?.label ?? `${code} (in no set)`}</span>
            <RowButtons
              of={`outcome ${at + 1}`}
              at={at}
              last={page.suggests.length - 1}
              onMove={(to) => put(moved(page.suggests, at, to))}
              onRemove={() => put(page.suggests.filter((c) => c !== code))}
            />
          </li>
        ))}
      </ul>
      <select
        aria-label="Add an outcome"
        className="mt-1 h-8 rounded-sm border border-line-strong bg-raised px-2"
        value=""
        onChange={(e) => e.target.value !== '' && put([...page.suggests, e.target.value])}
      >
        <option value="">{codes.length === 0 ? 'No queue uses this script, so no outcomes are known' : 'Add an outcome…'}</option>
        {left.map((c) => (
          <option key={c.code} value={c.code}>
            {c.label}
          </option>
        ))}
      </select>
    </fieldset>
  )
}
