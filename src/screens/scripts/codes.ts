// Which queues run a script, and which outcomes its calls may be coded with.
import type { OutcomeCode } from '@/core/outcomes'
import type { SetUp } from '@/core/set-up'

const running = (setUp: SetUp, scriptId: string) =>
  setUp.queues.filter((q) => !q.retired && [q.scriptId, ...q.scriptChoices.map((c) => c.scriptId)].some((id) => id === scriptId))

export const queuesOf = (setUp: SetUp, scriptId: string): readonly string[] => running(setUp, scriptId).map((q) => q.name)

/** null while no queue runs it: then no outcome can be said to be wrong. */
export function codesOf(setUp: SetUp, scriptId: string): readonly OutcomeCode[] | null {
  const setIds = new Set(running(setUp, scriptId).map((q) => q.outcomeSetId))
  if (setIds.size === 0) return null
  const codes = setUp.outcomeSets.filter((s) => setIds.has(s.id)).flatMap((s) => s.codes.filter((c) => !c.retired))
  return [...new Map(codes.map((c) => [c.code, c])).values()]
}
