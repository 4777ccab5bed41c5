'use client'
// Sign-in, once, for everybody: a name and its PIN. What the account may do decides where it can go.
import { type FormEvent, useRef, useState } from 'react'
import { toAgentId } from '@/core/ids'
import { Button, PinField, Problem, readComfort, SelectField, writeComfort } from '@/parts/ui'
import type { DoorView, RenewedPins } from '@/services/exchange/protocol'
import { useFloor } from '@/services/exchange/react'

type Trouble = { readonly at: 'name' | 'pin'; readonly says: string }
const LAST = 'last signed in'

export function SignIn({ door }: { door: DoorView }) {
  const floor = useFloor()
  const [name, setName] = useState(() => door.accounts.find((a) => a.id === readComfort(LAST))?.id ?? '')
  const [pin, setPin] = useState('')
  const [trouble, setTrouble] = useState<Trouble | null>(null)
  const [busy, setBusy] = useState(false)
  const [given, setGiven] = useState<RenewedPins | null>(null)
  const form = useRef<HTMLFormElement>(null)

  const fail = (next: Trouble) => {
    setTrouble(next)
    form.current?.querySelector<HTMLElement>(next.at === 'name' ? 'select' : 'input')?.focus()
  }
  const signIn = async (event: FormEvent) => {
    event.preventDefault()
    if (name === '') return fail({ at: 'name', says: 'No name is chosen. Choose yours.' })
    if (pin === '') return fail({ at: 'pin', says: 'The PIN is missing. Type the digits you were given.' })
    setBusy(true)
    const reply = await floor?.signIn(toAgentId(name), pin)
    setBusy(false)
    setPin('')
    if (reply?.ok === false) return fail({ at: 'pin', says: `${reply.refusal.says} ${reply.refusal.next}` })
    writeComfort(LAST, name)
  }
  return (
    <main className="mx-auto grid w-full max-w-[53.75rem] grid-cols-1 gap-x-14 px-6 py-12 md:grid-cols-[1fr_18.75rem]">
      <form ref={form} aria-label="Sign in" noValidate onSubmit={(e) => void signIn(e)}>
        <p className="font-semibold text-green">Loyal Switchboard</p>
        <p className="eyebrow mt-6">{door.centre} contact centre</p>
        <h1 tabIndex={-1} className="font-semibold text-2xl">
          Sign in
        </h1>
        {door.because !== null && (
          <p role="status" className="mt-3 border-brass border-l-4 bg-brass-wash px-3 py-2">
            {door.because}
          </p>
        )}
        {(door.pinsUnreadable || given !== null) && <LostPins given={given} onGiven={setGiven} />}
        <SelectField
          label="Name"
          className="mt-5 max-w-80"
          value={name}
          problem={trouble?.at === 'name' ? trouble.says : null}
          onChange={(e) => {
            setName(e.target.value)
            setTrouble(null)
          }}
        >
          <option value="">Choose your name</option>
          {door.accounts.map((a) => (
            <option key={a.id} value={a.id}>
              {a.name}
            </option>
          ))}
        </SelectField>
        <div className="mt-4 max-w-80">
          <PinField
            value={pin}
            onChange={(next) => {
              setPin(next)
              setTrouble(null)
            }}
          />
          {trouble?.at === 'pin' && <Problem>{trouble.says}</Problem>}
        </div>
        <Button type="submit" tone="primary" size="large" className="mt-6" disabled={busy}>
          {busy ? 'Signing in…' : 'Sign in'}
        </Button>
        <p className="mt-4 text-soft">You sign in once. What your account may do decides which places you see.</p>
      </form>
      <DemoAccounts />
    </main>
  )
}

/** None of the PINs can be read: whoever stands here may give the owners new ones, and everybody is told. */
function LostPins({ given, onGiven }: { given: RenewedPins | null; onGiven: (given: RenewedPins) => void }) {
  const floor = useFloor()
  const [problem, setProblem] = useState<string | null>(null)
  const renew = async () => {
    const reply = await floor?.ask({ kind: 'renewPins' })
    if (reply?.ok && reply.text !== null) onGiven(JSON.parse(reply.text) as RenewedPins)
    else if (reply?.ok === false) setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
  }
  return (
    <section aria-label="PINs that cannot be read" className="mt-4 max-w-[30rem] border-red border-l-4 bg-red-wash px-3 py-2">
      <p>
        <strong>What this browser keeps of PINs cannot be read, so none opens anything.</strong> Calls, lists and the set-up are whole. The owners of the set-up
        can be given new PINs here; they give everybody else theirs. It is recorded, and everybody who signs in is told.
      </p>
      {given === null ? (
        <Button className="mt-2" onClick={() => void renew()}>
          Give the owners new PINs
        </Button>
      ) : (
        <div role="status" className="mt-2">
          <p className="font-semibold">Write them down: they are shown this once.</p>
          <dl className="mt-1 grid max-w-80 grid-cols-[1fr_auto] gap-x-4">
            {given.map(({ name, pin }) => (
              <div key={name} className="contents">
                <dt>{name}</dt>
                <dd className="tabular font-semibold">{pin}</dd>
              </div>
            ))}
          </dl>
        </div>
      )}
      {problem !== null && <Problem>{problem}</Problem>}
    </section>
  )
}

/** Shown because this is a demonstration: a real centre hands PINs out in person. */
const DEMO = [
  ['Eluned Tarnow', '2417', 'agent'],
  ['Kester Oddersey', '3108', 'agent'],
  ['Sunniva Merrowby', '5526', 'agent'],
  ['Linnea Wickerby', '1290', 'supervisor, owns the set-up'],
] as const

function DemoAccounts() {
  return (
    <section aria-label="Demo accounts" className="mt-10 border-line md:mt-0 md:border-l md:pl-8">
      <h2 className="eyebrow">Demo accounts</h2>
      <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-4 gap-y-1.5">
        {DEMO.map(([name, pin, what]) => (
          <div key={name} className="contents">
            <dt>
              {name}
              <span className="block text-soft text-xs">{what}</span>
            </dt>
            <dd className="tabular">{pin}</dd>
          </div>
        ))}
      </dl>
      <p className="mt-3 text-soft text-xs">These seats are free for people; the stand-ins play the other eleven.</p>
    </section>
  )
}
