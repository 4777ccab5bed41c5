import PostalMime from 'postal-mime'
import { expect, test } from 'vitest'
import { toAgentId } from '@/core/ids'
import { toEml } from './eml'

const ANN = toAgentId('agent_ann')
const line = (atMs: number, byAgentId: typeof ANN | null, text: string, aside = false) => ({ atMs, byAgentId, text, aside })

test('a thread is the last thing written with the rest quoted, in the headers of RFC 5322; what colleagues said aside is not in it', async () => {
  const eml = toEml({
    workId: 'thread_a_1',
    subject: 'Ümlaut & <b>markup</b>',
    theirAddress: 'ida@example.com',
    theirName: 'Ida Holm',
    ourAddress: 'sailings@example.org',
    ourName: 'Fennholm Line',
    nameOf: () => 'Ann',
    lines: [line(0, null, 'Hello,\nis there room?'), line(1_000, ANN, 'Give her the early boat', true), line(60_000, ANN, 'Yes — on the 07:20.')],
  })
  const [head = ''] = eml.split(/\r?\n\r?\n/)
  expect(head).toMatch(/^From: .*<sailings@example\.org>/m)
  expect(head).toMatch(/^To: .*<ida@example\.com>/m)
  expect(head).toMatch(/^Date: Thu, 01 Jan 1970 00:01:00 \+0000/m)
  expect(head).toMatch(/^Message-ID: <thread_a_1\.2@example\.org>/m)
  expect(head).toMatch(/^In-Reply-To: <thread_a_1\.1@example\.org>/m)
  // No header carries anything but ASCII.
  expect([...head].every((c) => c.charCodeAt(0) < 128)).toBe(true)
  // As a reader of mail has it that is not ours.
  const { text, subject, html } = await PostalMime.parse(eml)
  expect(subject).toBe('Ümlaut & <b>markup</b>')
  expect(html).toBeUndefined()
  expect(text).toContain('Yes — on the 07:20.')
  expect(text).toContain('> Hello,\n> is there room?')
  expect(text).not.toContain('early boat')
})
