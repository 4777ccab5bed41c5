// Which script a call runs: the first of its queue's choices that fits the way the caller came in and their group, otherwise the
// queue's own; none is a choice as well. No schema here, because screens ask it while a call rings.
import type { QueueSetUp } from './queue'

/** What is known of a call when its script is chosen. */
export interface ScriptSeeker {
  readonly path: string | null
  readonly group: string | null
}

export function chosenScriptId(
  { scriptId, scriptChoices }: Pick<QueueSetUp, 'scriptId' | 'scriptChoices'>,
  { path, group }: ScriptSeeker,
): QueueSetUp['scriptId'] {
  const fits = scriptChoices.find((c) => (c.path === null || c.path === path) && (c.group === null || c.group === group))
  return fits === undefined ? scriptId : fits.scriptId
}
