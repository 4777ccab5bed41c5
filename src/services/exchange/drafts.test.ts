// What is begun in a piece and not sent: whose it is, who sees it, and how long it lasts.
import { expect, test } from 'vitest'
import { toAgentId } from '@/core/ids'
import { values } from '@/core/table'
import { memoryStore } from '@/services/storage'
import { SAILINGS } from '@/world/scenario'
import { restore } from './store'
import { aFloor, aTab, ELUNED, HELLO, KESTER, LINNEA } from './testing'

type Seat = ReturnType<typeof aTab>
const drafts = async (seat: Seat, threadId: string) => {
  const reply = await seat.ask({ kind: 'drafts', threadId })
  return reply.ok && reply.text !== null ? JSON.parse(reply.text) : reply
}
const keep = (seat: Seat, threadId: string, text: string, aside = false) => seat.ask({ kind: 'keepDraft', threadId, text, aside })

/** Eluned has a mail in hand; Kester and Linnea are there. */
async function withMail() {
  const store = memoryStore()
  const floor = await aFloor({ store })
  const seats = await Promise.all(
    [ELUNED, KESTER, LINNEA].map(async (id) => {
      const seat = aTab(floor.exchange)
      await seat.ask(HELLO)
      await seat.signIn(id)
      expect(await seat.give({ kind: 'startShift', queueIds: id === LINNEA ? [] : [SAILINGS], seat: 'desk' })).toMatchObject({ ok: true })
      return seat
    }),
  )
  const [eluned, kester, linnea] = seats as [Seat, Seat, Seat]
  await eluned.give({ kind: 'goReady' })
  await eluned.ask({ kind: 'writer', channel: 'mail', queueId: SAILINGS, customerId: 'customer_2', patienceMs: null, toMe: true })
  const [thread] = values(floor.exchange.state().threads)
  if (thread === undefined) throw new Error('nobody wrote')
  expect((await eluned.give({ kind: 'takeThread', threadId: thread.id })).ok).toBe(true)
  return { ...floor, store, eluned, kester, linnea, id: thread.id }
}

test('an aside is one until its writer says otherwise: after another tab, after the floor was closed, and when the colleague it was for has gone', async () => {
  const { eluned, exchange, store, id } = await withMail()
  await eluned.give({ kind: 'askIn', threadId: id, toAgentId: KESTER })
  await keep(eluned, id, 'Is he the one who never pays?', true)
  await eluned.give({ kind: 'askOut', threadId: id, toAgentId: KESTER })
  const mine = [{ agentId: ELUNED, text: 'Is he the one who never pays?', aside: true, atMs: exchange.state().atMs }]
  expect(await drafts(eluned, id)).toMatchObject(mine.map(({ atMs: _, ...d }) => d))
  await eluned.give({ kind: 'parkThread', threadId: id, untilMs: exchange.state().atMs + 20 * 3_600_000 })
  await exchange.settled()
  const opened = await aFloor({ store, restored: await restore(store) })
  const again = aTab(opened.exchange)
  await again.ask({ kind: 'hello', key: null, world: null })
  await again.signIn(ELUNED)
  expect(await drafts(again, id)).toMatchObject([{ text: 'Is he the one who never pays?', aside: true }])
  // What is sent is no draft any more.
  await again.give({ kind: 'goReady' })
  await again.give({ kind: 'unparkThread', threadId: id })
  await again.give({ kind: 'takeThread', threadId: id })
  await again.give({ kind: 'writeLine', threadId: id, text: 'Is he the one who never pays?', aside: true })
  expect(await drafts(again, id)).toEqual([])
  expect(opened.exchange.state().threads.get(id)?.lines.at(-1)).toMatchObject({ aside: true })
})

test('it travels with its piece, marked as whose it was, and is nobody else’s to see', async () => {
  const { eluned, kester, linnea, id, exchange } = await withMail()
  await keep(eluned, id, 'Dear Bevan, your dog')
  expect(await drafts(kester, id)).toEqual([])
  expect((await keep(kester, id, 'I was never asked')).ok).toBe(false)
  expect(await eluned.give({ kind: 'askIn', threadId: id, toAgentId: LINNEA })).toMatchObject({ ok: true })
  await keep(linnea, id, 'He has two dogs', true)
  expect(await drafts(eluned, id)).toMatchObject([{ agentId: ELUNED }])
  await kester.give({ kind: 'goReady' })
  await eluned.give({ kind: 'handThreadOn', threadId: id, to: { kind: 'agent', agentId: KESTER } })
  // What was typed in the last moment before it went on still belongs to it.
  await keep(eluned, id, 'Dear Bevan, your dog is welcome')
  await kester.give({ kind: 'takeThread', threadId: id })
  expect(exchange.state().threads.get(id)?.agentId).toBe(KESTER)
  // Whoever was asked in by the one before reads along no more: theirs is left as well.
  expect(await drafts(kester, id)).toMatchObject([
    { agentId: LINNEA, text: 'He has two dogs', aside: true },
    { agentId: ELUNED, text: 'Dear Bevan, your dog is welcome', aside: false },
  ])
  expect((await kester.ask({ kind: 'dropDraft', threadId: id, ofAgentId: LINNEA })).ok).toBe(true)
  expect(await drafts(kester, id)).toMatchObject([{ agentId: ELUNED }])
  // Whose it was has it no more, and takes nothing of it away.
  expect((await eluned.ask({ kind: 'dropDraft', threadId: id, ofAgentId: KESTER })).ok).toBe(false)
})

test('it ends with its piece, and what storage cannot read of it stops nothing', async () => {
  const { eluned, id, store, exchange } = await withMail()
  await keep(eluned, id, 'Begun')
  expect(await store.get(`draft/${id}`)).not.toBeNull()
  await eluned.give({ kind: 'endThread', threadId: id })
  expect(await drafts(eluned, id)).toEqual([])
  await exchange.settled()
  expect(await store.get(`draft/${id}`)).toBeNull()
  await store.set('draft/thread_x_1', { threadId: 'thread_x_1', drafts: [{ agentId: toAgentId('agent_a'), text: 7 }] })
  expect((await aFloor({ store, restored: await restore(store) })).exchange.state().threads.get(id)?.state ?? 'gone').not.toBe('open')
})
