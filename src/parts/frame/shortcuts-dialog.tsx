'use client'
// All shortcuts, and each as this person would rather have it.
import { useState } from 'react'
import { Button, Dialog, Problem, setOwnKeys, useOwnKeys } from '@/parts/ui'
import { printedOn, SHORTCUTS, type ShortcutName } from './shortcuts'

export function ShortcutsDialog({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const own = useOwnKeys()
  const [changing, setChanging] = useState<ShortcutName | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const shown = (name: ShortcutName) => own[SHORTCUTS[name].keys] ?? SHORTCUTS[name].keys

  const take = (name: ShortcutName, printed: string | null) => {
    if (printed === null || !/^[A-Z]$/.test(printed)) return setProblem('Only letters can be chosen: digits are for outcomes. Press one letter.')
    const keys = `Alt+${printed}`
    const taken = (Object.keys(SHORTCUTS) as ShortcutName[]).find((n) => n !== name && shown(n) === keys)
    if (taken !== undefined) return setProblem(`${keys} is taken: “${SHORTCUTS[taken].does}”. Press another letter, or change that one first.`)
    setOwnKeys({ ...own, [SHORTCUTS[name].keys]: keys })
    setProblem(null)
    setChanging(null)
  }
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Keyboard"
      description="All of these work while you type, by the letter printed on the key. Hold Alt to see them on the controls; on a Mac press Control and Option."
    >
      {problem !== null && <Problem>{problem}</Problem>}
      <table className="w-full">
        <tbody>
          {(Object.keys(SHORTCUTS) as ShortcutName[]).map((name) => (
            <tr key={name} className="border-line border-t">
              <th scope="row" className="tabular w-32 py-1.5 text-left font-semibold">
                {shown(name)}
              </th>
              <td>{SHORTCUTS[name].does}</td>
              <td className="w-40 text-right">
                {changing === name ? (
                  <Button
                    autoFocus
                    className="!h-6"
                    onBlur={() => setChanging(null)}
                    onKeyDown={(event) => {
                      if (event.key === 'Escape' || event.key === 'Tab') return setChanging(null)
                      event.preventDefault()
                      if (event.key !== 'Alt') take(name, printedOn(event.nativeEvent))
                    }}
                  >
                    Press a letter…
                  </Button>
                ) : (
                  <Button tone="quiet" className="!h-6" aria-label={`Change ${shown(name)}`} onClick={() => setChanging(name)}>
                    Change
                  </Button>
                )}
              </td>
            </tr>
          ))}
          <tr className="border-line border-t">
            <th scope="row" className="tabular py-1.5 text-left font-semibold">
              Alt+1 … 9
            </th>
            <td>Choose the outcome with that key</td>
            <td />
          </tr>
          <tr className="border-line border-t">
            <th scope="row" className="tabular py-1.5 text-left font-semibold">
              Alt+Shift+1 … 9
            </th>
            <td>Bring that piece of what you have in hand to the front</td>
            <td />
          </tr>
          <tr className="border-line border-t">
            <th scope="row" className="tabular py-1.5 text-left font-semibold">
              F6
            </th>
            <td>To the next part of the screen; with Shift to the one before</td>
            <td />
          </tr>
          <tr className="border-line border-t">
            <th scope="row" className="py-1.5 text-left font-semibold">
              Arrows
            </th>
            <td>In a table: from row to row and along a row; letters go to a name, Home and End to the first and the last</td>
            <td />
          </tr>
        </tbody>
      </table>
      <Button className="mt-3" disabled={Object.keys(own).length === 0} onClick={() => setOwnKeys({})}>
        All as they were
      </Button>
    </Dialog>
  )
}
