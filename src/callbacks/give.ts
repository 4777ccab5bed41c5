// What every part of the page is given: who looks at it, the others, and how a command is given.
import type { AgentCommand } from '@/core/floor'
import type { MeView, SeatView } from '@/exchange/protocol'

export interface GiveProps {
  readonly me: MeView | null
  readonly seats: readonly SeatView[]
  readonly give: (command: AgentCommand) => Promise<boolean>
}
