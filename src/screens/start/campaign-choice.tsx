'use client'
// The campaigns an agent may work: one or none, each with how it stands and, where it may not be chosen, why.
import { useEffect } from 'react'
import { Problem } from '@/parts/ui'
import { CAMPAIGN_STATE_WORDS, leftIn, MANNER_MEANS, MANNER_WORDS } from '@/parts/words'
import type { AccountView, CampaignView, CentreView } from '@/services/exchange/protocol'
import { useSeen } from '@/services/exchange/react'
import { useLists } from '@/services/lists/react'

interface Props {
  readonly centre: CentreView
  readonly account: AccountView
  readonly chosen: string | null
  readonly onChoose: (campaignId: CentreView['campaigns'][number]['id'] | null) => void
  readonly problem: string | null
}

export function CampaignChoice({ centre, account, chosen, onChoose, problem }: Props) {
  const views = useSeen((view) => view.campaigns) ?? []
  const all = centre.campaigns.filter((c) => !c.retired)
  if (all.length === 0)
    return (
      <fieldset className="mt-5">
        <legend className="font-semibold">Campaign</legend>
        <p className="mt-1 text-soft">The centre has no campaigns. {centre.owners.join(' or ')} can set one up.</p>
      </fieldset>
    )
  return (
    <fieldset className="mt-5" aria-describedby={problem === null ? undefined : 'campaign-problem'}>
      <legend className="font-semibold">Campaign</legend>
      <ul className="mt-1 divide-y divide-line border-line border-y">
        <li>
          <label className="grid grid-cols-[1.5rem_1fr] items-center py-1.5">
            <input
              type="radio"
              name="campaign"
              aria-label="No campaign"
              className="size-4 accent-green"
              checked={chosen === null}
              onChange={() => onChoose(null)}
            />
            <span>No campaign</span>
          </label>
        </li>
        {all.map((campaign) => {
          const view = views.find((v) => v.id === campaign.id)
          const why = whyNot(account, campaign, view, centre)
          return (
            <li key={campaign.id}>
              <label className={`grid grid-cols-[1.5rem_9.375rem_1fr] items-start py-1.5 ${why === null ? '' : 'text-soft'}`}>
                <input
                  type="radio"
                  name="campaign"
                  aria-label={campaign.name}
                  className="mt-0.5 size-4 accent-green"
                  checked={chosen === campaign.id}
                  disabled={why !== null}
                  onChange={() => onChoose(campaign.id)}
                />
                <span className="pr-2 font-semibold">{campaign.name}</span>
                {why === null && view !== undefined ? <Standing campaign={campaign} view={view} isChosen={chosen === campaign.id} /> : <span>{why}</span>}
              </label>
            </li>
          )
        })}
      </ul>
      {problem !== null && <Problem id="campaign-problem">{problem}</Problem>}
    </fieldset>
  )
}

type Campaign = CentreView['campaigns'][number]

function whyNot(account: AccountView, campaign: Campaign, view: CampaignView | undefined, centre: CentreView): string | null {
  const can = `${centre.owners.join(' or ')} can change that in Set-up.`
  if (!account.may.includes('campaigns')) return `Your account is not enabled for campaign work. ${can}`
  if (!campaign.agentIds.includes(account.id)) return `Not on your account. ${can}`
  if (view?.state === 'draft') return 'Not started yet.'
  if (view?.state === 'finished') return 'Finished.'
  return null
}

function Standing({ campaign, view, isChosen }: { campaign: Campaign; view: CampaignView; isChosen: boolean }) {
  const left = leftIn(view)
  return (
    <span className="text-soft">
      {view.state === 'paused' && <strong className="text-brass-text">{CAMPAIGN_STATE_WORDS.paused.toLowerCase()} · </strong>}
      {MANNER_WORDS[campaign.manner]}: {MANNER_MEANS[campaign.manner]}
      <span className="block text-xs">
        {view.onShift === 0 ? 'Nobody works it now' : view.onShift === 1 ? '1 agent works it' : `${view.onShift} agents work it, ${view.ready} ready`}
        {left !== null && <span> · {left === 0 ? 'nobody is left to call' : `${left.toLocaleString('en-GB')} left to call`}</span>}
      </span>
      {isChosen && <OpenLists />}
    </span>
  )
}

/** How much is left is known once somebody means to work it. */
function OpenLists() {
  const lists = useLists()
  useEffect(() => void lists, [lists])
  return lists === null ? (
    <span className="block text-red text-xs">This browser cannot share its workers between tabs: nobody would be called here.</span>
  ) : null
}
