'use client'
// One campaign: live how it is dialled and why at this pace, and where all of its records stand.
import { useState } from 'react'
import type { RecordState } from '@/core/campaigns'
import { Button, later, PlaceLink } from '@/parts/ui'
import { CAMPAIGN_STATE_WORDS, MANNER_MEANS, MANNER_WORDS, numberWords, useNumberWords } from '@/parts/words'
import { useAllSeen } from '@/services/exchange/react'
import { useLists } from '@/services/lists/react'
import { Flow } from './flow'
import { LiveFigures } from './live-figures'
import { Pace } from './pace'
import { Records } from './records'
import { StateButtons } from './state-buttons'

/** Seldom opened, and large: it comes when it is. */
const CampaignEditor = later(() => import('./campaign-editor').then((m) => m.CampaignEditor))

export function CampaignScreen({ campaignId }: { campaignId: string }) {
  useLists()
  useNumberWords()
  const seen = useAllSeen(({ centre, campaigns, account }) => ({ centre, campaigns, account }))
  const [state, setState] = useState<RecordState | null>(null)
  const [edits, setEdits] = useState<'edit' | 'copy' | null>(null)
  if (seen === null) return null
  const mayEdit = seen.account.may.includes('setUp')
  const campaign = seen.centre.campaigns.find((c) => c.id === campaignId)
  const view = seen.campaigns.find((c) => c.id === campaignId)
  if (campaign === undefined || view === undefined)
    return (
      <main className="px-6 py-6">
        <h1 className="font-semibold text-2xl">Campaign</h1>
        <p className="mt-2">
          There is no campaign at this address.{' '}
          <PlaceLink href="/campaigns" isHere={false}>
            All campaigns
          </PlaceLink>
        </p>
      </main>
    )
  return (
    <main className="px-6 py-5">
      <PlaceLink href="/campaigns" isHere={false}>
        All campaigns
      </PlaceLink>
      <div className="mt-1 flex flex-wrap items-center gap-x-4 gap-y-1">
        <h1 className="font-semibold text-2xl">{campaign.name}</h1>
        <span className={view.state === 'running' ? 'font-semibold text-green' : 'font-semibold text-brass-text'}>{CAMPAIGN_STATE_WORDS[view.state]}</span>
        <StateButtons view={view} name={campaign.name} all />
        <PlaceLink href={`/campaigns/${campaign.id}/what-if`} isHere={false} className="ml-auto underline underline-offset-4">
          What if
        </PlaceLink>
        {mayEdit ? (
          <span className="flex gap-2">
            <Button onClick={() => setEdits('edit')}>Edit campaign</Button>
            <Button onClick={() => setEdits('copy')}>Copy campaign</Button>
          </span>
        ) : (
          <span className="text-soft">{seen.centre.owners.join(' or ')} can edit it.</span>
        )}
      </div>
      <p className="text-soft">
        {campaign.purpose} {MANNER_WORDS[campaign.manner]}: {MANNER_MEANS[campaign.manner]}. Those called see {numberWords(campaign.callerId)}.
      </p>
      <LiveFigures campaign={campaign} view={view} />
      {campaign.manner === 'predictive' && <Pace campaign={campaign} view={view} />}
      <Flow left={view.left} chosen={state} onChoose={setState} />
      {edits !== null && <CampaignEditor campaignId={campaign.id} copies={edits === 'copy'} onClose={() => setEdits(null)} />}
      <Records campaignId={view.id} state={state} onState={setState} />
    </main>
  )
}
