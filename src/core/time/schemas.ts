// How instants are read and stored. Every one of them is a whole number of milliseconds: half of one that was stored once could not be read any more.
import * as z from 'zod'
import { LAST_INSTANT_MS } from './time'

/** An instant a calendar can name, in whole ms: later or earlier ones break whoever shows them. */
export const InstantSchema = z.number().int().min(0).max(LAST_INSTANT_MS)
