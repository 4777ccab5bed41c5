'use client'
// The dial line: type or paste anything; suggestions open upward; what Enter will do is written beside it.
import { type KeyboardEvent, type Ref, useId, useImperativeHandle, useRef, useState } from 'react'
import type { NumberReading } from '@/core/directory'
import type { CentreView, MeView } from '@/exchange/protocol'
import { useCommand } from '@/exchange/react'
import { Button, ShortcutHint } from '@/ui'
import { useNumberReader } from './number-reader'
import { SHORTCUTS } from './shortcuts'

interface Props {
  readonly me: MeView
  readonly centre: CentreView
  readonly ref: Ref<{ focus(): void }>
}

const SUGGESTIONS = 6

export function DialLine({ me, centre, ref }: Props) {
  const command = useCommand()
  const [typed, setTyped] = useState('')
  const [chosen, setChosen] = useState(0)
  const [open, setOpen] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const readNumber = useNumberReader()
  const input = useRef<HTMLInputElement>(null)
  const id = useId()
  useImperativeHandle(ref, () => ({ focus: () => input.current?.focus() }))

  const text = typed.trim()
  const wanted = text.toLowerCase()
  const people = /\p{L}/u.test(text) ? centre.people.filter((p) => p.name.toLowerCase().includes(wanted)).slice(0, SUGGESTIONS) : []
  const person = people[Math.min(chosen, people.length - 1)]
  const reading = person === undefined && text !== '' ? readNumber?.(text, centre.homeCountry) : undefined

  const dial = async () => {
    const reply = await command({ kind: 'makeCall', agentId: me.id, typed: person?.number ?? typed, customer: null })
    if (!reply.ok) {
      setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
      input.current?.focus()
      return
    }
    setTyped('')
    setProblem(null)
    setOpen(false)
    input.current?.blur()
  }

  const onKeyDown = (event: KeyboardEvent) => {
    if (event.altKey) return
    if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault()
      const step = event.key === 'ArrowDown' ? 1 : -1
      setChosen((c) => (people.length === 0 ? 0 : (c + step + people.length) % people.length))
    } else if (event.key === 'Enter') {
      event.preventDefault()
      void dial()
    } else if (event.key === 'Escape') {
      if (open && people.length > 0) setOpen(false)
      else setTyped('')
    }
  }

  const listed = open && people.length > 0
  return (
    <footer className="relative flex h-11 items-center gap-3 border-line-strong border-t bg-raised px-4">
      <label htmlFor={id} className="relative font-semibold">
        Dial line
        <ShortcutHint keys={SHORTCUTS.dial.keys} />
      </label>
      <input
        ref={input}
        id={id}
        role="combobox"
        aria-expanded={listed}
        aria-controls={`${id}-list`}
        aria-activedescendant={listed && person ? `${id}-${person.id}` : undefined}
        aria-invalid={problem !== null || undefined}
        aria-describedby={`${id}-does`}
        autoComplete="off"
        placeholder="A number in any form, or a name"
        className="h-8 w-80 rounded-sm border border-line-strong bg-paper px-2 aria-invalid:border-2 aria-invalid:border-red"
        value={typed}
        onChange={(e) => {
          setTyped(e.target.value)
          setChosen(0)
          setOpen(true)
          setProblem(null)
        }}
        onKeyDown={onKeyDown}
        onBlur={() => setOpen(false)}
      />
      {text !== '' && (
        <Button onPointerDown={(e) => e.preventDefault()} onClick={() => void dial()}>
          Call
        </Button>
      )}
      {listed && (
        <div
          id={`${id}-list`}
          role="listbox"
          aria-label="People"
          className="absolute bottom-11 left-24 z-20 w-[420px] border border-line-strong bg-raised py-1 shadow-lg"
        >
          {people.map((p) => (
            <div
              key={p.id}
              id={`${id}-${p.id}`}
              role="option"
              tabIndex={-1}
              aria-selected={p === person}
              onPointerDown={(e) => {
                e.preventDefault()
                setChosen(people.indexOf(p))
              }}
              className={`grid cursor-pointer grid-cols-[1fr_auto] gap-4 px-3 py-1 ${p === person ? 'bg-green-wash' : ''}`}
            >
              <span className="truncate">
                {p.name} <span className="text-soft">· {p.group}</span>
              </span>
              <span className="tabular">{p.number}</span>
            </div>
          ))}
        </div>
      )}
      <p id={`${id}-does`} aria-live="polite" className="min-w-0 truncate">
        {problem !== null ? <span className="text-red">{problem}</span> : <EnterDoes person={person ?? null} reading={reading} text={text} />}
      </p>
      <span className="ml-auto shrink-0 text-soft">Press ? for the keyboard</span>
    </footer>
  )
}

function EnterDoes({ person, reading, text }: { person: CentreView['people'][number] | null; reading: NumberReading | undefined; text: string }) {
  if (text === '') return null
  if (person !== null)
    return (
      <>
        Enter dials <strong>{person.name}</strong> on <span className="tabular">{person.number}</span>
      </>
    )
  if (reading === undefined) return null
  if (!reading.ok)
    return (
      <span className="text-soft">{reading.refusal.reason === 'matchesNobody' ? 'Nobody by that name, and not a number.' : 'Not a whole number yet.'}</span>
    )
  const { international, readAs } = reading.number
  return (
    <>
      Enter dials <strong className="tabular">{international}</strong>, read as {countryName(readAs)}
    </>
  )
}

const COUNTRIES = new Intl.DisplayNames(['en'], { type: 'region' })
const countryName = (readAs: string): string => (readAs.startsWith('+') ? readAs : (COUNTRIES.of(readAs) ?? readAs))
