// The predictive pacer: one more attempt is launched while the chance that its person would be met by nobody is at most what the steering allows. That chance
// is asked at a few quantiles of when the person would be there: as many people there before as agents free by then, or more. Everything it needs it learns
// from what it is shown.
import { BIN_MS, createHazard } from './hazard'
import type { Observation, Pacer, PacerConfig, PacingEvent, PacingReasons, Since } from './interface'
import { createRace } from './race'
import { creditOf, riskFor, TUNED, type Tuning } from './steering'
import { add, Convolution, type Moments, normalTail } from './tail'

const QUANTILES = 6
const FORGETS_OVER_MS = 720_000
const RECENT_MS = 300_000
const LEARNS_EVERY_MS = 1_000
const TABLES_EVERY_MS = 3_000
/** So many agents are reckoned with exactly; above, by moments. */
const EXACT_UP_TO = 25
/** From the verdict to the limit, before any was abandoned: the verdict comes a while after the greeting. */
const PATIENCE_SHARE = 0.75
/** Attempts and talks that must have ended before anything is reckoned with them: as many for each agent, and no more than this. */
const KNOWN_FROM = { attempts: 200, attemptsEach: 6, talks: 120, talksEach: 1 }
const LONGEST_TALK_MS = 900_000
const LONGEST_WRAP_MS = 240_000

export function createPacer(config: PacerConfig, tuning: Tuning = TUNED): Pacer {
  const ring = createRace({ longestMs: Math.max(config.ringLimitMs, 5_000), medianMs: 10_000, sigma: 0.45, share: 0.4, weight: 15 })
  const verdict = createRace({ longestMs: 12_000, medianMs: 2_000, sigma: 0.4, share: 0.6, weight: 6 })
  const talk = createHazard({ medianMs: 55_000, sigma: 1, weight: 15, longestMs: LONGEST_TALK_MS })
  const wrap = createHazard({ medianMs: 17_000, sigma: 0.6, weight: 10, longestMs: LONGEST_WRAP_MS })
  /** Handled, and away afterwards. */
  let [handled, breaks] = [20, 0.6]
  /** Attempts and talks that have ended. */
  let [heard, talked] = [0, 0]
  let patienceMs = config.connectLimitMs * PATIENCE_SHARE
  const liveAt = new Map<number | string, number>()

  /** Bins from now until a person of a fresh attempt would be there, at each quantile; and until their patience is at its end. */
  const landsIn = new Int32Array(QUANTILES)
  const freeBy = new Int32Array(QUANTILES)
  /** By quantile and age: a ringing attempt, or one that was picked up, has become a person by then. */
  const landing = createTables(ring.bins)
  const picked = createTables(verdict.bins)
  /** By quantile and age: an agent in talk, or in wrap-up, is free by then. */
  const talks = createTables(LONGEST_TALK_MS / BIN_MS)
  const wraps = createTables(LONGEST_WRAP_MS / BIN_MS)
  let [learntAtMs, tablesAtMs] = [-Infinity, -Infinity]
  let [liveRate, medianLandingMs] = [0, 0]
  let said: Pick<PacingReasons, 'risk' | 'lastTaken' | 'firstLeft' | 'credit'> = { risk: 0, lastTaken: null, firstLeft: null, credit: 0 }
  let expects: PacingReasons['ahead'] = []
  const sums: readonly Convolution[] = Array.from({ length: QUANTILES }, () => new Convolution())
  const moments: readonly Moments[] = Array.from({ length: QUANTILES }, () => ({ mean: 0, variance: 0, third: 0 }))

  const learn = (o: Observation) => {
    // The answer rate drifts: what was seen of it a quarter of an hour ago is old, but less than so many are chance.
    const lately = Math.min(700, Math.max(90, FORGETS_OVER_MS * (o.recent.finished / Math.min(RECENT_MS, Math.max(1, o.nowMs)))))
    ring.learn(o.ringing, lately)
    verdict.learn(o.detecting, Math.max(60, lately / 2))
    const bins = ring.bins + verdict.bins
    // A fresh attempt: the chance to have become a person by each bin.
    const fresh = new Float64Array(bins + 1)
    const v = verdict.wins
    for (let u = 1; u <= bins; u++) {
      let sum = 0
      for (let j = 1; j <= Math.min(u, ring.bins); j++)
        sum += ((ring.wins[j] as number) - (ring.wins[j - 1] as number)) * (v[Math.min(verdict.bins, u - j)] as number)
      fresh[u] = sum
    }
    liveRate = Math.max(1e-4, fresh[bins] as number)
    let u = 0
    const patience = Math.round(patienceMs / BIN_MS)
    for (let i = 0; i < QUANTILES; i++) {
      while (u < bins && (fresh[u] as number) < liveRate * ((i + 0.5) / QUANTILES)) u++
      landsIn[i] = u
      freeBy[i] = u + patience
    }
    medianLandingMs = (((landsIn[2] as number) + (landsIn[3] as number)) / 2) * BIN_MS
    landing.are((age, i) => {
      const alive = ring.survives[age] as number
      if (alive < 1e-6) return 0
      let sum = 0
      const until = landsIn[i] as number
      for (let j = 1; j <= until && age + j <= ring.bins; j++)
        sum += ((ring.wins[age + j] as number) - (ring.wins[age + j - 1] as number)) * (v[Math.min(verdict.bins, until - j)] as number)
      return sum / alive
    })
    picked.are((age, i) => {
      const alive = verdict.survives[age] as number
      return alive < 1e-6 ? 0 : ((v[Math.min(verdict.bins, age + (landsIn[i] as number))] as number) - (v[age] as number)) / alive
    })
  }

  const learnTalk = (o: Observation) => {
    const [t, w] = [talk.cdf(o.agentsTalking), wrap.cdf(o.agentsInWrapUp)]
    const stays = 1 - breaks / handled
    const [lastT, lastW] = [t.length - 1, w.length - 1]
    talks.are((age, i) => {
      const alive = 1 - (t[age] as number)
      if (alive < 1e-6) return stays
      let sum = 0
      const until = freeBy[i] as number
      for (let j = 1; j <= until && age + j <= lastT; j++)
        sum += ((t[age + j] as number) - (t[age + j - 1] as number)) * (w[Math.min(lastW, until - j)] as number)
      return Math.min(1, (sum / alive) * stays)
    })
    wraps.are((age, i) => {
      const alive = 1 - (w[age] as number)
      return alive < 1e-6 ? stays : Math.min(1, (((w[Math.min(lastW, age + (freeBy[i] as number))] as number) - (w[age] as number)) / alive) * stays)
    })
  }

  /** What is under way, at one quantile: agents free for certain, and what each chance adds. */
  const reckon = (o: Observation, i: number, chance: (p: number, sign: 1 | -1) => void) => {
    const each = (of: readonly Since[], table: Tables, sign: 1 | -1) => {
      for (const { elapsedMs } of of) chance(table.at(elapsedMs, i), sign)
    }
    each(o.agentsTalking, talks, 1)
    each(o.agentsInWrapUp, wraps, 1)
    each(o.detecting, picked, -1)
    each(o.ringing, landing, -1)
  }

  return {
    decide(o) {
      const isNew = learntAtMs === -Infinity
      if (o.nowMs - learntAtMs >= LEARNS_EVERY_MS) {
        learn(o)
        learntAtMs = o.nowMs
        if (isNew) learnTalk(o)
        expects = Array.from({ length: QUANTILES }, (_, i) => ahead(o, i))
      } else if (o.nowMs - tablesAtMs >= TABLES_EVERY_MS) {
        // Not in the same tick: neither should take long.
        learnTalk(o)
        tablesAtMs = o.nowMs
      }
      const risk = riskFor(o, tuning)
      const certain = o.agentsIdle - o.waiting.length
      const exact = o.agentsLoggedOn <= EXACT_UP_TO
      for (let i = 0; i < QUANTILES; i++) {
        const sum = sums[i] as Convolution
        const m = moments[i] as Moments
        sum.reset(certain)
        m.mean = certain
        m.variance = m.third = 0
        reckon(o, i, (p, sign) => {
          if (!exact) add(m, p, 1, sign)
          else if (sign === 1) sum.plus(p)
          else sum.minus(p)
        })
      }
      let count = 0
      let [lastTaken, firstLeft]: [number | null, number | null] = [null, null]
      // What is not known yet is wrong for all of them at once, and most of it where there are many agents: until then it is one attempt for each who is free.
      const known =
        heard >= Math.min(KNOWN_FROM.attempts, KNOWN_FROM.attemptsEach * o.agentsLoggedOn) &&
        talked >= Math.min(KNOWN_FROM.talks, KNOWN_FROM.talksEach * o.agentsLoggedOn)
      const most = known ? o.linesFree : Math.min(o.linesFree, certain - o.ringing.length - o.detecting.length)
      while (count < most) {
        let chance = 0
        for (let i = 0; i < QUANTILES; i++) chance += (exact ? (sums[i] as Convolution).notAboveNothing() : normalTail(moments[i] as Moments)) / QUANTILES
        if (chance > risk) {
          firstLeft = chance
          break
        }
        lastTaken = chance
        count++
        for (let i = 0; i < QUANTILES; i++) {
          const p = landing.at(0, i)
          if (exact) (sums[i] as Convolution).minus(p)
          else add(moments[i] as Moments, p, 1, -1)
        }
      }
      said = { risk, lastTaken: lastTaken ?? said.lastTaken, firstLeft, credit: creditOf(o) }
      return count
    },

    observe(event: PacingEvent) {
      const { call } = event
      switch (event.type) {
        case 'answered':
          return ring.won(event.ringMs)
        case 'failed':
          heard++
          return ring.lost(event.elapsedMs)
        case 'live':
          heard++
          if (call !== undefined) liveAt.set(call, event.nowMs)
          return verdict.won(event.sinceAnswerMs)
        case 'machine':
          heard++
          return verdict.lost(event.sinceAnswerMs)
        case 'abandon': {
          const since = call === undefined ? undefined : liveAt.get(call)
          // How long somebody who was taken live is there for an agent.
          if (since !== undefined) patienceMs += (event.nowMs - since - patienceMs) * 0.1
          if (call !== undefined) liveAt.delete(call)
          return
        }
        case 'connect':
          if (call !== undefined) liveAt.delete(call)
          return
        case 'talkEnd':
          talked++
          return talk.ended(event.talkMs)
        case 'wrapEnd':
          handled++
          return wrap.ended(event.wrapMs)
        case 'break':
          breaks++
      }
    },

    reasons: () => ({ ...said, liveRate, medianLandingMs, ahead: expects }),
  }

  function ahead(o: Observation, i: number): PacingReasons['ahead'][number] {
    let [agentsFree, people] = [o.agentsIdle, o.waiting.length]
    reckon(o, i, (p, sign) => {
      if (sign === 1) agentsFree += p
      else people += p
    })
    return { inMs: (landsIn[i] as number) * BIN_MS, agentsFree, people }
  }
}

interface Tables {
  /** What it is from now on; reckoned when it is first asked for. */
  are(of: (age: number, quantile: number) => number): void
  at(elapsedMs: number, quantile: number): number
}

/** A chance by age in bins and quantile. */
function createTables(last: number): Tables {
  const known = Array.from({ length: QUANTILES }, () => new Float64Array(last + 1))
  let reckon: (age: number, quantile: number) => number = () => 0
  return {
    are(of) {
      reckon = of
      for (const table of known) table.fill(-1)
    },
    at(elapsedMs, quantile) {
      const age = Math.min(last, Math.max(0, Math.round(elapsedMs / BIN_MS)))
      const table = known[quantile] as Float64Array
      const found = table[age] as number
      if (found >= 0) return found
      const chance = Math.min(1, Math.max(0, reckon(age, quantile)))
      table[age] = chance
      return chance
    },
  }
}
