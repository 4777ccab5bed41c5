// Plans of shifts that were kept, a day each, by the centre.
import { useMemo } from 'react'
import * as z from 'zod'
import { AgentIdSchema } from '@/core/ids'
import { SETTINGS } from '@/parts/ui'
import { useKept } from '@/services/exchange/use-kept'

const Quarter = z.number().int().min(0).max(100)
const Stretch = z.object({ from: Quarter, to: Quarter })
const PlanSchema = z.object({
  need: z.array(z.number().int().min(0)),
  /** `agentId`: whose it is; null for nobody's yet. */
  shifts: z.array(Stretch.extend({ breaks: z.array(Stretch), agentId: AgentIdSchema.nullable().default(null) })),
  cost: z.number(),
  bound: z.number(),
})

/** What a plan comes to: who is on shift when, what it was laid for. */
export type KeptPlan = z.infer<typeof PlanSchema>
export type KeptShift = KeptPlan['shifts'][number]

export function useKeptPlan(day: string): readonly [KeptPlan | null, (plan: KeptPlan | null) => void] {
  const [text, setText] = useKept(SETTINGS, 'centre', `plan of ${day}`, '')
  const plan = useMemo(() => read(text), [text])
  return [plan, (next) => setText(next === null ? '' : JSON.stringify(next))]
}

function read(text: string): KeptPlan | null {
  try {
    return PlanSchema.safeParse(JSON.parse(text)).data ?? null
  } catch {
    return null
  }
}

export const presentAt = ({ shifts }: Pick<KeptPlan, 'shifts'>, q: number): number => shifts.filter((s) => s.from <= q && q < s.to).length
