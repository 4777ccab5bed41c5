'use client'
// What is done on the Floor: each act says in a line what came of it, with its undo where it can have one.
import { createContext, type ReactNode, useCallback, useContext, useMemo, useState } from 'react'
import type { Ask } from '@/core/floor'
import { useCommand } from '@/exchange/react'
import { Button } from '@/ui'

interface Said {
  readonly says: string
  readonly refused: boolean
  readonly undo: readonly Ask[] | null
}

/** Whether anything can be done here: nothing can about a day that is over. */
export const MayActContext = createContext(true)
export const useMayAct = (): boolean => useContext(MayActContext)

interface Acts {
  /** `done` is said when it was done; `undo` is what would take it back. Gives why it was refused; null when it was done. */
  readonly act: (ask: Ask, done: string, undo?: readonly Ask[] | null) => Promise<string | null>
}

// Apart from what was said last, which changes with every act: a hundred menus that can act are not drawn for it.
const ActsContext = createContext<Acts>({ act: async () => null })
const SaidContext = createContext<{ readonly said: Said | null; readonly putAway: () => void }>({ said: null, putAway: () => {} })

export const useActs = (): Acts => useContext(ActsContext)

export function ActsProvider({ children }: { children: ReactNode }) {
  const command = useCommand()
  const [said, setSaid] = useState<Said | null>(null)
  const act = useCallback<Acts['act']>(
    async (ask, done, undo = null) => {
      const reply = await command(ask)
      const refused = reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`
      setSaid(refused === null ? { says: done, refused: false, undo } : { says: refused, refused: true, undo: null })
      return refused
    },
    [command],
  )
  const putAway = useCallback(() => setSaid(null), [])
  const acts = useMemo(() => ({ act }), [act])
  const last = useMemo(() => ({ said, putAway }), [said, putAway])
  return (
    <ActsContext value={acts}>
      <SaidContext value={last}>{children}</SaidContext>
    </ActsContext>
  )
}

/** What came of the last act, until it is put away or another one is done. */
export function LastAct() {
  const { act } = useActs()
  const { said, putAway } = useContext(SaidContext)
  const undo = said?.undo ?? null
  const takeBack = async (steps: readonly Ask[]) => {
    for (const step of steps) if ((await act(step, 'Taken back.')) !== null) return
  }
  return (
    <section aria-label="What was done" className={said === null ? 'sr-only' : 'mt-2'}>
      <div role={said?.refused ? 'alert' : 'status'}>
        {said !== null && (
          <p className={`flex items-center gap-3 border-l-4 py-1 pl-3 ${said.refused ? 'border-red' : 'border-green'}`}>
            <span className="min-w-0 flex-1">{said.says}</span>
            {undo !== null && (
              <Button className="!h-6" onClick={() => void takeBack(undo)}>
                Undo
              </Button>
            )}
            <Button className="!h-6" tone="quiet" onClick={putAway}>
              Put it away
            </Button>
          </p>
        )}
      </div>
    </section>
  )
}
