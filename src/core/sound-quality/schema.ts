import * as z from 'zod'
import { SOUND_CAUSES } from './rating'

export const LineQualitySchema = z
  .object({
    /** From mouth to ear, one way, milliseconds. */
    delayMs: z.number().int().min(0).max(10_000),
    /** Packets lost, 0 to 1. */
    lossRatio: z.number().min(0).max(1),
    /** How much longer losses come in a row than by chance; 1 for by chance (BurstR of G.107). */
    burstRatio: z.number().min(1).max(100),
  })
  .readonly()
export type LineQuality = z.infer<typeof LineQualitySchema>

/** null: it was good after all. */
export const SoundCauseSchema = z.enum(SOUND_CAUSES).nullable()
