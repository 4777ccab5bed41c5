import { expect, test } from 'vitest'
import type { Command } from '@/core/floor'
import { deviceOutside, toCallId } from '@/core/ids'
import { createLedgerFolder } from '@/core/ledger'
import { ANN, aReadyFloor, arrives, BO } from '@/core/testing'

const call = toCallId('call_test_1')
const rates = (cause: string | null, agentId = ANN) => ({ kind: 'rateSound', agentId, callId: call, cause }) as Command

test('a call is rated by who has it, while it is on and until it is coded; the last word counts, with the path and the line it was heard on', () => {
  const floor = aReadyFloor([ANN, BO])
  floor.give({ kind: 'chooseSoundPath', agentId: ANN, path: 'handset' } as Command)
  floor.give(arrives())
  expect(floor.give({ kind: 'answer', agentId: ANN, callId: call })).toBe('ok')
  expect(floor.give(rates('gaps', BO))).toBe('notYourCall')
  expect(floor.give({ kind: 'lineMeasured', callId: call, deviceId: deviceOutside(call, 1), line: { delayMs: 0, lossRatio: 0.251, burstRatio: 1 } })).toBe('ok')
  expect(floor.give(rates('noise'))).toBe('ok')
  expect(floor.give(rates('gaps'))).toBe('ok')
  floor.give({ kind: 'hangUp', agentId: ANN, callId: call }, 30_000)
  const folder = createLedgerFolder()
  for (const entry of floor.entries) folder.add(entry)
  expect(folder.records()[0]?.sound).toEqual([{ agentId: ANN, agent: 'Ann', cause: 'gaps', path: 'handset', r: 45.7 }])
  // Nothing was wrong after all.
  expect(floor.give(rates(null))).toBe('ok')
  expect(floor.give({ kind: 'saveOutcome', agentId: ANN, callId: call, code: 'done', notes: '', followUp: '', andThen: { state: 'ready' } } as Command)).toBe(
    'ok',
  )
  expect(floor.give(rates('echo'))).toBe('notYourCall')
})
