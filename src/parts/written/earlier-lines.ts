// Lines of a thread that a tab does not hold: asked for a page at a time, or all of them.
import type { Line } from '@/core/threads'
import type { ThreadView } from '@/services/exchange/protocol'
import type { useFloor } from '@/services/exchange/react'

type Floor = ReturnType<typeof useFloor>

/** The page before a line; null when the floor did not answer. */
export async function linesBefore(floor: Floor, threadId: ThreadView['id'], beforeNo: number): Promise<readonly Line[] | null> {
  const reply = await floor?.ask({ kind: 'threadLines', threadId, beforeNo })
  return reply?.ok === true && reply.text !== null ? (JSON.parse(reply.text) as readonly Line[]) : null
}

/** Everything that was said, from its first line. Throws when the floor does not answer. */
export async function allLines(floor: Floor, { id, lines }: Pick<ThreadView, 'id' | 'lines'>): Promise<readonly Line[]> {
  let all = lines
  while ((all[0]?.no ?? 1) > 1) {
    const page = await linesBefore(floor, id, all[0]?.no ?? 1)
    if (page === null || page.length === 0) throw new Error('its earlier lines did not come')
    all = [...page, ...all]
  }
  return all
}
