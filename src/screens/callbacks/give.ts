// What every part of the page is given: who looks at it, the others, and how a command is given.
import type { Ask } from '@/core/floor'
import type { MeView, SeatView } from '@/services/exchange/protocol'

export interface GiveProps {
  readonly me: MeView | null
  readonly seats: readonly SeatView[]
  readonly give: (command: Ask) => Promise<boolean>
}
