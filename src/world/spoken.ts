// Everything there are voices for; read by the tool that makes the clips, and by nobody else.
import { CALLER_LINES } from './conversation'
import { COLLEAGUE_LINES, MESSAGE, STRANGER_LINES } from './far-ends'
import { NOT_ON_THE_MENU, PLACES } from './scenario'

export const SPOKEN: readonly string[] = [
  ...new Set([
    ...CALLER_LINES,
    ...COLLEAGUE_LINES,
    ...STRANGER_LINES,
    MESSAGE,
    NOT_ON_THE_MENU,
    ...PLACES.flatMap((p) => [p.greeting, ...Object.values(p.menu ?? {})]),
  ]),
]
