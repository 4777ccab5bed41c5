'use client'
// Who is signed in: what colleagues see of them, their own settings, and the way out.
import { type FormEvent, useState } from 'react'
import { Button, clearTabComfort, LOOKS, type Looks, PinField, Popover, Problem, SelectField, useLooks } from '@/parts/ui'
import type { AccountView } from '@/services/exchange/protocol'
import { useAllSeen, useFloor, useSeen } from '@/services/exchange/react'
import { worldOfAddress } from '@/services/exchange/wished'
import { Presence } from './presence'

export function AccountMenu({ account, onHelp }: { account: AccountView; onHelp: () => void }) {
  const [open, setOpen] = useState(false)
  const isOnShift = useSeen(({ me }) => me !== null) === true
  return (
    <Popover
      label="You"
      open={open}
      onOpenChange={setOpen}
      className="w-[25rem]"
      trigger={
        <Button tone="quiet" className="!h-7 !px-1 max-w-56" aria-label={`${account.name}, your settings`}>
          <span className="truncate">{account.name}</span>
        </Button>
      }
    >
      <h2 className="font-semibold text-lg">{account.name}</h2>
      <p className="text-soft">
        {account.role === 'supervisor' ? 'Supervisor' : 'Agent'}
        {!isOnShift && ', off shift at this tab'}
      </p>
      {isOnShift && <OnShiftPresence />}
      <LightOrDark />
      <section aria-label="Keyboard" className="mt-4 border-line border-t pt-3">
        <Button
          onClick={() => {
            setOpen(false)
            onHelp()
          }}
        >
          Keys of the keyboard…
        </Button>
      </section>
      <OwnPin agentId={account.id} />
      <TelephoneLinks />
      <SignOut onShift={isOnShift} />
    </Popover>
  )
}

/** Looks at the floor only while it is open. */
function OnShiftPresence() {
  const seen = useAllSeen(({ me, seats, centre }) => ({ me, seats, centre }))
  return seen === null || seen.me === null ? null : <Presence {...seen} me={seen.me} />
}

const LOOKS_WORDS: Readonly<Record<Looks, string>> = { system: 'As this computer has it', light: 'Light', dark: 'Dark' }

function LightOrDark() {
  const [looks, setLooks] = useLooks()
  return (
    <section aria-label="Light or dark" className="mt-4 border-line border-t pt-3">
      <SelectField label="Light or dark" value={looks} onChange={(e) => setLooks(LOOKS.find((l) => l === e.target.value) ?? 'system')}>
        {LOOKS.map((l) => (
          <option key={l} value={l}>
            {LOOKS_WORDS[l]}
          </option>
        ))}
      </SelectField>
    </section>
  )
}

/** The browser asks once more, and keeps it; nothing tells a page whether it did. */
function TelephoneLinks() {
  if (typeof navigator === 'undefined' || !('registerProtocolHandler' in navigator)) return null
  return (
    <section aria-label="Telephone links" className="mt-4 border-line border-t pt-3">
      <Button onClick={() => navigator.registerProtocolHandler('tel', `${location.origin}/?dial=%s`)}>Open telephone links here</Button>
      <p className="mt-1 text-soft">The number of a link is put into the dial line, where it waits for your press.</p>
    </section>
  )
}

function OwnPin({ agentId }: { agentId: AccountView['id'] }) {
  const floor = useFloor()
  const [open, setOpen] = useState(false)
  const [present, setPresent] = useState('')
  const [pin, setPin] = useState('')
  const [said, setSaid] = useState<{ readonly ok: true; readonly says: string } | { readonly ok: false; readonly of: string; readonly says: string } | null>(
    null,
  )
  const change = async (event: FormEvent) => {
    event.preventDefault()
    const reply = await floor?.setPin(agentId, pin, present)
    if (reply === undefined) return
    if (reply.ok) {
      setPresent('')
      setPin('')
      setOpen(false)
      return setSaid({ ok: true, says: 'Your new PIN holds from now on.' })
    }
    // What was right stays: only the one that was refused is typed again.
    const ofNew = reply.refusal.reason === 'pinNotDigits'
    if (ofNew) setPin('')
    else setPresent('')
    setSaid({ ok: false, of: ofNew ? 'New PIN' : 'Present PIN', says: `${reply.refusal.says} ${reply.refusal.next}` })
  }
  return (
    <section aria-label="PIN" className="mt-4 border-line border-t pt-3">
      {open ? (
        <form className="flex items-end gap-2" noValidate onSubmit={(e) => void change(e)}>
          <PinField label="Present PIN" value={present} onChange={setPresent} />
          <PinField label="New PIN" value={pin} onChange={setPin} />
          <Button type="submit">Change PIN</Button>
        </form>
      ) : (
        <Button onClick={() => setOpen(true)}>New PIN</Button>
      )}
      {said !== null &&
        (said.ok ? (
          <p role="status" className="mt-1 text-green">
            {said.says}
          </p>
        ) : (
          <Problem of={said.of}>{said.says}</Problem>
        ))}
    </section>
  )
}

function SignOut({ onShift }: { onShift: boolean }) {
  const floor = useFloor()
  const [problem, setProblem] = useState<string | null>(null)
  const signOut = async () => {
    const reply = await floor?.signOut()
    if (reply?.ok === false) return setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
    // A shared computer keeps nothing of whoever was here: no half-typed answer, no draft.
    clearTabComfort()
    location.assign(`/${worldOfAddress()}`)
  }
  return (
    <div className="mt-4 border-line border-t pt-3">
      <div className="flex gap-2">
        <Button disabled={onShift} onClick={() => void signOut()}>
          Sign out
        </Button>
        <Button onClick={() => void floor?.ask({ kind: 'lock' })}>Lock this page</Button>
      </div>
      {onShift && <p className="mt-1 text-soft">End your shift first: it is in the menu of your state.</p>}
      {problem !== null && <Problem>{problem}</Problem>}
    </div>
  )
}
