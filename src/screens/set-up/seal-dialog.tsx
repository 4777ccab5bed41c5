'use client'
// Begins, opens and ends the sealing of recordings and messages, each with the passphrase that is asked for.
import { type FormEvent, useState } from 'react'
import { Button, Dialog, Problem, Progress, TextField } from '@/parts/ui'
import { useFloor } from '@/services/exchange/react'
import { openRest, sealingInTurn, sealRest, writeSoundSeal } from '@/services/exchange/recordings/client'
import { newSoundSeal, openedSeal, type SoundSeal, withPassphrase } from '@/services/exchange/recordings/sealed-sounds'
import { NewPassphrase } from './new-passphrase'
import { againProblem, passphraseProblem } from './passphrase'
import type { SoundsNow } from './sounds-now'

const TITLES = { begin: 'Seal recordings and messages', open: 'Open recordings and messages', end: 'Seal them no longer' }
const ABOUTS = {
  begin:
    'Their sound is sealed on the disk: whoever comes by this computer, or a copy of it, while the browser is closed hears none of it. Whoever is signed in while they are open does. Written words of messages, and greetings, are not sealed.',
  open: 'With the passphrase everybody who may hear them can, until this browser is closed.',
  end: 'All that is sealed is opened for good, and what is recorded from now on lies open.',
}
const PRESS = { begin: 'Seal them', open: 'Open them', end: 'Open all of them for good' }

export function SealDialog({ what, now, onClose }: { what: keyof typeof TITLES; now: SoundsNow; onClose: () => void }) {
  const floor = useFloor()
  const [passphrase, setPassphrase] = useState('')
  const [again, setAgain] = useState('')
  const [problem, setProblem] = useState<{ readonly at: 'passphrase' | 'again' | null; readonly says: string } | null>(null)
  const [running, setRunning] = useState<{ readonly says: string; readonly done: number; readonly of: number } | null>(null)
  const problemAt = (at: 'passphrase' | 'again' | null) => (problem?.at === at ? problem.says : null)
  const typed = (take: () => void) => {
    take()
    setProblem(null)
  }
  const opens = async (identity: string | null) => {
    const reply = await floor?.ask({ kind: 'openSounds', identity })
    if (reply?.ok !== true) throw new Error(reply === undefined ? 'the floor is not there yet' : reply.refusal.says)
  }
  const progress = (says: string) => (done: number, of: number) => setRunning({ says, done, of })

  const begin = async (seal: SoundSeal | null) => {
    // What is sealed already is opened by what opened it then: another key would leave it closed for ever.
    const hasSealed = seal !== null && (seal.isOn || seal.rest !== null)
    const identity = hasSealed ? ((seal.recipient === now.seal?.recipient ? now.identity : null) ?? (await openedSeal(seal, passphrase))) : null
    if (hasSealed && identity === null) return setProblem({ at: 'passphrase', says: 'Sounds are sealed here with another passphrase. Type that one.' })
    const made = identity === null ? await newSoundSeal(passphrase) : { seal: await withPassphrase(identity, passphrase), identity }
    await writeSoundSeal(made.seal)
    await opens(made.identity)
    await sealRest(made.seal, progress('Sealing part'))
    onClose()
  }
  const openOrEnd = async (seal: SoundSeal | null) => {
    if (seal === null) return onClose()
    const identity = await openedSeal(seal, passphrase)
    if (identity === null) return setProblem({ at: 'passphrase', says: 'The passphrase does not open them. Type it again.' })
    await opens(identity)
    if (what === 'end') await openRest(seal, identity, progress('Opening part'))
    onClose()
  }
  const submit = async (event: FormEvent) => {
    event.preventDefault()
    if (what === 'begin') {
      const [short, other] = [passphraseProblem(passphrase), againProblem(passphrase, again)]
      if (short !== null) return setProblem({ at: 'passphrase', says: short })
      if (other !== null) return setProblem({ at: 'again', says: other })
    }
    setProblem(null)
    setRunning({ says: 'Working with the passphrase…', done: 0, of: 0 })
    try {
      await sealingInTurn((seal) => (what === 'begin' ? begin(seal) : openOrEnd(seal)))
    } catch (error) {
      setProblem({
        at: null,
        says: `It was not done to the end: ${error instanceof Error ? error.message : String(error)}. What was done stays; press again to go on.`,
      })
    } finally {
      setRunning(null)
    }
  }
  const field = { value: passphrase, problem: problemAt('passphrase'), onChange: (value: string) => typed(() => setPassphrase(value)) }
  return (
    <Dialog open onOpenChange={(open) => !open && running === null && onClose()} title={TITLES[what]} description={ABOUTS[what]} beginsAt="passphrase">
      {running === null ? (
        <form noValidate onSubmit={(e) => void submit(e)} className="space-y-3">
          {what === 'begin' ? (
            <NewPassphrase
              hint="Without it nobody hears what was sealed, ever. Nobody can give it to you again."
              passphrase={field}
              again={{ value: again, problem: problemAt('again'), onChange: (value) => typed(() => setAgain(value)) }}
            />
          ) : (
            <TextField
              label="Passphrase"
              name="passphrase"
              type="password"
              autoComplete="off"
              value={field.value}
              problem={field.problem}
              onChange={(e) => field.onChange(e.target.value)}
            />
          )}
          {problemAt(null) !== null && <Problem>{problemAt(null)}</Problem>}
          <Button type="submit" tone={what === 'end' ? 'loss' : 'primary'}>
            {PRESS[what]}
          </Button>
        </form>
      ) : (
        <Progress
          label={running.of === 0 ? running.says : `${running.says} ${running.done.toLocaleString('en-GB')} of ${running.of.toLocaleString('en-GB')}…`}
          done={running.done}
          of={Math.max(1, running.of)}
        />
      )}
    </Dialog>
  )
}
