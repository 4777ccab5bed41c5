'use client'
// Scripts being written, kept in this browser until they are published or discarded. Nobody else sees them.
import localforage from 'localforage'
import { useCallback, useEffect, useState } from 'react'
import * as z from 'zod'
import { type Script, ScriptSchema } from '@/core/scripts'

export interface ScriptDraft {
  readonly script: Script
  /** The published version it began from; null for one that is new. */
  readonly basedOn: number | null
  readonly savedAtMs: number
}

/** Half-done documents are kept as they are: whether one could be published is the checker's business. */
const DraftSchema = z.object({ script: z.unknown(), basedOn: z.number().nullable(), savedAtMs: z.number() })

const store = typeof window === 'undefined' ? null : localforage.createInstance({ name: 'loyal-switchboard-author', storeName: 'drafts' })

export async function loadDraft(id: string): Promise<ScriptDraft | null> {
  const parsed = DraftSchema.safeParse(await store?.getItem(id))
  if (!parsed.success) return null
  const script = ScriptSchema.safeParse(parsed.data.script)
  // A draft may hold what no schema takes yet, such as an empty title; its shape was made here.
  return { ...parsed.data, script: script.success ? script.data : (parsed.data.script as Script) }
}

export async function saveDraft(draft: ScriptDraft): Promise<void> {
  await store?.setItem(draft.script.id, draft)
}

export async function dropDraft(id: string): Promise<void> {
  await store?.removeItem(id)
}

/** Every draft of this browser; null until they are read. */
export function useDrafts(): readonly [readonly ScriptDraft[] | null, reload: () => void] {
  const [drafts, setDrafts] = useState<readonly ScriptDraft[] | null>(null)
  const reload = useCallback(() => {
    void (async () => {
      const keys = (await store?.keys()) ?? []
      const found = await Promise.all(keys.map(loadDraft))
      setDrafts(found.filter((d) => d !== null))
    })()
  }, [])
  useEffect(reload, [reload])
  return [drafts, reload]
}
