'use client'
// All of the centre as one file: sealed with a passphrase, or open on purpose.
import { type FormEvent, useRef, useState } from 'react'
import { Button, Dialog, Problem, Progress, saveFile } from '@/parts/ui'
import { saveBackup } from '@/services/backup/client'
import { useFloor } from '@/services/exchange/react'
import { bytesInWords } from './bytes'
import { NewPassphrase } from './new-passphrase'
import { againProblem, passphraseProblem } from './passphrase'

type Step =
  | { readonly is: 'ask'; readonly at: 'passphrase' | 'again' | null; readonly problem: string | null }
  | { readonly is: 'running'; readonly done: number; readonly of: number }
  | { readonly is: 'done'; readonly name: string; readonly bytes: number }

export function SaveDialog({ centre, onClose }: { centre: string; onClose: () => void }) {
  const floor = useFloor()
  const [step, setStep] = useState<Step>({ is: 'ask', at: null, problem: null })
  const [passphrase, setPassphrase] = useState('')
  const [again, setAgain] = useState('')
  const [isOpen, setIsOpen] = useState(false)
  const running = useRef<ReturnType<typeof saveBackup> | null>(null)
  const ask = (at: 'passphrase' | 'again' | null, problem: string | null) => setStep({ is: 'ask', at, problem })

  const save = async (event: FormEvent) => {
    event.preventDefault()
    const short = isOpen ? null : passphraseProblem(passphrase, ', or leave the file open')
    if (short !== null) return ask('passphrase', short)
    const other = isOpen ? null : againProblem(passphrase, again)
    if (other !== null) return ask('again', other)
    setStep({ is: 'running', done: 0, of: 1 })
    const flushed = await floor?.ask({ kind: 'flushed' })
    if (flushed?.ok !== true)
      return ask(null, flushed === undefined ? 'The floor is not there yet. Try again.' : `${flushed.refusal.says} ${flushed.refusal.next}`)
    try {
      running.current = saveBackup({ centre, passphrase: isOpen ? null : passphrase }, (done, of) =>
        setStep((now) => (now.is === 'running' ? { is: 'running', done, of } : now)),
      )
      const file = await running.current.answer
      if (file === null) return ask(null, 'It was called off, and nothing was saved.')
      const name = `${centre.toLowerCase().replace(/[^a-z0-9]+/g, '-')}-${new Date().toISOString().slice(0, 10)}.${isOpen ? 'zip' : 'zip.age'}`
      await floor?.ask({ kind: 'did', what: 'savedEverything', about: isOpen ? 'open' : 'with a passphrase' })
      saveFile(name, file, 'application/octet-stream')
      setStep({ is: 'done', name, bytes: file.size })
    } catch (error) {
      ask(null, `It could not be saved: ${error instanceof Error ? error.message : String(error)}. Make room on the disk, then try again.`)
    }
  }
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && step.is !== 'running' && onClose()}
      title="Save everything"
      description="One file with the ledger, figures of past days, calling lists, people, recordings and voicemail, accounts and the set-up."
      beginsAt="passphrase"
    >
      {step.is === 'ask' && (
        <form noValidate onSubmit={(e) => void save(e)} className="space-y-3">
          {!isOpen && (
            <NewPassphrase
              hint="Whoever has the file and not this reads nothing of it. Nobody can give it to you again."
              passphrase={{ value: passphrase, problem: step.at === 'passphrase' ? step.problem : null, onChange: setPassphrase }}
              again={{ value: again, problem: step.at === 'again' ? step.problem : null, onChange: setAgain }}
            />
          )}
          <label className="flex items-baseline gap-2">
            <input type="checkbox" className="size-4 accent-green" checked={isOpen} onChange={(e) => setIsOpen(e.target.checked)} />
            <span>
              Leave the file open
              <span className="block text-soft">Whoever has it reads everybody’s calls, numbers and recordings.</span>
            </span>
          </label>
          {step.at === null && step.problem !== null && <Problem>{step.problem}</Problem>}
          <Button type="submit" tone="primary">
            Save everything
          </Button>
        </form>
      )}
      {step.is === 'running' && (
        <>
          <Progress label={`Saving part ${step.done.toLocaleString('en-GB')} of ${step.of.toLocaleString('en-GB')}…`} done={step.done} of={step.of} />
          <Button className="mt-3" onClick={() => running.current?.cancel()}>
            Call it off
          </Button>
        </>
      )}
      {step.is === 'done' && (
        <div role="status">
          <p>
            <strong>{step.name}</strong>, {bytesInWords(step.bytes)}, is where this browser puts what it downloads.
          </p>
          <p className="mt-1 text-soft">Keep it on another disk than this one. Restore from a file reads it, here or in another browser.</p>
          <Button className="mt-3" tone="primary" onClick={onClose}>
            Done
          </Button>
        </div>
      )}
    </Dialog>
  )
}
