// PINs and keys on a disk that dies or says no, whichever write it is.
import { expect, test } from 'vitest'
import { toAgentId } from '@/core/ids'
import type { KeyValue } from '@/services/storage'
import { atEveryWrite } from '@/services/storage/testing'
import { makePinSecret, openAccounts } from '.'

const [IDA, BO] = [toAgentId('agent_ida'), toAgentId('agent_bo')]
const PUBLISHED = await makePinSecret('2417', 10)
const open = (store: KeyValue, isNew: boolean, now = () => 0) =>
  openAccounts({ store, now, initial: new Map([[IDA, PUBLISHED]]), found: new Map(), isNew, rounds: 10 })

test('what was acknowledged opens, what was void stays void, and nothing is ever unreadable', async () => {
  /** What somebody has been told is so. */
  const newDone = () => ({ begun: false, pins: ['2417'], next: null as string | null, bo: null as string | null, key: null as string | null, isVoid: false })
  const writes = await atEveryWrite(
    async (store, done) => {
      const accounts = await open(store, true)
      done.begun = true
      for (const pin of ['86420', '97531']) {
        done.next = pin
        if ((await accounts.setPin(IDA, pin)).ok) done.pins.push(pin)
      }
      done.next = null
      if ((await accounts.setPin(BO, '3108')).ok) done.bo = '3108'
      done.key = await accounts.giveKey(BO)
      await accounts.keyInUse(done.key, true)
      await accounts.verify(IDA, '0000')
      await accounts.forgetKey(done.key)
      done.isVoid = true
    },
    newDone,
    async (disk, done, where) => {
      if (!done.begun) return
      // Waits after wrong PINs are over.
      let hours = 0
      const accounts = await open(disk, false, () => ++hours * 3_600_000)
      expect(accounts.unreadable(), where).toBe(false)
      const opens: string[] = []
      for (const pin of ['2417', '86420', '97531']) if ((await accounts.verify(IDA, pin)).ok) opens.push(pin)
      expect(opens, where).toHaveLength(1)
      // The latest that was acknowledged, or the one that was being set.
      expect([done.pins.at(-1), done.next], where).toContain(opens[0])
      if (done.bo !== null) expect((await accounts.verify(BO, done.bo)).ok, where).toBe(true)
      if (done.isVoid) expect(await (await open(disk, false)).ownerOf(done.key ?? ''), where).toBeNull()
      // It goes on.
      expect((await accounts.setPin(IDA, '11223')).ok, where).toBe(true)
      expect((await (await open(disk, false)).verify(IDA, '11223')).ok, where).toBe(true)
    },
  )
  expect(writes).toBeGreaterThan(10)
})
