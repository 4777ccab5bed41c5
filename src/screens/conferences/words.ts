// Conferences in words, and as the invitation that goes to people's own calendars.
import { endsAtMs } from '@/core/conferences'
import { type Invitation, toInvitation } from '@/core/formats'
import { inZone, zoneWords } from '@/parts/ui'
import { numberWords } from '@/parts/words'
import type { ConferenceView } from '@/services/exchange/protocol'

/** The year is said where it is not that of `nowMs`. */
export function beginsWords({ plan: { startsAtMs } }: Pick<ConferenceView, 'plan'>, timeZone: string, nowMs: number): string {
  const isThisYear = inZone(startsAtMs, timeZone, 'yyyy') === inZone(nowMs, timeZone, 'yyyy')
  return inZone(startsAtMs, timeZone, isThisYear ? 'EEE d MMM, HH:mm' : 'EEE d MMM yyyy, HH:mm')
}

export function whenWords(conference: Pick<ConferenceView, 'plan'>, centreZone: string, nowMs: number): string {
  const { startsAtMs, lastsMs, timeZone } = conference.plan
  const here = `${beginsWords(conference, centreZone, nowMs)} to ${inZone(startsAtMs + lastsMs, centreZone, 'HH:mm')}`
  if (timeZone === centreZone) return here
  const isSameDay = inZone(startsAtMs, timeZone, 'd') === inZone(startsAtMs, centreZone, 'd')
  return `${here} (${inZone(startsAtMs, timeZone, isSameDay ? 'HH:mm' : 'EEE HH:mm')} in ${zoneWords(timeZone)})`
}

export function standsWords(conference: ConferenceView, nowMs: number): string {
  const { cancelledAtMs, attended, plan } = conference
  const there = attended.filter((a) => a.toMs === null).length
  if (there > 0) return there === 1 ? 'one is there' : `${there} are there`
  if (cancelledAtMs !== null) return 'called off'
  if (endsAtMs(conference) < nowMs) return attended.length === 0 ? 'nobody came' : 'over'
  return plan.startsAtMs <= nowMs ? 'nobody is there yet' : 'to come'
}

const DOMAIN = 'loyal-switchboard.example'

export function invitationOf(conference: ConferenceView, number: string, centreZone: string, nowMs: number): string {
  const { id, sequence, cancelledAtMs, plan, host, code } = conference
  const place = number === '' ? 'On the desk' : `${numberWords(number)}, code ${code}`
  const invitation: Invitation = {
    uid: `${id}@${DOMAIN}`,
    sequence,
    isCancelled: cancelledAtMs !== null,
    startsAtMs: plan.startsAtMs,
    endsAtMs: endsAtMs(conference),
    title: plan.title,
    place,
    text: [whenWords(conference, centreZone, nowMs), number === '' ? '' : `Dial ${numberWords(number)} and key ${code}.`, plan.note]
      .filter((t) => t !== '')
      .join('\n'),
    organizer: { name: host, address: number === '' ? `urn:${DOMAIN}:${conference.hostAgentId}` : `tel:${number}` },
    attendees: plan.invited.map((i, at) => {
      const name = conference.invitedNames[at] ?? ''
      if (i.kind !== 'outside') return { name, address: `urn:${DOMAIN}:${i.kind === 'agent' ? i.agentId : i.queueId}` }
      return { name, address: i.email !== '' ? `mailto:${i.email}` : i.number === null ? `urn:${DOMAIN}:guest-${at + 1}` : `tel:${i.number}` }
    }),
  }
  return toInvitation(invitation, nowMs)
}
