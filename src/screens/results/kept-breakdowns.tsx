'use client'
// Breakdowns that somebody looks at again and again, under a name of their own.
import { type FormEvent, useState } from 'react'
import * as z from 'zod'
import { Button, Menu, MenuItem, MenuLine, Popover, Problem, SETTINGS, TextField } from '@/parts/ui'
import { useKept } from '@/services/exchange/use-kept'
import { type Choice, dimensionWords, FIGURES, type Words } from './breakdown-words'

const KeptSchema = z.array(z.object({ name: z.string(), rows: z.string(), columns: z.string().nullable(), figure: z.string(), compares: z.boolean() }))
type Kept = z.infer<typeof KeptSchema>

interface Props {
  readonly choice: Choice
  readonly onChoose: (choice: Choice) => void
  readonly words: Words
}

export function KeptBreakdowns({ choice, onChoose, words }: Props) {
  const [text, setText] = useKept(SETTINGS, 'own', 'breakdowns', '[]')
  const kept = read(text)
  const [open, setOpen] = useState(false)
  const [name, setName] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const keep = (event: FormEvent) => {
    event.preventDefault()
    const named = name.trim()
    if (named === '') return setProblem('It has no name. Type one you will know it by.')
    setText(JSON.stringify([...kept.filter((k) => k.name !== named), { name: named, ...choice }]))
    setOpen(false)
    setName('')
    setProblem(null)
  }
  return (
    <>
      <Popover label="Keep this breakdown" open={open} onOpenChange={setOpen} trigger={<Button>Keep…</Button>}>
        <form onSubmit={keep} noValidate>
          <TextField label="Name" value={name} maxLength={60} autoComplete="off" problem={problem} onChange={(e) => setName(e.target.value)} />
          <p className="mt-1 text-soft">{about(choice, words)}. Days are chosen anew each time.</p>
          <Button type="submit" tone="primary" className="mt-2">
            Keep
          </Button>
        </form>
      </Popover>
      {kept.length > 0 && (
        <Menu label="Kept breakdowns" trigger={<Button>Kept ({kept.length})</Button>}>
          {kept.map((k) => (
            <MenuItem key={k.name} onSelect={() => onChoose({ ...k, rows: k.rows as Choice['rows'], columns: k.columns as Choice['columns'] })}>
              {k.name}
            </MenuItem>
          ))}
          <MenuLine />
          {kept.map((k) => (
            <MenuItem key={`forget ${k.name}`} onSelect={() => setText(JSON.stringify(kept.filter((o) => o.name !== k.name)))}>
              Forget “{k.name}”
            </MenuItem>
          ))}
        </Menu>
      )}
      {problem !== null && !open && <Problem>{problem}</Problem>}
    </>
  )
}

function read(text: string): Kept {
  try {
    const parsed = KeptSchema.safeParse(JSON.parse(text))
    return parsed.success ? parsed.data : []
  } catch {
    return []
  }
}

const about = ({ rows, columns, figure }: Choice, words: Words): string =>
  `${FIGURES.find((f) => f.id === figure)?.name ?? figure} by ${dimensionWords(rows, words).toLowerCase()}${columns === null ? '' : ` and ${dimensionWords(columns, words).toLowerCase()}`}`
