// Everything there are voices for, before a booking is filled in; read by the tool that makes the clips, and by nobody else.
import { ASKS_CODE, GOOD_BYE, WRONG_CODE } from '@/core/conferences'
import { agentGreeting, PREPARED_GREETINGS, queueGreeting } from '@/core/voicemail'
import { BUSINESS, OTHER_BUSINESS } from './business'
import { AGENTS } from './people'
import { PLACES } from './places'
import { FENNHOLM } from './set-up'
import { WORDS } from './words'

const BUSINESSES = [OTHER_BUSINESS, ...BUSINESS.values()]
const { dialled, wrongNumber, fedUp, machine, messages, colleague, stranger, notOnTheMenu } = WORDS

export const SPOKEN: readonly string[] = [
  ...new Set([
    ...BUSINESSES.flatMap(({ lines, instead }) => [...lines.flat(), ...Object.values(instead).flatMap((byTurn) => Object.values(byTurn).flat())]),
    ...[...dialled, ...wrongNumber].flat(),
    ...[fedUp, machine, ...messages.flatMap((m) => m.says), notOnTheMenu, ...colleague, ...stranger],
    ...[ASKS_CODE, WRONG_CODE, GOOD_BYE],
    ...PREPARED_GREETINGS,
    ...AGENTS.map(({ name }) => agentGreeting(name).text),
    ...FENNHOLM.queues.filter((q) => q.takesMessages).map(({ name }) => queueGreeting(name).text),
    ...PLACES.flatMap((p) => [p.greeting, ...Object.values(p.menu ?? {})]),
  ]),
]
