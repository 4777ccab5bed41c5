// What could not be read is set aside under one key, where it can be saved as a file and read again; in the ledger other entries stand in its place. In this
// order, so that a start that is cut short loses nothing of it and is made again.
import * as z from 'zod'
import { checksumOf, type KeyValue } from '@/services/storage'
import { compressed, type OpenChunk, readChunk } from './chunks'
import type { LeftOut } from './fold'
import { pieceOf } from './pieces'
import { closedThrough } from './shelf'
import { type ChunkRange, chunkKey, DAMAGED_KEY, EDITION_KEY, rangesOf } from './store'

const LeftOutSchema = z.object({
  fromSeq: z.number(),
  toSeq: z.number(),
  because: z.enum(['unreadable', 'contradicts', 'missing']).default('unreadable'),
  reason: z.string(),
  lines: z.array(z.object({ seq: z.number(), line: z.string() })),
  /** Chunks of which no line could be had, as they were stored. */
  parts: z.array(z.unknown()),
})
type SetAside = z.infer<typeof LeftOutSchema>

export const editionOf = async (store: KeyValue): Promise<number> =>
  z
    .number()
    .catch(0)
    .parse(await store.get(EDITION_KEY))

/** Everything that was ever set aside, also by earlier versions, which kept whole chunks. */
const readAside = async (store: KeyValue): Promise<readonly unknown[]> =>
  z
    .array(z.unknown())
    .catch([])
    .parse(await store.get(DAMAGED_KEY))

/** Sets aside what was left out, and puts what stands in its place into the chunks. */
export async function setAside(store: KeyValue, ranges: readonly ChunkRange[], leftOut: readonly LeftOut[]): Promise<void> {
  const unread: { readonly key: string; readonly value: unknown }[] = []
  const touched = ranges.filter((r) => leftOut.some((l) => l.fromSeq <= r.toSeq && l.toSeq >= r.fromSeq))
  for (const { key } of touched) if ((await readChunk(store, key)) === null) unread.push({ key, value: await store.get(key) })
  const news = leftOut.map(
    ({ fromSeq, toSeq, because, reason, lines }, i): SetAside => ({ fromSeq, toSeq, because, reason, lines: [...lines], parts: i === 0 ? unread : [] }),
  )
  await store.set(DAMAGED_KEY, [...(await readAside(store)), ...news])
  const instead = new Map(leftOut.flatMap((l) => l.instead.map((line, i) => [l.fromSeq + i, line] as const)))
  await putInto(store, touched, instead)
  await fillGaps(store, ranges, leftOut, instead)
  await forgetSnapshots(store, Math.min(...leftOut.map((l) => l.fromSeq)))
}

/** What can be read, and is not what was written, is gone on from; as it was found it is set aside, and said once. */
export async function keepAltered(store: KeyValue, ranges: readonly ChunkRange[]): Promise<void> {
  const parts = await Promise.all(ranges.map(async ({ key }) => ({ key, value: await store.get(key) })))
  await store.set(DAMAGED_KEY, [...(await readAside(store)), { reason: 'altered', afterSeq: 0, parts }])
  await putInto(store, ranges, new Map())
}

/** The floor opens anew: nothing of the ledger can be gone on from. All of it is set aside as it is. */
export async function setAsideWhole(store: KeyValue, ranges: readonly ChunkRange[], reason: string): Promise<void> {
  const parts = await Promise.all(ranges.map(async ({ key }) => ({ key, value: await store.get(key) })))
  await store.set(DAMAGED_KEY, [...(await readAside(store)), { reason, afterSeq: 0, parts }])
  for (const { key } of ranges) await store.remove(key)
  await forgetSnapshots(store, 0)
}

/** How many of the entries that were set aside can come back with this version, and what is wrong with the first that cannot; null when none was. */
export async function readableAside(store: KeyValue): Promise<{ readonly count: number; readonly problem: string | null } | null> {
  const aside = await readAside(store)
  if (aside.length === 0) return null
  const problem = aside.map(problemOf).find((p) => p !== null) ?? null
  return { count: canComeBack(aside).flatMap((a) => a.lines).length, problem }
}

/** Puts what was set aside and can be read by now back into its places, for the floor to be folded anew. Gives how many entries came back. */
export async function readAgain(store: KeyValue): Promise<number> {
  const aside = await readAside(store)
  const coming = canComeBack(aside)
  const back = new Map(coming.flatMap((a) => a.lines).map(({ seq, line }) => [seq, line] as const))
  if (back.size === 0) return 0
  const ranges = rangesOf(await store.keys())
  // Snapshots first: should this be cut short, the ledger is folded over what has come back.
  await forgetSnapshots(store, Math.min(...back.keys()))
  await putInto(
    store,
    ranges.filter(({ fromSeq, toSeq }) => [...back.keys()].some((seq) => seq >= fromSeq && seq <= toSeq)),
    back,
  )
  await store.set(
    DAMAGED_KEY,
    aside.filter((a) => !coming.some((c) => c.of === a)),
  )
  return back.size
}

/**
 * The decisions of which every line is there and can be read, with what of the store they are. One that was left out only because it could not follow on
 * what was lost before it stays as long as that does.
 */
function canComeBack(aside: readonly unknown[]): readonly { readonly of: unknown; readonly lines: SetAside['lines'] }[] {
  let lostFrom = Infinity
  return aside
    .map((of) => ({ of, ...LeftOutSchema.safeParse(of) }))
    .toSorted((a, b) => (a.data?.fromSeq ?? 0) - (b.data?.fromSeq ?? 0))
    .flatMap(({ of, data }) => {
      if (data === undefined) return []
      const stays = problemOf(of) !== null || (data.because === 'contradicts' && data.fromSeq > lostFrom)
      if (!stays) return [{ of, lines: data.lines }]
      lostFrom = Math.min(lostFrom, data.fromSeq)
      return []
    })
}

function problemOf(aside: unknown): string | null {
  const parsed = LeftOutSchema.safeParse(aside)
  if (!parsed.success) return 'it was set aside by an earlier version, and the floor has gone on in its place'
  const { fromSeq, toSeq, lines, reason } = parsed.data
  if (lines.length !== toSeq - fromSeq + 1) return reason
  return lines.map(({ seq, line }) => pieceOf(seq, line).problem).find((p) => p !== null) ?? null
}

async function putInto(store: KeyValue, ranges: readonly ChunkRange[], lines: ReadonlyMap<number, string>): Promise<void> {
  await store.set(EDITION_KEY, (await editionOf(store)) + 1)
  const closedSeq = await closedThrough(store)
  for (const { key, fromSeq, toSeq } of ranges) {
    const stored = (await readChunk(store, key))?.text.split('\n') ?? []
    const text = Array.from({ length: toSeq - fromSeq + 1 }, (_, i) => `${lines.get(fromSeq + i) ?? stored[i] ?? ''}\n`).join('')
    const chunk: OpenChunk = { fromSeq, toSeq, text, checksum: checksumOf(text) }
    await store.set(key, toSeq <= closedSeq ? await compressed(chunk) : chunk)
  }
}

/** Where there was no chunk at all one is made. */
async function fillGaps(store: KeyValue, ranges: readonly ChunkRange[], leftOut: readonly LeftOut[], lines: ReadonlyMap<number, string>): Promise<void> {
  const isThere = (seq: number) => ranges.some((r) => r.fromSeq <= seq && r.toSeq >= seq)
  let gap: number[] = []
  const close = async () => {
    const [fromSeq, toSeq] = [gap[0], gap.at(-1)]
    if (fromSeq === undefined || toSeq === undefined) return
    const text = gap.map((seq) => `${lines.get(seq)}\n`).join('')
    await store.set(chunkKey(fromSeq, toSeq), { fromSeq, toSeq, text, checksum: checksumOf(text) } satisfies OpenChunk)
    gap = []
  }
  for (const { fromSeq, toSeq } of leftOut)
    for (let seq = fromSeq; seq <= toSeq; seq++) {
      if (isThere(seq) || (gap.length > 0 && gap.at(-1) !== seq - 1)) await close()
      if (!isThere(seq)) gap.push(seq)
    }
  await close()
}

async function forgetSnapshots(store: KeyValue, fromSeq: number): Promise<void> {
  for (const key of await store.keys()) if (key.startsWith('snapshot/') && Number(key.slice('snapshot/'.length)) >= fromSeq) await store.remove(key)
}
