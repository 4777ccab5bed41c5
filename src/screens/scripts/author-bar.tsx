'use client'
// The head of the author's screen: the name, where the draft stands, what can be undone, and what can be done with the whole.
import { format } from 'date-fns'
import Link from 'next/link'
import type { Script } from '@/core/scripts'
import { Button, Menu, MenuItem } from '@/parts/ui'
import type { ScriptHistory } from './use-script-history'

interface Props {
  readonly script: Script
  /** The latest published version; null while there is none. */
  readonly latest: number | null
  readonly history: ScriptHistory
  readonly rehearsing: boolean
  readonly mayCompare: boolean
  readonly onName: (name: string) => void
  readonly onRehearse: () => void
  readonly onCompare: () => void
  readonly onPublish: () => void
  readonly onDiscard: () => void
  readonly onJson: () => void
  readonly onMarkdown: () => void
}

export function AuthorBar({ script, latest, history, rehearsing, mayCompare, ...on }: Props) {
  const { changed, savedAtMs, mayUndo, mayRedo } = history
  return (
    <section aria-label="Script" className="flex h-12 shrink-0 items-center gap-2 border-line-strong border-b bg-raised px-4 print:hidden">
      <Link href="/scripts" className="whitespace-nowrap text-soft underline underline-offset-4 hover:text-ink">
        All scripts
      </Link>
      <input
        aria-label="Name of the script"
        className="h-8 w-64 rounded-sm border border-transparent px-2 font-semibold text-lg hover:border-line-strong"
        value={script.name}
        onChange={(e) => on.onName(e.target.value)}
      />
      <span role="status" aria-label="State of the script" className={changed ? 'whitespace-nowrap text-brass-text' : 'whitespace-nowrap text-soft'}>
        {changed
          ? `Draft${latest === null ? '' : ` of version ${latest + 1}`}${savedAtMs === null ? '' : `, kept ${format(savedAtMs, 'HH:mm:ss')}`}`
          : `Version ${latest}, in use`}
      </span>
      <div className="ml-auto flex items-center gap-1">
        <Button disabled={!mayUndo || rehearsing} title="Ctrl+Z" onClick={history.undo}>
          Undo
        </Button>
        <Button disabled={!mayRedo || rehearsing} title="Ctrl+Shift+Z" onClick={history.redo}>
          Redo
        </Button>
        <Button tone={rehearsing ? 'brass' : 'plain'} onClick={on.onRehearse}>
          {rehearsing ? 'End rehearsal' : 'Rehearse'}
        </Button>
        <Button disabled={!mayCompare} onClick={on.onCompare}>
          Compare
        </Button>
        <Menu label="Save or discard" align="end" trigger={<Button>More</Button>}>
          <MenuItem onSelect={on.onJson}>Export JSON</MenuItem>
          <MenuItem onSelect={on.onMarkdown}>Save as Markdown, to print</MenuItem>
          <MenuItem disabled={!changed} onSelect={on.onDiscard}>
            Discard the draft
          </MenuItem>
        </Menu>
        <Button tone="primary" disabled={!changed} onClick={on.onPublish}>
          Publish
        </Button>
      </div>
    </section>
  )
}
