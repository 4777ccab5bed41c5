'use client'
// What differs between two versions, page by page.
import { useState } from 'react'
import { compareScripts, type PartChange, type Script } from '@/core/scripts'
import { Dialog, SelectField } from '@/parts/ui'

interface Props {
  /** The draft last, if there is one. */
  readonly versions: readonly { readonly label: string; readonly script: Script }[]
  readonly onClose: () => void
}

export function CompareDialog({ versions, onClose }: Props) {
  const [before, setBefore] = useState(Math.max(0, versions.length - 2))
  const [after, setAfter] = useState(versions.length - 1)
  const [from, to] = [versions[before]?.script, versions[after]?.script]
  const changes = from === undefined || to === undefined ? [] : compareScripts(from, to)
  const options = versions.map(({ label }, i) => (
    <option key={label} value={i}>
      {label}
    </option>
  ))
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title="Compare versions">
      <div className="grid grid-cols-2 gap-3">
        <SelectField label="Before" value={before} onChange={(e) => setBefore(Number(e.target.value))}>
          {options}
        </SelectField>
        <SelectField label="After" value={after} onChange={(e) => setAfter(Number(e.target.value))}>
          {options}
        </SelectField>
      </div>
      {changes.length === 0 && <p className="mt-3 text-soft">They say the same.</p>}
      <ul className="mt-3 space-y-3">
        {changes.map((c) => (
          <li key={`${c.what} ${c.pageId}`} className="border-line border-t pt-2">
            <p className="font-semibold">
              {c.title} <span className={`font-normal ${LOOKS[c.what]}`}>· {c.what}</span>
            </p>
            {c.parts.map((p) => (
              <Part key={p.part} {...p} />
            ))}
          </li>
        ))}
      </ul>
    </Dialog>
  )
}

const LOOKS = { added: 'text-green', removed: 'text-red', changed: 'text-brass-text' } as const

function Part({ part, before, after }: PartChange) {
  return (
    <div className="mt-1 grid grid-cols-[6.25rem_1fr] gap-x-2">
      <span className="text-soft">{part}</span>
      <div className="min-w-0 space-y-0.5">
        {before !== '' && <p className="whitespace-pre-wrap break-words border-red border-l-2 pl-2 text-soft line-through">{before}</p>}
        {after !== '' && <p className="whitespace-pre-wrap break-words border-green border-l-2 pl-2">{after}</p>}
      </div>
    </div>
  )
}
