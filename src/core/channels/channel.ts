// What reaches a customer: a piece of work comes by one of these.
import * as z from 'zod'

export const CHANNELS = ['call', 'chat', 'mail', 'text'] as const
export type Channel = (typeof CHANNELS)[number]

/** Those on which people write to each other. */
export const WRITTEN_CHANNELS = ['chat', 'mail', 'text'] as const
export const WrittenChannelSchema = z.enum(WRITTEN_CHANNELS)
export type Written = z.infer<typeof WrittenChannelSchema>
