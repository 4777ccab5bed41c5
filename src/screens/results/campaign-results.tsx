'use client'
// What came of campaigns over days: each step of the way from an attempt to a success with its rate of the one before, by campaign, list, agent and hour.
import { useCallback, useState } from 'react'
import type { CampaignId } from '@/core/ids'
import { measureAttempts } from '@/core/reports'
import { HistoryProgress, seesEverybody } from '@/parts/frame'
import { Problem, SelectField } from '@/parts/ui'
import type { FloorView } from '@/services/exchange/protocol'
import { useHistoryOpening } from '@/services/history/react'
import { useAskedLists, useLists } from '@/services/lists/react'
import { AttemptFigures } from './attempt-figures'
import { AttemptsTable } from './attempts-table'
import { BestHours } from './best-hours'
import { Computing } from './computing'
import { DayChoice, useDays } from './day-choice'
import { ResultsHead } from './results-head'
import { toSpan } from './span'

export function CampaignResults({ view: { centre, account, seats } }: { view: FloorView }) {
  const everybody = seesEverybody(account)
  const lists = useLists()
  const [days, choose] = useDays('/results/campaigns')
  const [campaignId, setCampaignId] = useState<CampaignId | null>(null)
  const { value, latest: report, problem } = useAskedLists(useCallback((api) => api.report({ ...toSpan(days), campaignId }), [days, campaignId]))
  const { opening } = useHistoryOpening()
  const campaign = centre.campaigns.find((c) => c.id === campaignId)
  const nameOf = (id: string) => centre.campaigns.find((c) => c.id === id)?.name ?? seats.find((s) => s.id === id)?.name ?? id
  return (
    <main className="mx-auto max-w-[80rem] px-6 pt-4 pb-12">
      <div className="flex flex-wrap items-end gap-4">
        <ResultsHead of="campaigns" days={days} mine={!everybody} />
        <DayChoice days={days} onChoose={choose} />
        <SelectField
          label="Campaign"
          className="w-52"
          value={campaignId ?? ''}
          onChange={(e) => setCampaignId(centre.campaigns.find((c) => c.id === e.target.value)?.id ?? null)}
        >
          <option value="">All campaigns</option>
          {centre.campaigns.map((c) => (
            <option key={c.id} value={c.id}>
              {c.name}
            </option>
          ))}
        </SelectField>
      </div>
      <HistoryProgress />
      {lists === null && <p className="mt-6 text-soft">This browser cannot share a worker between tabs, so it has no calling lists.</p>}
      {problem !== null && <Problem className="mt-4">The figures could not be computed: {problem}. Reload the page to try again.</Problem>}
      <Computing isOn={lists !== null && value === null && problem === null} />
      {report !== null && report.all.attempts === 0 && opening !== null && (
        <p className="mt-6">{everybody ? 'Nobody was called on these days.' : 'On these days nobody of a list was put through to you.'} Choose others above.</p>
      )}
      {report !== null && report.all.attempts > 0 && (
        <div aria-busy={value === null} className="mt-4 space-y-8 aria-busy:opacity-50">
          <AttemptFigures
            sums={report.all}
            lists={report.lists}
            mine={!everybody}
            drops={campaign?.detector === false ? null : (campaign?.detectorDrops ?? null)}
          />
          {everybody && (
            <AttemptsTable caption="By campaign" rows={report.campaigns.map(({ id, sums }) => ({ id, name: nameOf(id), measures: measureAttempts(sums) }))} />
          )}
          {everybody && <BestHours hours={report.hours} />}
          {everybody && (
            <AttemptsTable
              caption="By list"
              rows={report.lists.map(({ id, name, sums, loaded, states }) => ({
                id,
                name,
                measures: measureAttempts(sums),
                penetration: { done: states.final, of: loaded - states.never },
              }))}
              withPenetration
            />
          )}
          {everybody && (
            <AttemptsTable
              caption="By agent, of those put through to them"
              rows={report.agents.map(({ id, sums }) => ({ id, name: nameOf(id), measures: measureAttempts(sums) }))}
              ofAgents
            />
          )}
        </div>
      )}
    </main>
  )
}
