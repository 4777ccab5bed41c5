'use client'
// The desk of a campaign agent between calls: what the dialer does now, in words that change with it, and the campaign's day so far.
import { startOfDay } from 'date-fns'
import { useCallback } from 'react'
import { NO_ATTEMPTS } from '@/core/reports'
import { DAY, HOUR } from '@/core/time'
import { Clock } from '@/parts/ui'
import { leftIn, MANNER_MEANS, MANNER_WORDS, memoInWords, percent } from '@/parts/words'
import { floorNow } from '@/services/exchange/floor-time'
import type { CampaignView, CentreView, MeView } from '@/services/exchange/protocol'
import { useSeen } from '@/services/exchange/react'
import { useAskedLists } from '@/services/lists/react'

export const CampaignWaiting = memoInWords(function CampaignWaiting({ me, centre }: { me: MeView; centre: CentreView }) {
  const view = useSeen((all) => all.campaigns.find((c) => c.id === me.campaignId))
  const campaign = centre.campaigns.find((c) => c.id === me.campaignId)
  if (view == null || campaign === undefined) return null
  const left = leftIn(view)
  return (
    <section aria-label="Your campaign">
      <h2 className="font-semibold text-lg">{campaign.name}</h2>
      <p className="text-soft">
        {campaign.purpose} {MANNER_WORDS[campaign.manner]}: {MANNER_MEANS[campaign.manner]}.
      </p>
      <p role="status" aria-label="The dialer" aria-live="polite" className="mt-4 max-w-[60ch] font-serif text-[1.25rem] leading-8">
        {nowWords(me, view, campaign)}
      </p>
      <dl className="mt-4 grid max-w-[47.5rem] grid-cols-5 border-line border-y [&>div]:border-line [&>div]:border-l [&>div]:px-3 [&>div]:py-2 [&>div:first-child]:border-l-0 [&>div:first-child]:pl-0">
        <Figure label="Ringing now">{view.ringing + view.detecting}</Figure>
        <Figure label="Reached today">{view.today.live.toLocaleString('en-GB')}</Figure>
        <Figure label="Last reached">
          {view.lastLiveAtMs === null || view.today.live === 0 ? (
            <span className="font-sans text-base text-soft">nobody yet</span>
          ) : (
            <>
              <Clock sinceMs={view.lastLiveAtMs} /> <span className="font-sans text-soft text-xs">ago</span>
            </>
          )}
        </Figure>
        <Figure label="Until your next">
          <span className="font-sans text-base">
            {me.state === 'ready' ? untilWords(view.expectedMs) : <span className="text-soft">when you are ready</span>}
          </span>
        </Figure>
        <Figure label="Left to call">{left === null ? <span className="text-base text-soft">…</span> : left.toLocaleString('en-GB')}</Figure>
      </dl>
      <OwnDay campaignId={view.id} agentId={me.id} />
      <p className="mt-2 text-soft text-xs">
        {view.onShift === 1 ? 'You work it alone.' : `${view.onShift} agents: ${view.ready} ready, ${view.talking} talking, ${view.inWrapUp} in wrap-up.`}
        {campaign.manner === 'predictive' &&
          ` Abandoned today: ${view.today.live === 0 ? 'nobody reached yet' : percent(view.today.abandoned / view.today.live)} of at most ${percent(campaign.abandonCap.share)} (${campaign.abandonCap.rule}).`}
      </p>
    </section>
  )
})

/** What came of those who were put through to this agent today. */
function OwnDay({ campaignId, agentId }: { campaignId: CampaignView['id']; agentId: MeView['id'] }) {
  const { value: report } = useAskedLists(
    useCallback(
      (api) => {
        const fromMs = startOfDay(floorNow()).getTime()
        return api.report({ fromMs, toMs: fromMs + DAY + HOUR, campaignId })
      },
      [campaignId],
    ),
  )
  if (report === null) return null
  const { connected: had, rightParty: right, conversions: won } = report.agents.find((a) => a.id === agentId)?.sums ?? NO_ATTEMPTS
  return (
    <p className="mt-2">
      <span className="eyebrow mr-2">You today</span>
      {had === 0 ? (
        <span className="text-soft">nobody has been put through to you yet</span>
      ) : (
        <>
          <span className="tabular">{had}</span> {had === 1 ? 'person' : 'people'}, <span className="tabular">{right}</span> the right one,{' '}
          <span className="tabular">{won}</span> {won === 1 ? 'conversion' : 'conversions'}
        </>
      )}
    </p>
  )
}

function Figure({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div>
      <dt className="eyebrow">{label}</dt>
      <dd className="tabular text-xl">{children}</dd>
    </div>
  )
}

function untilWords(expectedMs: number | null): string {
  if (expectedMs === null) return 'not known yet'
  const seconds = Math.round(expectedMs / 5_000) * 5
  return seconds < 60 ? `about ${Math.max(5, seconds)} s` : `about ${Math.round(seconds / 60)} min`
}

/** What happens now, in one sentence that says what the agent has to do about it. */
function nowWords(me: MeView, view: CampaignView, campaign: CentreView['campaigns'][number]): string {
  if (view.state === 'paused') return 'The campaign is paused. Nobody is called until a supervisor goes on with it; you hear of it here.'
  if (view.state !== 'running') return 'The campaign is over. Choose another one with your next shift; your queues still ring.'
  if (me.leaving !== null) return `Somebody has just been reached and may come to you. After that you are not ready: ${me.leaving}.`
  if (me.state !== 'ready') return 'Nobody is called for you while you are not ready. Press Go ready when you can take a call.'
  if (view.left !== null && (leftIn(view) ?? 0) === 0 && view.ringing + view.detecting === 0)
    return view.left.states.callback > 0
      ? 'Everybody has been called. What is left are callbacks that were promised.'
      : 'Everybody on the list has been called.'
  if (view.waiting > 0) return 'A person has answered and is being put through.'
  if (campaign.manner === 'preview') return 'The next record is being fetched. You see it before anybody is called.'
  if (view.detecting > 0)
    return view.detecting === 1
      ? 'Somebody has picked up. If it is a person, one of you has them in a moment.'
      : `${view.detecting} have picked up. Whoever is a person is put through in a moment.`
  if (view.ringing > 0) {
    const agents = view.ready === 1 ? 'you' : `${view.ready} of you`
    return view.ringing === 1 ? `One telephone rings for ${agents}.` : `${view.ringing} telephones ring for ${agents}.`
  }
  if (view.left !== null && view.left.nextAtMs !== null && view.left.nextAtMs > 0)
    return `Nobody may be called at this moment. The next one may be tried at ${new Date(view.left.nextAtMs).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })}.`
  return 'The dialer is about to call the next person.'
}
