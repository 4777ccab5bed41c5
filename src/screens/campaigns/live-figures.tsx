'use client'
import { Clock } from '@/parts/ui'
// How a campaign runs at this moment: its agents, what the dialer has under way, and the day so far.
import type { CampaignView, CentreView } from '@/services/exchange/protocol'
import { AbandonedShare } from './abandoned-share'

export function LiveFigures({ campaign, view }: { readonly campaign: CentreView['campaigns'][number]; readonly view: CampaignView }) {
  const { today } = view
  const drops = campaign.detector ? campaign.detectorDrops : null
  const connected = today.live - today.abandoned
  return (
    <section aria-label="Now" className="mt-4">
      <dl className="grid grid-cols-2 border-line border-y sm:grid-cols-4 lg:grid-cols-8 [&>div]:border-line [&>div]:border-l [&>div]:px-3 [&>div]:py-2 lg:[&>div:first-child]:border-l-0 lg:[&>div:first-child]:pl-0">
        <Figure label="Agents" about={`${view.ready} ready, ${view.talking} talking, ${view.inWrapUp} in wrap-up`}>
          {view.onShift}
        </Figure>
        <Figure label="Ringing" about={view.detecting > 0 ? `${view.detecting} picked up` : 'nobody has picked up'}>
          {view.ringing}
        </Figure>
        <Figure label="Lines in use" about={`of ${campaign.lines}`}>
          {view.linesInUse}
        </Figure>
        <Figure label="Attempts today" about="calls that ended">
          {today.attempts.toLocaleString('en-GB')}
        </Figure>
        <Figure label="Live answers" about={today.attempts === 0 ? 'no attempts yet' : `${Math.round((100 * today.live) / today.attempts)} % of attempts`}>
          {today.live.toLocaleString('en-GB')}
        </Figure>
        <Figure label="Connected" about="put through to an agent">
          {connected.toLocaleString('en-GB')}
        </Figure>
        <Figure label="Conversions" about={campaign.target === null ? 'today' : `${view.conversions} of ${campaign.target} wanted`}>
          {today.conversions.toLocaleString('en-GB')}
        </Figure>
        <Figure label="Last reached" about={view.lastLiveAtMs === null || today.live === 0 ? 'nobody yet today' : 'ago'}>
          {view.lastLiveAtMs === null || today.live === 0 ? '–' : <Clock sinceMs={view.lastLiveAtMs} />}
        </Figure>
      </dl>
      <dl className="mt-2 flex flex-wrap gap-x-10 gap-y-1">
        <div>
          <dt className="eyebrow">Abandoned today</dt>
          <dd>
            <AbandonedShare counts={today} cap={{ ...campaign.abandonCap, overDays: 1 }} short drops={drops} />
          </dd>
        </div>
        <div>
          <dt className="eyebrow">Abandoned over {campaign.abandonCap.overDays} days</dt>
          <dd>
            <AbandonedShare counts={view.window} cap={campaign.abandonCap} drops={drops} />
          </dd>
        </div>
      </dl>
    </section>
  )
}

function Figure({ label, about, children }: { label: string; about: string; children: React.ReactNode }) {
  return (
    <div>
      <dt className="eyebrow">{label}</dt>
      <dd className="tabular text-xl">{children}</dd>
      <dd className="text-soft text-xs">{about}</dd>
    </div>
  )
}
