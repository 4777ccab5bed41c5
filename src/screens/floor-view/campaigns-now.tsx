// Campaigns that are on: who works them, how many are being called, and how far they are from their cap of abandoned calls.
import clsx from 'clsx'
import Link from 'next/link'
import { type Column, Table } from '@/parts/ui'
import { percent } from '@/parts/words'
import type { CampaignView, CentreView } from '@/services/exchange/protocol'

interface Props {
  readonly rows: readonly CampaignView[]
  readonly campaigns: CentreView['campaigns']
}

/** Abandoned ÷ live answers over the days of the cap; null before anybody was live. */
const abandonedOf = ({ window: { live, abandoned } }: CampaignView): number | null => (live === 0 ? null : abandoned / live)

const RIGHT = 'tabular text-right'

export function CampaignsNow({ rows, campaigns }: Props) {
  if (rows.length === 0) return null
  const about = (c: CampaignView) => campaigns.find((x) => x.id === c.id)
  const columns: readonly Column<CampaignView>[] = [
    {
      id: 'name',
      heading: 'Campaign',
      isName: true,
      cell: (c) => (
        <>
          <Link href={`/campaigns/${c.id}`} className="block min-h-6 truncate underline underline-offset-2" title={about(c)?.name}>
            {about(c)?.name ?? 'A campaign'}
          </Link>
          {c.state === 'paused' && <span className="font-normal text-soft">paused</span>}
        </>
      ),
    },
    { id: 'ready', heading: 'Ready', align: 'right', className: RIGHT, width: 'w-18', cell: (c) => `${c.ready} of ${c.onShift}` },
    { id: 'talking', heading: 'Talking', align: 'right', className: RIGHT, width: 'w-16', cell: (c) => c.talking },
    { id: 'ringing', heading: 'Ringing', align: 'right', className: RIGHT, width: 'w-16', cell: (c) => c.ringing },
    {
      id: 'waiting',
      heading: 'Waiting',
      align: 'right',
      className: RIGHT,
      width: 'w-14',
      cell: (c) => <span className={clsx(c.waiting > 0 && 'font-semibold text-red')}>{c.waiting}</span>,
    },
    {
      id: 'abandoned',
      heading: 'Abandoned',
      align: 'right',
      className: 'text-right',
      width: 'w-30',
      cell: (c) => {
        const [share, cap] = [abandonedOf(c), about(c)?.abandonCap.share ?? 1]
        return share === null ? (
          <span className="text-soft">nobody live yet</span>
        ) : (
          <span className={clsx('whitespace-nowrap tabular', share > cap && 'font-semibold text-red')}>
            {percent(share)} <span className="text-soft">of {percent(cap)}</span>
          </span>
        )
      },
    },
  ]
  return (
    <div className="mt-4 overflow-x-auto">
      <Table label="Campaigns" columns={columns} rows={rows} keyOf={(c) => c.id} className="min-w-[33rem]" />
    </div>
  )
}
