'use client'
import { type Column, PlaceLink, Table } from '@/parts/ui'
import { CAMPAIGN_STATE_WORDS, MANNER_WORDS, percent } from '@/parts/words'
// All campaigns: how each stands, who works it, how far its list is, and what of its cap of abandoned calls is used.
import type { CampaignView, CentreView } from '@/services/exchange/protocol'
import { useAllSeen } from '@/services/exchange/react'
import { useLists } from '@/services/lists/react'
import { AbandonedShare } from './abandoned-share'
import { StateButtons } from './state-buttons'

interface Row {
  readonly campaign: CentreView['campaigns'][number]
  readonly view: CampaignView
}

export function CampaignsScreen() {
  useLists()
  const seen = useAllSeen(({ centre, campaigns }) => ({ centre, campaigns }))
  if (seen === null) return null
  const rows = seen.campaigns.flatMap((view): Row[] => {
    const campaign = seen.centre.campaigns.find((c) => c.id === view.id)
    return campaign === undefined ? [] : [{ campaign, view }]
  })
  return (
    <main className="px-6 py-6">
      <h1 className="font-semibold text-2xl">Campaigns</h1>
      <p className="mt-1 text-soft">Who is called out, by whom, and how far it has come. The name leads to how it runs now.</p>
      {rows.length === 0 ? (
        <p className="mt-6">There are no campaigns yet.</p>
      ) : (
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
        <section aria-label="All campaigns" tabIndex={0} className="relative mt-4 overflow-x-auto -outline-offset-2">
          <Table label="Campaigns" className="min-w-[72.5rem]" columns={COLUMNS} rows={rows} keyOf={({ view }) => view.id} />
        </section>
      )}
    </main>
  )
}

const done = ({ left }: CampaignView) => (left === null ? null : left.states.final + left.states.never + left.states.invalid)

const COLUMNS: readonly Column<Row>[] = [
  {
    id: 'name',
    heading: 'Campaign',
    isName: true,
    className: 'py-2 align-top',
    cell: ({ campaign }) => (
      <>
        <PlaceLink href={`/campaigns/${campaign.id}`} isHere={false}>
          {campaign.name}
        </PlaceLink>
        <span className="block font-normal text-soft text-xs">{campaign.purpose}</span>
      </>
    ),
    sortBy: ({ campaign }) => campaign.name,
  },
  {
    id: 'state',
    heading: 'State',
    width: 'w-24',
    className: 'align-top py-2',
    cell: ({ view }) => (
      <span className={view.state === 'running' ? 'font-semibold text-green' : view.state === 'paused' ? 'font-semibold text-brass-text' : 'text-soft'}>
        {CAMPAIGN_STATE_WORDS[view.state]}
      </span>
    ),
    sortBy: ({ view }) => view.state,
  },
  {
    id: 'manner',
    heading: 'Manner',
    width: 'w-28',
    className: 'align-top py-2',
    cell: ({ campaign }) => MANNER_WORDS[campaign.manner],
    sortBy: ({ campaign }) => campaign.manner,
  },
  {
    id: 'agents',
    heading: 'Agents',
    width: 'w-36',
    className: 'align-top py-2',
    cell: ({ view }) =>
      view.onShift === 0 ? (
        <span className="text-soft">nobody</span>
      ) : (
        <>
          <span className="tabular">{view.onShift}</span>
          <span className="block text-soft text-xs">
            {view.ready} ready, {view.talking} talking
          </span>
        </>
      ),
    sortBy: ({ view }) => view.onShift,
  },
  {
    id: 'progress',
    heading: 'Done of the list',
    width: 'w-44',
    className: 'align-top py-2',
    cell: ({ view, campaign }) => <Done view={view} name={campaign.name} />,
    sortBy: ({ view }) => done(view),
  },
  {
    id: 'attempts',
    heading: 'Attempts today',
    width: 'w-24',

    className: 'align-top py-2 tabular',
    cell: ({ view }) => view.today.attempts.toLocaleString('en-GB'),
    sortBy: ({ view }) => view.today.attempts,
  },
  {
    id: 'live',
    heading: 'Reached today',
    width: 'w-24',

    className: 'align-top py-2 tabular',
    cell: ({ view }) => view.today.live.toLocaleString('en-GB'),
    sortBy: ({ view }) => view.today.live,
  },
  {
    id: 'abandoned',
    heading: 'Abandoned',
    width: 'w-44',
    className: 'align-top py-2',
    cell: ({ view, campaign }) => <AbandonedShare counts={view.window} cap={campaign.abandonCap} short />,
    sortBy: ({ view }) => (view.window.live === 0 ? null : view.window.abandoned / view.window.live),
  },
  { id: 'acts', heading: '', width: 'w-40', className: 'align-top py-1', cell: ({ view, campaign }) => <StateButtons view={view} name={campaign.name} /> },
]

function Done({ view, name }: { view: CampaignView; name: string }) {
  const count = done(view)
  if (view.left === null || count === null) return <span className="text-soft">…</span>
  const { loaded } = view.left
  const share = loaded === 0 ? 0 : count / loaded
  return (
    <>
      <span className="tabular">{count.toLocaleString('en-GB')}</span> <span className="text-soft">of {loaded.toLocaleString('en-GB')}</span>
      <span role="img" aria-label={`${name}: ${percent(share)} of the list is done`} className="mt-1 block h-1.5 w-32 border border-line-strong">
        <span className="block h-full bg-green" style={{ width: `${share * 100}%` }} />
      </span>
    </>
  )
}
