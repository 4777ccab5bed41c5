// A mail thread as a message of its own (RFC 5322): the last thing that was written, with what was said before quoted below it.
import { createMimeMessage } from 'mimetext/browser'
import type { Line } from '@/core/threads'

export interface MailThread {
  readonly workId: string
  readonly subject: string | null
  readonly theirAddress: string
  readonly theirName: string
  readonly ourAddress: string
  readonly ourName: string
  readonly lines: readonly Pick<Line, 'atMs' | 'byAgentId' | 'text' | 'aside'>[]
  readonly nameOf: (agentId: string) => string
}

/** What colleagues said among themselves is left out. Throws when nothing else was written, or an address is none. */
export function toEml({ workId, subject, theirAddress, theirName, ourAddress, ourName, lines, nameOf }: MailThread): string {
  const said = lines.filter((l) => !l.aside)
  const last = said.at(-1)
  if (last === undefined) throw new Error('nothing was written')
  const [us, them] = [
    { name: ourName, addr: ourAddress },
    { name: theirName, addr: theirAddress },
  ]
  const message = createMimeMessage()
  const isOurs = last.byAgentId !== null
  message.setSender(isOurs ? us : them)
  message.setRecipient(isOurs ? them : us)
  message.setSubject(subject ?? 'No subject')
  message.setHeader('Date', new Date(last.atMs).toUTCString().replace('GMT', '+0000'))
  message.setHeader('Message-ID', `<${workId}.${said.length}@${ourAddress.split('@')[1]}>`)
  if (said.length > 1) message.setHeader('In-Reply-To', `<${workId}.${said.length - 1}@${ourAddress.split('@')[1]}>`)
  const earlier = said.slice(0, -1).toReversed()
  const quoted = earlier.map(
    (l) => `\n\n${new Date(l.atMs).toISOString()}, ${l.byAgentId === null ? theirName : nameOf(l.byAgentId)}:\n${l.text.replace(/^/gm, '> ')}`,
  )
  message.addMessage({ contentType: 'text/plain', charset: 'utf-8', data: `${last.text}${quoted.join('')}` })
  return message.asRaw()
}
