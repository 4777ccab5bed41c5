'use client'
// The draft of a script with what can be undone of it; kept in the browser a moment after every change.
import { useDeferredValue, useEffect, useMemo, useRef, useState } from 'react'
import type { Script } from '@/core/scripts'
import { beginHistory, change, type History, redo, undo } from '@/core/undo'
import { dropDraft, loadDraft, saveDraft } from './drafts'

const KEEP_AFTER_MS = 400

export interface ScriptHistory {
  readonly script: Script
  /** It says something else than the latest version, or has none. */
  readonly changed: boolean
  readonly savedAtMs: number | null
  readonly mayUndo: boolean
  readonly mayRedo: boolean
  change(script: Script, of: string | null): void
  undo(): void
  redo(): void
  /** Begins anew from a published version: nothing is left to undo. */
  reset(script: Script): void
}

type Found = { readonly state: 'reading' } | { readonly state: 'missing' } | ({ readonly state: 'ready' } & ScriptHistory)

/** `published` is the latest version: null where there is none, undefined while that is not known yet. */
export function useScriptHistory(scriptId: string, published: Script | null | undefined): Found {
  const [history, setHistory] = useState<History<Script> | 'missing' | null>(null)
  const [savedAtMs, setSavedAtMs] = useState<number | null>(null)
  const latest = useRef(published)
  latest.current = published
  const isKnown = published !== undefined
  useEffect(() => {
    // Whether there is such a script at all is told by both together: the draft may be read before the set-up is.
    if (!isKnown) return
    let alive = true
    void loadDraft(scriptId).then((draft) => {
      if (!alive) return
      setSavedAtMs(draft?.savedAtMs ?? null)
      const begins = draft?.script ?? latest.current ?? null
      setHistory((before) => before ?? (begins === null ? 'missing' : beginHistory(begins)))
    })
    return () => {
      alive = false
    }
  }, [scriptId, isKnown])
  const present = history === null || history === 'missing' ? null : history.present
  // Whether it says something else is told when the typing leaves time: a large document is long to compare.
  const settled = useDeferredValue(present)
  const publishedText = useMemo(() => JSON.stringify(published), [published])
  const changed = useMemo(() => settled !== null && settled !== published && JSON.stringify(settled) !== publishedText, [settled, published, publishedText])
  useEffect(() => {
    if (present === null || !changed) return
    const timer = setTimeout(() => {
      const atMs = Date.now()
      void saveDraft({ script: present, basedOn: latest.current?.version ?? null, savedAtMs: atMs }).then(() => setSavedAtMs(atMs))
    }, KEEP_AFTER_MS)
    return () => clearTimeout(timer)
  }, [present, changed])
  const isSame = settled !== null && settled === present && !changed && published != null
  useEffect(() => {
    // What says the same as the version in use is no draft any more: it was undone, or has just been published.
    if (isSame && savedAtMs !== null) void dropDraft(scriptId).then(() => setSavedAtMs(null))
  }, [isSame, savedAtMs, scriptId])
  if (history === null) return { state: 'reading' }
  if (history === 'missing') return { state: 'missing' }
  const then = (step: (h: History<Script>) => History<Script>) => setHistory((h) => (h === null || h === 'missing' ? h : step(h)))
  return {
    state: 'ready',
    script: history.present,
    changed,
    savedAtMs,
    mayUndo: history.past.length > 0,
    mayRedo: history.future.length > 0,
    change: (script, of) => then((h) => change(h, script, of)),
    undo: () => then(undo),
    redo: () => then(redo),
    reset: (script) => {
      setHistory(beginHistory(script))
      setSavedAtMs(null)
    },
  }
}
