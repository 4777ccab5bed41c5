// What the desk has in front of it: the contact of the line in front, and the script that goes with it.
import type { Contact } from '@/core/contacts'
import type { Script } from '@/core/scripts'
import { chosenScriptId } from '@/core/set-up'
import type { CallView, FloorView, MeView } from '@/exchange/protocol'

/** The version the run began with; before it begins, the one that will open. */
export function scriptOf(view: FloorView, contact: Contact): Script | null {
  const { scripts, archivedScriptIds } = view.centre
  const { run } = contact
  if (run !== null) return scripts.find((s) => s.id === run.scriptId && s.version === run.version) ?? scripts.findLast((s) => s.id === run.scriptId) ?? null
  const id = scriptIdFor(view, contact)
  return id === null || archivedScriptIds.includes(id) ? null : (scripts.findLast((s) => s.id === id) ?? null)
}

/** Which script will open when a ringing call is answered, so that it can be read already. */
function scriptIdFor({ centre }: FloorView, { queueId, path, customer }: Contact): string | null {
  const queue = centre.queues.find((q) => q.id === queueId)
  return queue === undefined ? null : chosenScriptId(queue, { path, group: customer?.group ?? null })
}

/** The contact of the line in front, or of the one it consults about; with no line, the call that owes its outcome. */
export function contactInFront(line: CallView | undefined, contacts: readonly Contact[], me: MeView): Contact | undefined {
  const callId = line?.call.consultFor ?? line?.call.id ?? me.wrapUp?.callId
  return contacts.find((c) => c.callId === callId) ?? contacts.find((c) => c.callId === line?.call.id)
}
