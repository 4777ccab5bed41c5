// What the checker finds, with the place and the cure.
import type { Finding } from '@/core/set-up'

const ALL_FINE = 'Nothing is wrong: every queue is served, no overflow goes in a circle, every skill is had.'

export function Checks({ findings, fine = ALL_FINE }: { findings: readonly Finding[]; fine?: string }) {
  return (
    <section aria-label="Checks" className="border-line border-t pt-4">
      <h2 className="font-semibold text-lg">Checks</h2>
      {findings.length === 0 && <p className="mt-1 text-green">✓ {fine}</p>}
      <ul className="mt-1 space-y-2">
        {findings.map((f) => (
          <li key={`${f.place} ${f.says}`} className={`border-l-4 pl-2 ${f.grade === 'error' ? 'border-red' : 'border-brass'}`}>
            <span className={f.grade === 'error' ? 'font-semibold text-red' : 'font-semibold text-brass-text'}>
              {f.grade === 'error' ? 'Error' : 'Look at'} · {f.place}
            </span>
            <br />
            {f.says} <span className="text-soft">{f.cure}</span>
          </li>
        ))}
      </ul>
    </section>
  )
}
