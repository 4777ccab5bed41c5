'use client'
// Quick texts: a few letters, Enter, and it stands in the answer with its fields filled in, to be read before it is sent.
import { type KeyboardEvent, useState } from 'react'
import { findQuickTexts, type QuickText, unknownFields } from '@/core/quick-texts'
import { mergeFields } from '@/core/scripts'
import { mergeValuesOf, type Work } from '@/core/work'
import { Button, More, Popover, SETTINGS, TextField } from '@/parts/ui'
import { useKept } from '@/services/exchange/use-kept'

interface Props {
  readonly texts: readonly QuickText[]
  readonly work: Work
  readonly agentName: string
  /** What is written so far, to be kept as one of one's own. */
  readonly written: string
  readonly onInsert: (text: string) => void
  readonly onClosed: () => void
}

const SHOWN = 8

export function QuickTexts(props: Props) {
  const [open, setOpen] = useState(false)
  return (
    <Popover label="Quick texts" open={open} onOpenChange={setOpen} onClosed={props.onClosed} trigger={<Button className="!h-7">Quick texts…</Button>}>
      {open && <Choose {...props} onDone={() => setOpen(false)} />}
    </Popover>
  )
}

function Choose({ texts, work, agentName, written, onInsert, onDone }: Props & { onDone: () => void }) {
  const [own, setOwn] = useOwn()
  const [letters, setLetters] = useState('')
  const [name, setName] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const found = findQuickTexts([...own, ...texts], letters, work.queueId)
  const take = (text: QuickText | undefined) => {
    if (text === undefined) return
    onInsert(mergeFields(text.text, mergeValuesOf(work, agentName)))
    onDone()
  }
  const onKey = (event: KeyboardEvent) => {
    if (event.key !== 'Enter') return
    event.preventDefault()
    take(found[0])
  }
  const keep = () => {
    if (name.trim() === '') return setProblem('Give it a name to find it by.')
    if (own.some((t) => t.name === name.trim())) return setProblem('You have one of that name. Choose another name.')
    const unknown = unknownFields(written)
    if (unknown.length > 0) return setProblem(`Nobody could fill in {${unknown[0]}}. Use {caller.name}, {caller.firstName} or {agent.firstName}.`)
    setOwn([...own, { name: name.trim(), queueId: null, text: written }])
    setName('')
    setProblem(null)
  }
  return (
    <>
      <TextField
        label="A few letters"
        hint="Enter takes the first."
        autoComplete="off"
        value={letters}
        onChange={(e) => setLetters(e.target.value)}
        onKeyDown={onKey}
      />
      <ul aria-label="Texts" className="mt-2 divide-y divide-line">
        {found.slice(0, SHOWN).map((text) => (
          <li key={`${own.includes(text)} ${text.name}`} className="flex items-start gap-2">
            <button type="button" className="min-w-0 flex-1 py-1 text-left hover:bg-paper" onClick={() => take(text)}>
              <strong>{text.name}</strong>
              {own.includes(text) && <span className="text-soft"> · your own</span>}
              <span className="line-clamp-2 text-soft">{text.text}</span>
            </button>
            {own.includes(text) && (
              <Button tone="quiet" className="!h-7 !px-1" aria-label={`Delete ${text.name}`} onClick={() => setOwn(own.filter((t) => t !== text))}>
                Delete
              </Button>
            )}
          </li>
        ))}
      </ul>
      {found.length === 0 && <p className="mt-2 text-soft">No text has “{letters.trim()}” in it.</p>}
      <More of={found.length} shown={SHOWN} />
      {written.trim() !== '' && (
        <div className="mt-3 border-line border-t pt-2">
          <TextField label="Keep what you have written, as" autoComplete="off" value={name} onChange={(e) => setName(e.target.value)} problem={problem} />
          <Button className="mt-2 !h-7" onClick={keep}>
            Keep as your own
          </Button>
        </div>
      )}
    </>
  )
}

/** One’s own; what cannot be read is none. */
function useOwn(): readonly [readonly QuickText[], (texts: readonly QuickText[]) => void] {
  const [json, setJson] = useKept(SETTINGS, 'own', 'own quick texts', '[]')
  return [read(json), (texts) => setJson(JSON.stringify(texts))]
}

/** By hand: the schema library would come to every desk for these three fields. */
const isQuickText = (value: unknown): value is QuickText =>
  typeof value === 'object' &&
  value !== null &&
  'name' in value &&
  typeof value.name === 'string' &&
  value.name !== '' &&
  'text' in value &&
  typeof value.text === 'string' &&
  value.text !== '' &&
  'queueId' in value &&
  (value.queueId === null || (typeof value.queueId === 'string' && value.queueId.startsWith('queue_')))

const remembered = new Map<string, readonly QuickText[]>()
function read(json: string): readonly QuickText[] {
  const known = remembered.get(json)
  if (known !== undefined) return known
  let value: unknown = []
  try {
    value = JSON.parse(json)
  } catch (error) {
    if (!(error instanceof SyntaxError)) throw error
  }
  const texts = Array.isArray(value) && value.every(isQuickText) ? value : []
  remembered.set(json, texts)
  return texts
}
