'use client'
// What somebody had to do with us: calls with them and messages they left, the latest first.
import { format } from 'date-fns'
import Link from 'next/link'
import { useCallback } from 'react'
import { outcomeLabel, resultWords } from '@/parts/words'
import type { PersonView } from '@/services/exchange/people'
import type { MessagesPage } from '@/services/exchange/protocol'
import { useAnswer, useSeen } from '@/services/exchange/react'
import { useHistory } from '@/services/history/react'

const SHOWN = 8

export function WithUs({ person }: { person: PersonView }) {
  const contacts = useContacts(person)
  const messages = useMessagesOf(person)
  /** Calls of colleagues with each other are in the log alone. */
  const asked = person.isColleague ? person.name : person.numbers[0]?.number
  const latest = [...(contacts ?? []), ...(messages ?? [])].toSorted((a, b) => b.atMs - a.atMs).slice(0, SHOWN)
  return (
    <section aria-label="With us" className="mt-5">
      <h3 className="flex items-baseline justify-between gap-2">
        <span className="eyebrow">{person.isColleague ? 'Messages for you' : 'Calls and messages'}</span>
        {asked !== undefined && (
          <Link href={`/log?find=${encodeURIComponent(asked)}`} className="underline underline-offset-4">
            In the log
          </Link>
        )}
      </h3>
      {contacts === null || messages === null ? (
        <p className="text-soft">Looking…</p>
      ) : latest.length === 0 ? (
        <p className="text-soft">None that we know of.</p>
      ) : (
        <ul className="divide-y divide-line">
          {latest.map(({ id, atMs, says, href }) => (
            <li key={id} className="grid grid-cols-[7.5rem_minmax(0,1fr)] gap-2 py-1">
              <span className="tabular text-soft text-xs leading-5">{format(atMs, 'EEE d MMM, HH:mm')}</span>
              {href === null ? (
                <span className="min-w-0 truncate">{says}</span>
              ) : (
                <Link href={href} className="min-w-0 truncate underline underline-offset-4" title={says}>
                  {says}
                </Link>
              )}
            </li>
          ))}
        </ul>
      )}
    </section>
  )
}

interface Contact {
  readonly id: string
  readonly atMs: number
  readonly says: string
  readonly href: string | null
}

/** null until the history has answered. */
function useContacts({ numbers: theirs }: PersonView): readonly Contact[] | null {
  const centre = useSeen((view) => view.centre)
  const numbers = theirs.map((n) => n.number).join(' ')
  const { value } = useHistory(
    useCallback(
      async (api) => {
        const asked = numbers.split(' ').filter(Boolean)
        const found = await Promise.all(asked.map((number) => api.previousContacts({ customer: null, number }, '')))
        return found.flatMap((f) => f.latest)
      },
      [numbers],
    ),
  )
  if (value === null || centre === null) return null
  return value.map((record) => ({
    id: record.callId,
    atMs: record.offeredAtMs,
    says: record.outcome === null ? resultWords(record.result) : outcomeLabel(centre, record),
    href: null,
  }))
}

/** Of the mailboxes this account may open; null until the floor has answered. */
function useMessagesOf({ id, numbers }: PersonView): readonly Contact[] | null {
  const page = useAnswer<MessagesPage>(
    { kind: 'messages' },
    useSeen((view) => view.voicemail.revision),
  )
  if (page === null) return null
  const isTheirs = (number: string | null) => number !== null && numbers.some((n) => n.number === number)
  return page.messages
    .filter((m) => m.deletedAtMs === null && (m.fromAgentId === id || isTheirs(m.number)))
    .map((m) => ({
      id: m.id,
      atMs: m.beganAtMs,
      says: `Message${m.heard ? '' : ', not heard'}: ${m.words.map((w) => w.text).join(' ') || 'without words'}`,
      href: `/voicemail?message=${encodeURIComponent(m.id)}`,
    }))
}
