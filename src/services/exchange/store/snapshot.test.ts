import { describe, expect, test } from 'vitest'
import { decide } from '@/core/floor'
import { copyOf, type FloorState } from '@/core/state'
import { ANN, aReadyFloor, arrives } from '@/core/testing'
import { type KeyValue, memoryStore } from '@/services/storage'
import { createSnapshots, readSnapshot } from './snapshot'
import { snapshotKey } from './store'
import { createWriter } from './writer'

/** A floor with a long do-not-call list, and somebody who has to do with it. */
function aListedFloor(count: number): FloorState {
  const state = aReadyFloor([ANN]).state()
  const entries = Array.from({ length: count }, (_, i) => ({ whom: { number: `+33199${String(i).padStart(6, '0')}` }, why: 'Asked us' }))
  give(state, { kind: 'addDoNotCall', agentId: ANN, entries })
  return state
}

function give(state: FloorState, command: Parameters<typeof decide>[1]): void {
  const decision = decide(state, command, { atMs: state.atMs + 1_000 })
  if (!decision.ok) throw new Error(decision.refusal.reason)
}

/** What is written, by key, and storage that says no at a certain write. */
function counted() {
  const disk = memoryStore()
  const log = { written: [] as string[], refuse: 0 }
  const store: KeyValue = {
    ...disk,
    set: async (key, value) => {
      log.written.push(key)
      if (log.written.length === log.refuse) throw new DOMException('the disk is full', 'QuotaExceededError')
      await disk.set(key, value)
    },
  }
  return { store, log, listParts: () => log.written.filter((key) => key.startsWith('part/doNotCall')).length }
}

describe('a snapshot', () => {
  test('comes back as the floor it was taken of, whatever has become of the floor since', async () => {
    const { store } = counted()
    const state = aListedFloor(3_000)
    give(state, arrives())
    const snapshots = createSnapshots(store)
    const captured = snapshots.capture(state)
    const then = copyOf(state)
    give(state, { kind: 'answer', agentId: ANN, callId: [...state.calls.values()][0]?.id as never })
    await snapshots.write(captured)
    expect(await readSnapshot(store, snapshotKey(then.seq))).toEqual(then)
  })

  test('writes anew what has changed and nothing else: a call leaves a long list alone, one entry of it costs one share', async () => {
    const { store, log, listParts } = counted()
    const state = aListedFloor(3_000)
    const snapshots = createSnapshots(store)
    await snapshots.write(snapshots.capture(state))
    expect(listParts()).toBe(64)
    log.written = []
    give(state, arrives())
    await snapshots.write(snapshots.capture(state))
    expect(listParts()).toBe(0)
    expect(log.written.some((key) => key.startsWith('part/calls'))).toBe(true)
    give(state, { kind: 'addDoNotCall', agentId: ANN, entries: [{ whom: { number: '+441632960150' }, why: 'Asked us' }] })
    await snapshots.write(snapshots.capture(state))
    expect(listParts()).toBe(1)
    // A table that has become empty is empty when it comes back.
    give(state, { kind: 'callerHangsUp', callId: [...state.calls.keys()][0] as never })
    give(state, { kind: 'passTime' })
    expect(state.calls.size).toBe(0)
    await snapshots.write(snapshots.capture(state))
    expect(await readSnapshot(store, snapshotKey(state.seq))).toEqual(state)
  })

  test('refused in the middle, it is made good by the next one', async () => {
    for (const place of [1, 2, 30, 66]) {
      const { store, log } = counted()
      const state = aListedFloor(500)
      const snapshots = createSnapshots(store)
      log.refuse = place
      await expect(snapshots.write(snapshots.capture(state)).then(() => 'written')).rejects.toThrow('full')
      give(state, arrives())
      await snapshots.write(snapshots.capture(state))
      expect(await readSnapshot(store, snapshotKey(state.seq)), `refused at ${place}`).toEqual(state)
    }
  })

  test('shares its parts with the former one, and takes those with it that nobody needs', async () => {
    const { store } = counted()
    const state = aListedFloor(200)
    const snapshots = createSnapshots(store)
    const seqs: number[] = []
    for (let n = 0; n < 4; n++) {
      give(state, arrives())
      await snapshots.write(snapshots.capture(state))
      seqs.push(state.seq)
    }
    const [, , former = 0, last = 0] = seqs
    const before = copyOf(state)
    await snapshots.tidy(former)
    expect((await store.keys()).filter((key) => key.startsWith('snapshot/')).sort()).toEqual([snapshotKey(former), snapshotKey(last)])
    expect((await readSnapshot(store, snapshotKey(former)))?.seq).toBe(former)
    expect(await readSnapshot(store, snapshotKey(last))).toEqual(before)
    const parts = (await store.keys()).filter((key) => key.startsWith('part/'))
    await snapshots.tidy(last)
    expect((await store.keys()).filter((key) => key.startsWith('part/')).length).toBeLessThan(parts.length)
    expect(await readSnapshot(store, snapshotKey(last))).toEqual(before)
  })

  test('with a part that is torn or gone it is passed over', async () => {
    for (const harm of ['torn', 'gone'] as const) {
      const { store } = counted()
      const state = aListedFloor(100)
      const snapshots = createSnapshots(store)
      await snapshots.write(snapshots.capture(state))
      const part = (await store.keys()).find((key) => key.startsWith('part/agents')) as string
      if (harm === 'gone') await store.remove(part)
      else await store.set(part, { text: '[["agent_ann",', checksum: 1 })
      expect(await readSnapshot(store, snapshotKey(state.seq))).toBeNull()
    }
  })

  test('is taken after a long list has come in, once it is quiet, and not before', async () => {
    const { store, log } = counted()
    const state = aReadyFloor([ANN]).state()
    const timers: (() => void)[] = []
    const writer = createWriter({
      store,
      storedSeq: 0,
      snapshotSeq: 0,
      onStored: () => {},
      onTrouble: () => {},
      onCleared: () => {},
      later: (_, again) => timers.push(again),
    })
    const isTaken = () => log.written.some((key) => key.startsWith('snapshot/'))
    let next = 0
    const listed = async (count: number) => {
      const entries = Array.from({ length: count }, () => ({ whom: { number: `+33199${String(next++).padStart(6, '0')}` }, why: 'Asked us' }))
      const decision = decide(state, { kind: 'addDoNotCall', agentId: ANN, entries }, { atMs: state.atMs + 1_000 })
      if (!decision.ok) throw new Error(decision.refusal.reason)
      writer.append(decision.entries, state)
      await writer.flushed()
    }
    await listed(500)
    expect(timers).toEqual([])
    for (let i = 0; i < 40; i++) await listed(500)
    expect(timers).toHaveLength(1)
    // More of it has come meanwhile: it is not over.
    for (let i = 0; i < 4; i++) await listed(500)
    timers.shift()?.()
    await expect.poll(() => timers.length).toBe(1)
    expect(isTaken()).toBe(false)
    await listed(1)
    timers.shift()?.()
    await expect.poll(isTaken).toBe(true)
    await writer.flushed()
    expect(await readSnapshot(store, snapshotKey(state.seq))).toEqual(state)
    await listed(1)
    expect(timers).toEqual([])
  })
})
