// What a pacer reaches: utilisation and people abandoned over seeds, beside one attempt per idle agent on the same seeds, and what a tick costs.
// `npx tsx bench/pacing.ts [agents,...] [seeds] [world,...]`.
import { createPacer, createProgressive, type Pacer, playShift, type Shown, WORLDS } from '@/core/pacing'
import { keep } from './keep'
import { median, percentile, print } from './statistics'

const LINES_PER_AGENT = 3
const CAP = 0.03
const [sizes = '3,10,30,100', wanted = '', worlds = 'usual'] = process.argv.slice(2)
const seedsOf = (agents: number) => (wanted === '' ? (agents <= 3 ? 30 : agents <= 10 ? 20 : 10) : Number(wanted))
/** Must and aim of PACING.md, in per cent; and the most of any rolling hour. */
const AIMS: Readonly<Record<number, readonly [must: number, aim: number, hour: number]>> = {
  3: [71.5, 72.5, 9.5],
  10: [80, 80.8, 5.5],
  30: [88.5, 88.9, 4.2],
  100: [94.7, 95, 3.5],
  300: [97.8, 98, 3.3],
}

for (const name of worlds.split(','))
  for (const agents of sizes.split(',').map(Number)) {
    const world = WORLDS[name]
    if (world === undefined) throw new Error(`no world ${name}; there are ${Object.keys(WORLDS).join(', ')}`)
    const ticks: number[] = []
    const run = (make: (seed: number) => Pacer) =>
      Array.from({ length: seedsOf(agents) }, (_, i) => {
        const seed = 1_000 + i
        return playShift(make(seed), { world, agents, lines: Math.round(agents * LINES_PER_AGENT), abandonCap: CAP, seed, tickMs: 250 })
      })
    const timed = (pacer: Pacer): Pacer => ({
      ...pacer,
      decide(o) {
        const from = performance.now()
        const count = pacer.decide(o)
        ticks.push(performance.now() - from)
        return count
      },
    })
    const { ringLimitMs, connectLimitMs } = world
    const config = { agents, lines: agents * LINES_PER_AGENT, abandonCap: CAP, tickMs: 250, ringLimitMs, connectLimitMs }
    const ours = run((seed) => timed(createPacer({ ...config, seed })))
    const plain = run(() => createProgressive())
    const [must, aim, hour] = AIMS[agents] ?? [0, 0, 0]
    print(
      `${name}, ${agents} agents, ${ours.length} seeds: utilisation (one per idle agent)`,
      `${share(ours, 'utilisation')} ± ${interval(ours)} (${share(plain, 'utilisation')})`,
      `must ${must}, aim ${aim}`,
    )
    print(
      '  abandoned: mean, worst day, worst hour (one per idle agent, worst day)',
      `${share(ours, 'abandonedShare')}, ${worst(ours, 'abandonedShare')}, ${worst(ours, 'worstHour')} (${worst(plain, 'abandonedShare')})`,
      `3.0, ${hour}`,
    )
    if (name === 'usual') {
      const mean = ours.reduce((sum, s) => sum + s.utilisation, 0) / ours.length
      keep(`pacing.utilisation.${agents}`, mean, 'share', aim / 100)
      keep(`pacing.worstDay.${agents}`, Math.max(...ours.map((s) => s.abandonedShare)), 'share', CAP)
      keep(`pacing.worstHour.${agents}`, Math.max(...ours.map((s) => s.worstHour)), 'share', hour / 100)
      keep(`pacing.tickMs.${agents}`, median(ticks), 'ms', agents === 300 ? 1 : null)
    }
    print('  a tick: median, 99 %', `${median(ticks).toFixed(3)}, ${percentile(ticks, 0.99).toFixed(3)} ms`, 'under 1 ms for 300')
  }

function percent(value: number): string {
  return `${(100 * value).toFixed(2)} %`
}
function share(of: readonly Shown[], what: 'utilisation' | 'abandonedShare'): string {
  return percent(of.reduce((sum, s) => sum + s[what], 0) / of.length)
}
function worst(of: readonly Shown[], what: 'abandonedShare' | 'worstHour'): string {
  return percent(Math.max(...of.map((s) => s[what])))
}
/** Half of a 95 % interval of the mean. */
function interval(of: readonly Shown[]): string {
  const mean = of.reduce((sum, s) => sum + s.utilisation, 0) / of.length
  const variance = of.reduce((sum, s) => sum + (s.utilisation - mean) ** 2, 0) / Math.max(1, of.length - 1)
  return percent(1.96 * Math.sqrt(variance / of.length))
}
