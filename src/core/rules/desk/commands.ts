// What the floor itself reports of a desk: that nothing is heard of it any more, and that it is there again. Nobody asks for either.
import type { AgentId } from '@/core/ids'
import type { Ruling as RulingFor } from '@/core/rules/rule'

export type DeskReport = { readonly kind: 'reportDeskLost'; readonly agentId: AgentId } | { readonly kind: 'reportDeskBack'; readonly agentId: AgentId }
export type Of<K extends DeskReport['kind']> = Extract<DeskReport, { kind: K }>
/** A report is taken as it is; one that says nothing new changes nothing. */
export type Ruling = RulingFor<never>
