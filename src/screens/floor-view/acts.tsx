'use client'
// What is done on the Floor: each act says in a line what came of it, with its undo where it can have one.
import { createContext, type ReactNode, useCallback, useContext, useEffect, useMemo, useState } from 'react'
import type { Ask } from '@/core/floor'
import { Button, nameIn, useStable } from '@/parts/ui'
import { listed } from '@/parts/words'
import type { TakenBack } from '@/services/exchange/protocol'
import { useCommand, useFloor, useSeen } from '@/services/exchange/react'

interface Said {
  readonly says: string
  readonly refused: boolean
  /** The act, as the floor knows it, while it can be taken back. */
  readonly act: string | null
}

/** Whether anything can be done here: nothing can about a day that is over. */
export const MayActContext = createContext(true)
export const useMayAct = (): boolean => useContext(MayActContext)

interface Acts {
  /** `done` is said when it was done. Gives why it was refused; null when it was done. */
  readonly act: (ask: Ask, done: string) => Promise<string | null>
}

// Apart from what was said last, which changes with every act: a hundred menus that can act are not drawn for it.
const ActsContext = createContext<Acts>({ act: async () => null })
const SaidContext = createContext<{ readonly said: Said | null; readonly putAway: () => void; readonly takeBack: () => void }>({
  said: null,
  putAway: () => {},
  takeBack: () => {},
})

export const useActs = (): Acts => useContext(ActsContext)

/** As long as the floor takes it back. */
const UNDO_FOR_MS = 60_000

export function ActsProvider({ children }: { children: ReactNode }) {
  const command = useCommand()
  const floor = useFloor()
  const seats = useSeen((view) => view.seats)
  const queues = useSeen((view) => view.centre.queues)
  const [said, setSaid] = useState<Said | null>(null)
  const act = useCallback<Acts['act']>(
    async (ask, done) => {
      const reply = await command(ask)
      const refused = reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`
      setSaid({ says: refused ?? done, refused: refused !== null, act: reply.ok ? reply.text : null })
      return refused
    },
    [command],
  )
  useEffect(() => {
    if (said?.act == null) return
    const timer = setTimeout(() => setSaid((now) => (now === said ? { ...said, act: null } : now)), UNDO_FOR_MS)
    return () => clearTimeout(timer)
  }, [said])
  const putAway = useCallback(() => setSaid(null), [])
  const takeBack = useStable(async () => {
    if (said?.act == null || floor === null) return
    const reply = await floor.ask({ kind: 'takeBackAct', act: said.act })
    if (!reply.ok) return setSaid({ says: `${reply.refusal.says} ${reply.refusal.next}`, refused: true, act: null })
    const { undone, leftAlone }: TakenBack = JSON.parse(reply.text ?? '')
    const named = (ids: readonly string[]) => listed(ids.map((id) => nameIn([...(seats ?? []), ...(queues ?? [])], id) || 'somebody'))
    const others = leftAlone.length === 0 ? '' : ` Left as it is, because it has changed since: ${named(leftAlone)}.`
    setSaid({ says: `${undone.length === 0 ? 'Nothing was taken back.' : `Taken back: ${named(undone)}.`}${others}`, refused: false, act: null })
  })
  const acts = useMemo(() => ({ act }), [act])
  const last = useMemo(() => ({ said, putAway, takeBack: () => void takeBack() }), [said, putAway, takeBack])
  return (
    <ActsContext value={acts}>
      <SaidContext value={last}>{children}</SaidContext>
    </ActsContext>
  )
}

/** What came of the last act, until it is put away or another one is done. */
export function LastAct() {
  const { said, putAway, takeBack } = useContext(SaidContext)
  return (
    <section aria-label="What was done" className={said === null ? 'sr-only' : 'mt-2'}>
      <div role={said?.refused ? 'alert' : 'status'}>
        {said !== null && (
          <p className={`flex items-center gap-3 border-l-4 py-1 pl-3 ${said.refused ? 'border-red' : 'border-green'}`}>
            <span className="min-w-0 flex-1">{said.says}</span>
            {said.act !== null && (
              <Button className="!h-6" onClick={takeBack}>
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
