// Everything there are voices for, before a booking is filled in; read by the tool that makes the clips, and by nobody else.
import { BUSINESS, OTHER_BUSINESS } from './business'
import { PLACES } from './places'
import { WORDS } from './words'

const BUSINESSES = [OTHER_BUSINESS, ...BUSINESS.values()]
const { dialled, wrongNumber, fedUp, machine, messages, colleague, stranger, notOnTheMenu } = WORDS

export const SPOKEN: readonly string[] = [
  ...new Set([
    ...BUSINESSES.flatMap(({ lines, instead }) => [...lines.flat(), ...Object.values(instead).flatMap((byTurn) => Object.values(byTurn).flat())]),
    ...[...dialled, ...wrongNumber].flat(),
    ...[fedUp, machine, ...messages.flatMap((m) => m.says), notOnTheMenu, ...colleague, ...stranger],
    ...PLACES.flatMap((p) => [p.greeting, ...Object.values(p.menu ?? {})]),
  ]),
]
