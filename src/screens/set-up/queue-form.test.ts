import { describe, expect, test } from 'vitest'
import { QueueSetUpSchema } from '@/core/set-up'
import { SMALL } from '@/core/testing'
import { fromQueueForm, hoursInWords, QueueFormSchema, toQueueForm } from './queue-form'

const FULL = QueueSetUpSchema.parse({
  ...SMALL.queues[0],
  headStartMs: 120_000,
  goesFirst: [{ group: 'Pass', headStartMs: 1_500 }],
  needs: [{ skillId: 'skill_craft', level: 2 }],
  overflow: [
    { afterMs: 30_000, to: 'anyLevel' },
    { afterMs: 60_000, to: 'queue_second' },
  ],
  hours: [{ days: [1, 2, 3, 4, 5], fromMinute: 480, toMinute: 1440 }],
  fullLimit: 12,
  warns: { waiting: 4, longestMs: 45_000, shareBelow: 0.8 },
  scriptChoices: [
    { path: 'one', group: null, scriptId: null },
    { path: null, group: 'Pass', scriptId: 'script_small' },
  ],
  storm: { announcement: 'A gale.', headStartMs: 5_000, overflow: [{ afterMs: 0, to: 'queue_second' }] },
})

describe('a queue in its form', () => {
  test.each([
    { says: 'with everything', queue: FULL },
    { says: 'with nothing', queue: SMALL.queues[1] as typeof FULL },
  ])('$says, comes back as it was', ({ queue }) => {
    const form = toQueueForm(queue)
    expect(QueueFormSchema.parse(form)).toEqual(form)
    expect(fromQueueForm(form, queue)).toEqual(queue)
  })

  test.each([
    { says: 'no name', change: { name: ' ' }, at: 'name', names: /needs a name/ },
    { says: 'a head start of nothing typed', change: { headStartS: Number.NaN }, at: 'headStartS', names: /number of seconds/ },
    { says: 'less than nothing', change: { wrapUpS: -1 }, at: 'wrapUpS', names: /less than nothing/ },
    { says: 'half a limit', change: { fullLimit: '1.5' }, at: 'fullLimit', names: /how many may wait/ },
    { says: 'a share of more than all', change: { warnsBelowPercent: '101' }, at: 'warnsBelowPercent', names: /from 0 to 100/ },
    { says: 'no day', change: { hours: [{ days: [], from: '08:00', to: '18:00' }] }, at: 'hours', names: /at least one day/ },
    { says: 'no time', change: { hours: [{ days: ['1'], from: '8', to: '25:00' }] }, at: 'hours', names: /such as 08:30/ },
  ])('$says is refused with a sentence', ({ change, at, names }) => {
    const parsed = QueueFormSchema.safeParse({ ...toQueueForm(FULL), ...change })
    const issue = parsed.error?.issues.find((i) => i.path[0] === at)
    expect(issue?.message).toMatch(names)
  })

  test.each([
    { hours: [], words: 'always' },
    { hours: [{ days: [1, 2, 3, 4, 5], fromMinute: 480, toMinute: 1080 }], words: 'Mo–Fr 08:00–18:00' },
    {
      hours: [
        { days: [6, 7], fromMinute: 0, toMinute: 1440 },
        { days: [1, 3, 4, 5], fromMinute: 540, toMinute: 600 },
      ],
      words: 'Sa, Su 00:00–24:00, Mo, We–Fr 09:00–10:00',
    },
  ])('hours read as “$words”', ({ hours, words }) => {
    expect(hoursInWords(hours)).toBe(words)
  })
})
