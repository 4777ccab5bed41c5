// The set-up in use, and what a draft of another one is made with.
import { type AgentSetUp, AgentSetUpSchema, type QueueSetUp, QueueSetUpSchema, type SetUp } from '@/core/set-up'
import { slug } from './ids'

export const withItem = <T extends { readonly id: string }>(items: readonly T[], item: T): readonly T[] =>
  items.some((i) => i.id === item.id) ? items.map((i) => (i.id === item.id ? item : i)) : [...items, item]

/** A new item gets its id from its name, once; the name may change later. */
export const named = <T extends { readonly id: string; readonly name: string }>(item: T, prefix: 'queue' | 'agent', toId: (text: string) => T['id']): T =>
  item.id === `${prefix}_new` ? { ...item, id: toId(`${prefix}_${slug(item.name)}`) } : item

export const newQueue = (setUp: SetUp): QueueSetUp =>
  QueueSetUpSchema.parse({
    id: 'queue_new',
    name: 'New queue',
    serviceLevelMs: 20_000,
    recommendedWrapUpMs: 30_000,
    scriptId: null,
    outcomeSetId: setUp.outsideOutcomeSetId,
    paths: [],
  })
export const newAgent = (): AgentSetUp => AgentSetUpSchema.parse({ id: 'agent_new', name: 'New account', role: 'agent', queueIds: [], playable: false })
