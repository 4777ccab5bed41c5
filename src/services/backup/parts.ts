// What a backup is made of: every value of every store, each a part of its own with its length and its SHA-256, so that whatever has changed has a name.
import * as z from 'zod'
import { toHex } from '@/services/storage'

/** In the order in which they are read: what follows the ledger first, so that what it has heard by then is in the ledger that is read after it. */
export const STORES = ['lists', 'history', 'people', 'recordings', 'drafts of scripts', 'floor'] as const
export type StoreName = (typeof STORES)[number]

export const MANIFEST = 'manifest.json'
export const BACKUP_VERSION = 1

const PartSchema = z.object({
  file: z.string().max(40),
  store: z.enum(STORES),
  key: z.string(),
  bytes: z.number().int().nonnegative(),
  sha256: z.string().length(64),
})
export type Part = z.infer<typeof PartSchema>

export const ManifestSchema = z.object({
  format: z.literal('loyal-switchboard-backup'),
  version: z.number().int(),
  madeAtMs: z.number().int(),
  centre: z.string(),
  parts: z.array(PartSchema),
})
export type Manifest = z.infer<typeof ManifestSchema>

/** Of one store, for whoever decides about a file. */
export interface Holding {
  readonly store: StoreName
  readonly parts: number
  readonly bytes: number
}

export function holdings({ parts }: Pick<Manifest, 'parts'>): readonly Holding[] {
  return STORES.map((store) => {
    const its = parts.filter((p) => p.store === store)
    return { store, parts: its.length, bytes: its.reduce((sum, p) => sum + p.bytes, 0) }
  })
}

export const sha256 = async (bytes: Uint8Array<ArrayBuffer>): Promise<string> => toHex(new Uint8Array(await crypto.subtle.digest('SHA-256', bytes)))
