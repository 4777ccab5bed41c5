'use client'
// Outcomes by queue or by agent: a stacked bar per group, and the counts of the chosen group as a table.
import { sum } from 'd3-array'
import { ToggleGroup } from 'radix-ui'
import { type ReactNode, useState } from 'react'
import type { Grouped } from '@/core/reports'
import { outcomeLabels } from '@/parts/words'
import type { CentreView } from '@/services/exchange/protocol'
import type { Report } from '@/services/history/client'
import { percent } from './format'
import { OutcomeBars } from './outcome-bars'

export function Outcomes({ report, centre, children }: { report: Report; centre: CentreView; children: ReactNode }) {
  const [by, setBy] = useState<'queue' | 'agent'>('queue')
  const [chosen, setChosen] = useState<string | null>(null)
  const groups: readonly Grouped[] = (by === 'queue' ? report.queues : report.agents).filter((g) => coded(g) > 0)
  const group = groups.find((g) => g.id === chosen)
  const labels = outcomeLabels(centre)
  const counts = Object.entries(group?.measures.outcomes ?? report.all.outcomes).sort((a, b) => b[1] - a[1])
  const total = sum(counts, ([, n]) => n)
  return (
    <section aria-label="Outcomes">
      <div className="flex items-center justify-between">
        <h2 className="font-semibold text-lg">Outcomes</h2>
        <ToggleGroup.Root
          type="single"
          value={by}
          onValueChange={(value) => {
            if (value === '') return
            setBy(value as typeof by)
            setChosen(null)
          }}
          aria-label="Outcomes by"
          className="flex"
        >
          {(['queue', 'agent'] as const).map((value) => (
            <ToggleGroup.Item
              key={value}
              value={value}
              className="-ml-px h-8 border border-line-strong px-3 first:rounded-l-sm last:rounded-r-sm data-[state=on]:bg-ink data-[state=on]:text-on-fill"
            >
              By {value}
            </ToggleGroup.Item>
          ))}
        </ToggleGroup.Root>
      </div>
      {groups.length === 0 ? (
        <>
          <p className="mt-2 mb-8 text-soft">No call of this span is coded yet.</p>
          {children}
        </>
      ) : (
        <div className="mt-2 grid gap-8 lg:grid-cols-[1fr_22.5rem]">
          <div className="space-y-10">
            <div>
              <OutcomeBars label={`Coded calls by ${by}`} groups={groups} all={report.all.outcomes} labels={labels} chosen={chosen} onChoose={setChosen} />
            </div>
            {children}
          </div>
          <table className="w-full self-start">
            <caption className="pb-1 text-left">
              <span className="font-semibold">{group === undefined ? 'All coded calls' : group.name}</span>
              <span className="text-soft"> · {total}</span>
            </caption>
            <thead className="sr-only">
              <tr>
                <th scope="col">Outcome</th>
                <th scope="col">Calls</th>
                <th scope="col">Share</th>
              </tr>
            </thead>
            <tbody>
              {counts.map(([code, n]) => (
                <tr key={code} data-outcome={code} className="border-line border-t">
                  <th scope="row" className="py-0.5 text-left font-normal">
                    {labels[code] ?? code}
                  </th>
                  <td className="tabular text-right">{n}</td>
                  <td className="tabular w-20 text-right text-soft">{percent(n / total)}</td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  )
}

const coded = (g: Grouped): number => sum(Object.values(g.measures.outcomes))
