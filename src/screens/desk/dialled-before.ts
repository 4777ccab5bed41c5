'use client'
import { formatDistanceToNowStrict } from 'date-fns'
// Whom the agent has called before, for the dial line: asked for once somebody comes to it.
import { useCallback } from 'react'
import { callerWords, numberWords } from '@/parts/words'
import { floorNow } from '@/services/exchange/floor-time'
import type { LogRow } from '@/services/history/client'
import { useHistory } from '@/services/history/react'
import type { Choice } from './board/targets'

const KEPT = 200
/** How many are offered before anything is typed. */
export const REDIALLED = 10

export function useDialledBefore(isWanted: boolean): readonly LogRow[] {
  const { value } = useHistory(useCallback(async (api) => (isWanted ? api.dialledBefore({ atMost: KEPT, nowMs: floorNow() }) : NONE), [isWanted]))
  return value ?? NONE
}

const NONE: readonly LogRow[] = []

/** Those that fit what is typed, by name or by the digits of the number. */
export function choicesBefore(rows: readonly LogRow[], typed: string): readonly Choice[] {
  const wanted = typed.trim().toLowerCase()
  const digits = wanted.replace(/\D/g, '').replace(/^0+/, '')
  const isNumber = digits !== '' && !/\p{L}/u.test(wanted)
  return rows
    .filter((r) => wanted === '' || (isNumber ? (r.number ?? '').includes(digits) : (r.name ?? '').toLowerCase().includes(wanted)))
    .map((r): Choice => {
      const base = {
        sinceMs: null,
        isFree: false,
        name: callerWords(r.name, r.number, ''),
        kind: `Called ${formatDistanceToNowStrict(r.atMs, { addSuffix: true })}`,
      }
      return r.withAgentId !== null && r.direction === 'internal'
        ? { ...base, key: `before ${r.withAgentId}`, target: { kind: 'agent', agentId: r.withAgentId }, state: 'colleague' }
        : { ...base, key: `before ${r.number}`, target: { kind: 'number', typed: r.number ?? '', name: r.name }, state: numberWords(r.number ?? '') }
    })
}
