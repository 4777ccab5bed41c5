'use client'
// Why this pace: what the dialer expects of the next seconds, agents who will be free against people who will be there, and how much risk it takes, in words.
import { max } from 'd3-array'
import { scaleLinear } from 'd3-scale'
import { curveMonotoneX, line } from 'd3-shape'
import { useEffect, useState } from 'react'
import type { DialerReasons } from '@/core/dialer'
import { percent } from '@/parts/words'
import type { CampaignView, CentreView } from '@/services/exchange/protocol'
import { useFloor } from '@/services/exchange/react'

const ASKS_EVERY_MS = 1_000

export function Pace({ campaign, view }: { readonly campaign: CentreView['campaigns'][number]; readonly view: CampaignView }) {
  const floor = useFloor()
  const [reasons, setReasons] = useState<DialerReasons | null>(null)
  useEffect(() => {
    if (floor === null) return
    let alive = true
    const ask = async () => {
      const reply = await floor.ask({ kind: 'pacing', campaignId: campaign.id })
      if (alive && reply.ok) setReasons(JSON.parse(reply.text ?? 'null') as DialerReasons | null)
    }
    void ask()
    const timer = setInterval(() => void ask(), ASKS_EVERY_MS)
    return () => {
      alive = false
      clearInterval(timer)
    }
  }, [floor, campaign.id])
  return (
    <section aria-label="Why this pace" className="mt-5">
      <h2 className="font-semibold text-lg">Why this pace</h2>
      {reasons === null ? (
        <p className="text-soft">{view.state === 'running' ? 'Nobody works it, so nobody is called.' : 'It is not running, so nobody is called.'}</p>
      ) : (
        <div className="mt-1 grid grid-cols-1 gap-x-10 lg:grid-cols-[1fr_22.5rem]">
          <Chart ahead={[{ inMs: 0, agentsFree: reasons.observation.agentsIdle, people: view.waiting }, ...reasons.ahead]} />
          <div>
            {reasons.fault !== null && (
              <p className="mb-2 border-red border-l-4 bg-red-wash px-2 py-1 text-red">
                The pacing failed: {reasons.fault}. One person is called for each agent who is free.
              </p>
            )}
            <p className="font-serif text-[1.0625rem] leading-7">{careWords(reasons, campaign.abandonCap.share)}</p>
            <dl className="mt-2 grid grid-cols-[1fr_auto] gap-y-0.5 [&>dd]:text-right">
              <dt className="text-soft">An attempt becomes a person</dt>
              <dd className="tabular">{percent(reasons.liveRate)}</dd>
              <dt className="text-soft">Half of them are there within</dt>
              <dd className="tabular">{Math.round(reasons.medianLandingMs / 1000)} s</dd>
              <dt className="text-soft">Chance of nobody being there, at most</dt>
              <dd className="tabular">{percent(reasons.risk)}</dd>
              <dt className="text-soft">Of the last attempt that was made</dt>
              <dd className="tabular">{reasons.lastTaken === null ? <span className="font-sans text-soft">none yet</span> : percent(reasons.lastTaken)}</dd>
              <dt className="text-soft">Of the next one, not made yet</dt>
              <dd className="tabular">{reasons.firstLeft === null ? <span className="font-sans text-soft">none</span> : percent(reasons.firstLeft)}</dd>
            </dl>
          </div>
        </div>
      )}
    </section>
  )
}

/** How careful the dialer is, and by what. */
function careWords({ credit, observation: { totals }, risk }: DialerReasons, cap: number): string {
  if (totals.liveAnswers === 0) return 'Nobody has been reached yet today: it begins carefully.'
  const used = totals.abandons / totals.liveAnswers
  const held = `${percent(used)} of ${percent(cap)} used`
  if (credit < 0) return `Paying back: ${percent(used)} were left alone today where ${percent(cap)} may be. Hardly any risk is taken until it is less.`
  if (risk < 0.02) return `Careful: ${held}.`
  return `${risk < 0.08 ? 'Steady' : 'Bold'}: ${held}, ${credit < 1 ? 'and not one more person may be left alone yet' : `and ${Math.floor(credit)} more ${Math.floor(credit) === 1 ? 'person' : 'people'} could be left alone`}.`
}

const WIDTH = 640
const HEIGHT = 170
const MARGIN = { top: 10, right: 110, bottom: 24, left: 32 }

function Chart({ ahead }: { ahead: DialerReasons['ahead'] }) {
  if (ahead.length < 2) return <p className="text-soft">It has not looked ahead yet.</p>
  const x = scaleLinear()
    .domain([0, Math.max(1, ahead.at(-1)?.inMs ?? 1) / 1000])
    .range([MARGIN.left, WIDTH - MARGIN.right])
  const y = scaleLinear()
    .domain([0, Math.max(2, max(ahead, (p) => Math.max(p.agentsFree, p.people)) ?? 0)])
    .nice()
    .range([HEIGHT - MARGIN.bottom, MARGIN.top])
  const path = (of: (p: DialerReasons['ahead'][number]) => number) =>
    line<DialerReasons['ahead'][number]>()
      .x((p) => x(p.inMs / 1000))
      .y((p) => y(of(p)))
      .curve(curveMonotoneX)([...ahead]) ?? ''
  const last = ahead.at(-1)
  return (
    <figure>
      <svg viewBox={`0 0 ${WIDTH} ${HEIGHT}`} className="w-full" role="img" aria-label={inWords(ahead)}>
        {y
          .ticks(4)
          .filter(Number.isInteger)
          .map((tick) => (
            <g key={tick} transform={`translate(0 ${y(tick)})`}>
              <line x1={MARGIN.left} x2={WIDTH - MARGIN.right} stroke="var(--color-line)" />
              <text x={MARGIN.left - 6} dy="0.32em" textAnchor="end" fontSize="11" fill="var(--color-soft)">
                {tick}
              </text>
            </g>
          ))}
        {x.ticks(5).map((tick) => (
          <text key={tick} x={x(tick)} y={HEIGHT - 8} textAnchor="middle" fontSize="11" fill="var(--color-soft)">
            {tick === 0 ? 'now' : `${tick} s`}
          </text>
        ))}
        <path d={path((p) => p.agentsFree)} fill="none" stroke="var(--color-green)" strokeWidth="2.5" />
        <path d={path((p) => p.people)} fill="none" stroke="var(--color-brass)" strokeWidth="2.5" strokeDasharray="6 4" />
        {last !== undefined && (
          <>
            <text x={WIDTH - MARGIN.right + 6} y={y(last.agentsFree)} dy="0.32em" fontSize="12" fill="var(--color-green)">
              agents free
            </text>
            <text x={WIDTH - MARGIN.right + 6} y={apart(y(last.people), y(last.agentsFree))} dy="0.32em" fontSize="12" fill="var(--color-brass-text)">
              people there
            </text>
          </>
        )}
      </svg>
      <figcaption className="text-soft text-xs">
        Expected over the next seconds: agents who will be free (solid) and people who will have answered (broken).
      </figcaption>
    </figure>
  )
}

/** Two labels at one height would cover each other. */
const apart = (mine: number, other: number): number => (Math.abs(mine - other) >= 14 ? mine : mine >= other ? other + 14 : other - 14)

const inWords = (ahead: DialerReasons['ahead']): string =>
  `Expected ahead: ${ahead.map((p) => `in ${Math.round(p.inMs / 1000)} s ${p.agentsFree.toFixed(1)} agents free and ${p.people.toFixed(1)} people`).join('; ')}`
