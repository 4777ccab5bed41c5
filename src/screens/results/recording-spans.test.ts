import { expect, test } from 'vitest'
import { toAgentId, toCallId, toDeviceId } from '@/core/ids'
import { LEDGER_VERSION, type LedgerEntry } from '@/core/ledger'
import { spansOf } from './recording-spans'

const callId = toCallId('call_1')
const deviceId = toDeviceId('dev_agent_ann')
const entry = (atMs: number, event: LedgerEntry['event']): LedgerEntry => ({ version: LEDGER_VERSION, seq: 1, atMs, causedBy: null, event })
const recording = (atMs: number, to: 'on' | 'paused' | 'off') =>
  entry(atMs, { kind: 'recordingChanged', callId, recordingId: 'rec_1', to, byAgentId: toAgentId('agent_ann') })
const held = (atMs: number) => entry(atMs, { kind: 'connectionHeld', callId, deviceId })
const retrieved = (atMs: number) => entry(atMs, { kind: 'connectionRetrieved', callId, deviceId })

test.each<{ says: string; entries: LedgerEntry[]; spans: [string, number, number][] }>([
  { says: 'nothing in between', entries: [recording(1_000, 'on'), recording(9_000, 'off')], spans: [] },
  {
    says: 'a hold and a pause',
    entries: [recording(1_000, 'on'), held(2_000), retrieved(4_000), recording(5_000, 'paused'), recording(7_000, 'on')],
    spans: [
      ['hold', 1_000, 3_000],
      ['paused', 4_000, 6_000],
    ],
  },
  { says: 'a hold that began before', entries: [held(0), recording(1_000, 'on'), retrieved(3_000)], spans: [['hold', 0, 2_000]] },
  { says: 'a pause that lasts to the end', entries: [recording(1_000, 'on'), recording(6_000, 'paused')], spans: [['paused', 5_000, 8_000]] },
  { says: 'a hold after the end', entries: [recording(1_000, 'on'), held(20_000), retrieved(21_000)], spans: [] },
])('spans of a recording from 1 s to 9 s: $says', ({ entries, spans }) =>
  expect(spansOf(entries, 1_000, 9_000).map((s) => [s.kind, s.fromMs, s.toMs])).toEqual(spans),
)
