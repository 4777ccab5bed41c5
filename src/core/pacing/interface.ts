// What a pacing function is given and what it answers: the same for the live floor, for a simulated shift and for whoever judges one.

export interface PacerConfig {
  /** Logged on at the start; may change. */
  readonly agents: number
  /** Outside lines this campaign may hold. */
  readonly lines: number
  /** Share of people taken live whom no agent may have reached in time, such as 0.03. */
  readonly abandonCap: number
  readonly tickMs: number
  /** Unanswered attempts are dropped after this. */
  readonly ringLimitMs: number
  /** An agent must be there this long after the end of the person's greeting. */
  readonly connectLimitMs: number
  readonly seed: number
}

export interface Since {
  readonly elapsedMs: number
}

/** Counts and means of a stretch of time. */
export interface PacingSummary {
  readonly attempts: number
  readonly finished: number
  readonly answered: number
  readonly liveAnswers: number
  readonly connects: number
  readonly abandons: number
  readonly handled: number
  readonly meanRingMs: number
  readonly meanTalkMs: number
  readonly meanWrapMs: number
  readonly meanHandleMs: number
}

/** Valid during the call only: whoever makes it may change it afterwards. Arrays are in no order. */
export interface Observation {
  readonly nowMs: number
  readonly tickMs: number
  readonly agentsLoggedOn: number
  readonly agentsIdle: number
  readonly agentsOnBreak: number
  readonly linesFree: number
  readonly linesTotal: number
  readonly abandonCap: number
  readonly idle: readonly Since[]
  readonly agentsTalking: readonly Since[]
  readonly agentsInWrapUp: readonly Since[]
  /** Since the attempt began. */
  readonly ringing: readonly Since[]
  /** Since pick-up. */
  readonly detecting: readonly Since[]
  /** Taken live and with nobody yet; since pick-up. */
  readonly waiting: readonly Since[]
  /** The last five minutes. */
  readonly recent: PacingSummary
  readonly recentHour: PacingSummary
  readonly totals: PacingSummary
}

interface At {
  readonly nowMs: number
  readonly call?: number | string
  readonly agent?: number | string
}

export type PacingEvent = At &
  (
    | { readonly type: 'launch' | 'abandon' | 'ready' | 'break' | 'back' }
    | { readonly type: 'answered'; readonly ringMs: number }
    | { readonly type: 'live' | 'machine'; readonly elapsedMs: number; readonly sinceAnswerMs: number }
    | { readonly type: 'failed'; readonly reason: string; readonly elapsedMs: number }
    | { readonly type: 'connect'; readonly agentIdleMs: number }
    | { readonly type: 'talkEnd'; readonly talkMs: number; readonly machine: boolean }
    | { readonly type: 'wrapEnd'; readonly wrapMs: number }
  )

/** What a pacer believes and why it did what it did. */
export interface PacingReasons {
  /** The chance of being abandoned that it takes for the next person, 0 to 1. */
  readonly risk: number
  /** The chance it reckoned for the last attempt it launched, and for the first it did not; null where there was none. */
  readonly lastTaken: number | null
  readonly firstLeft: number | null
  /** Abandons the cap still allows before the next one is over it; below 0 in debt. */
  readonly credit: number
  /** The chance that an attempt becomes a person taken live. */
  readonly liveRate: number
  /** From the launch of an attempt to a person, half of them at most. */
  readonly medianLandingMs: number
  /** Agents expected to be free, and people expected to be there, so long from now. */
  readonly ahead: readonly { readonly inMs: number; readonly agentsFree: number; readonly people: number }[]
}

export interface Pacer {
  /** Every tick: how many attempts to launch now, a whole number from 0 to `linesFree`. */
  decide(observation: Observation): number
  /** Every event as it happens. */
  observe?(event: PacingEvent): void
  /** Cheap; asked for once a second. */
  reasons?(): PacingReasons
}
