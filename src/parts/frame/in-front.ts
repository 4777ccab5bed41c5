// What the desk has in front of it: the work of the line in front, and the script that goes with it.

import type { Script } from '@/core/scripts'
import { chosenScriptId } from '@/core/set-up'
import { behalfOf, type Work } from '@/core/work'
import type { CallView, CentreView, MeView } from '@/services/exchange/protocol'

/** The version the run began with; before it begins, the one that will open. */
export function scriptOf(centre: CentreView, work: Work): Script | null {
  const { scripts, archivedScriptIds } = centre
  const { run } = work
  if (run !== null) return scripts.find((s) => s.id === run.scriptId && s.version === run.version) ?? scripts.findLast((s) => s.id === run.scriptId) ?? null
  const id = scriptIdFor(centre, work)
  return id === null || archivedScriptIds.includes(id) ? null : (scripts.findLast((s) => s.id === id) ?? null)
}

/** Which script will open when a ringing call is answered, so that it can be read already. */
function scriptIdFor(centre: CentreView, { queueId, path, customer, campaign }: Work): string | null {
  const { campaignId } = behalfOf({ queueId, campaign })
  if (campaignId !== null) return centre.campaigns.find((c) => c.id === campaignId)?.scriptId ?? null
  const queue = centre.queues.find((q) => q.id === queueId)
  return queue === undefined ? null : chosenScriptId(queue, { path, group: customer?.group ?? null })
}

/** The work of the line in front, or of the one it consults about; with no line, or one that is no work, the call that owes its outcome. */
export function workInFront(line: CallView | undefined, work: readonly Work[], me: MeView): Work | undefined {
  const id = line?.call.workId ?? me.wrapUp?.callId
  return work.find((w) => w.id === id)
}
