'use client'
// What the checker finds, each with its page one press away.
import type { Script, ScriptFinding } from '@/core/scripts'

interface Props {
  readonly script: Script
  readonly findings: readonly ScriptFinding[]
  readonly onSelect: (pageId: string) => void
}

export function Findings({ script, findings, onSelect }: Props) {
  const errors = findings.filter((f) => f.grade === 'error').length
  const ordered = findings.toSorted((a, b) => Number(b.grade === 'error') - Number(a.grade === 'error'))
  return (
    <section aria-label="Findings" className="border-line border-t px-4 py-3">
      <h2 className="font-semibold text-lg">
        Findings{' '}
        <span className="font-normal text-base text-soft">
          {findings.length === 0 ? 'none' : `${errors} ${errors === 1 ? 'error' : 'errors'}, ${findings.length - errors} to look at`}
        </span>
      </h2>
      {findings.length === 0 && <p className="text-green">✓ Every page is reached, every answer leads somewhere, and every field is known.</p>}
      <ul className="mt-1 space-y-1.5">
        {ordered.map((f) => (
          <li key={`${f.pageId} ${f.kind} ${f.says}`} className={`border-l-4 pl-2 ${f.grade === 'error' ? 'border-red' : 'border-brass'}`}>
            <button
              type="button"
              onClick={() => onSelect(f.pageId)}
              className="text-left underline decoration-line-strong underline-offset-4 hover:decoration-ink"
            >
              <span className={f.grade === 'error' ? 'font-semibold text-red' : 'font-semibold text-brass-text'}>
                {f.grade === 'error' ? 'Error' : 'Look at'}
              </span>{' '}
              · {script.pages.find((p) => p.id === f.pageId)?.title ?? f.pageId}
            </button>
            <br />
            {f.says} <span className="text-soft">{f.cure}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
