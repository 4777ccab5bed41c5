import * as z from 'zod'
import { LAST_INSTANT_MS } from '@/core/time'

/** An instant a calendar can name, in ms: later or earlier ones break whoever shows them. */
export const InstantSchema = z.number().int().min(0).max(LAST_INSTANT_MS)
