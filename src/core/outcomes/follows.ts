// What follows from an outcome by itself.
import * as z from 'zod'
import { DAY } from '@/core/time'

export const FOLLOWS = ['nothing', 'retry', 'callback', 'neverCall', 'wrongNumber', 'task'] as const

export const FollowsSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('nothing') }).readonly(),
  /** Another try after a time; when `atMost` tries have been made, no more. */
  z
    .object({
      kind: z.literal('retry'),
      afterMs: z
        .number()
        .int()
        .positive()
        .max(30 * DAY),
      atMost: z.number().int().min(1).max(20),
      /** The agent may say from when on the person is there: not before that. */
      asksUntil: z.boolean().optional(),
    })
    .readonly(),
  /** A callback at a time the agent enters with the outcome. */
  z.object({ kind: z.literal('callback') }).readonly(),
  /** The number, or every number of the person, goes on the do-not-call list. */
  z.object({ kind: z.literal('neverCall'), whom: z.enum(['number', 'person']) }).readonly(),
  /** The number is struck from the record of the person it stood for. */
  z.object({ kind: z.literal('wrongNumber') }).readonly(),
  /** A task in the customer record system. Title and text merge fields of call and script, as a script page does. */
  z
    .object({
      kind: z.literal('task'),
      title: z.string().min(1),
      text: z.string(),
      dueAfterMs: z
        .number()
        .int()
        .positive()
        .max(365 * DAY),
      assignee: z.enum(['agent', 'anybody']),
    })
    .readonly(),
])
export type Follows = z.infer<typeof FollowsSchema>
