'use client'
// The span as a file: chosen from a menu that says what each is for, with how far it has come while a long one is written.
import * as Comlink from 'comlink'
import { ChevronDown } from 'lucide-react'
import { useState } from 'react'
import { Button, Menu, MenuItem, Problem, saveFile } from '@/parts/ui'
import { floorNow } from '@/services/exchange/floor-time'
import type { ExportName, Span } from '@/services/history/client'
import { useHistoryApi } from '@/services/history/react'

const FILES: readonly (readonly [ExportName, string])[] = [
  ['calls.csv', 'Calls, for a spreadsheet'],
  ['calls.ndjson', 'Calls, one JSON object a line'],
  ['calls.parquet', 'Calls, for a database: columns, compressed'],
  ['agent-states.ndjson', 'Agents’ states, one JSON object a line'],
  ['agent-states.parquet', 'Agents’ states, for a database'],
  ['work.ndjson', 'Chats, mails and texts, one JSON object a line'],
  ['messages.ndjson', 'What was said in them, line by line'],
]

interface Writing {
  readonly name: ExportName
  readonly done: number
  readonly of: number
}

export function ExportMenu({ span }: { span: Span }) {
  const api = useHistoryApi()
  const [writing, setWriting] = useState<Writing | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const save = async (name: ExportName) => {
    if (api === null) return
    setProblem(null)
    setWriting({ name, done: 0, of: 0 })
    // Word of how far it is comes by another way than the file, and may come after it.
    let isWritten = false
    try {
      const blob = await api.exportFile(
        name,
        span,
        floorNow(),
        Comlink.proxy((done: number, of: number) => !isWritten && setWriting({ name, done, of })),
      )
      saveFile(name, blob, blob.type)
    } catch (error) {
      setProblem(`${name} could not be written: ${error instanceof Error ? error.message : String(error)}. Choose fewer days and try again.`)
    }
    isWritten = true
    setWriting(null)
  }
  return (
    <section aria-label="Export" className="ml-auto">
      <Menu
        label="The days chosen, as a file"
        align="end"
        trigger={
          <Button disabled={writing !== null}>
            {writing === null ? 'Save as a file' : `Writing ${writing.name}${writing.of === 0 ? '' : `: ${Math.floor((100 * writing.done) / writing.of)} %`}`}
            <ChevronDown aria-hidden className="size-4" />
          </Button>
        }
      >
        {FILES.map(([name, says]) => (
          <MenuItem key={name} onSelect={() => void save(name)}>
            <span className="block">{name}</span>
            <span className="block text-soft text-xs">{says}</span>
          </MenuItem>
        ))}
      </Menu>
      {problem !== null && <Problem className="mt-1 max-w-72">{problem}</Problem>}
    </section>
  )
}
