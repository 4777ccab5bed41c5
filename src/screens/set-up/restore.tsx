'use client'
// A backup is read first: what it holds, and what of it is damaged. Then it takes the place of everything here, or nothing does.
import { format } from 'date-fns'
import { type FormEvent, useRef, useState } from 'react'
import { Button, Dialog, FileButton, Problem, Progress, TextField } from '@/parts/ui'
import { type Look, type Looked, layBackup, lookAtBackup } from '@/services/backup/client'
import { useFloor } from '@/services/exchange/react'
import { bytesInWords } from './bytes'

type Step =
  | { readonly is: 'choose'; readonly problem: string | null }
  | { readonly is: 'passphrase'; readonly file: File; readonly problem: string | null }
  | { readonly is: 'running'; readonly says: string; readonly done: number; readonly of: number }
  | { readonly is: 'read'; readonly file: File; readonly passphrase: string | null; readonly looked: Looked; readonly problem: string | null }

const REFUSED: { readonly [W in Extract<Look, { ok: false }>['why']]: string } = {
  needsPassphrase: '',
  wrongPassphrase: 'The passphrase does not open it, or the beginning of the file was changed. Type it again.',
  notABackup: 'This file is no backup of a centre. Choose the one that Save everything made.',
  newerVersion: 'A newer version of the product made this file. Restore it there.',
  cutOrChanged: 'This file was cut or changed since it was made, and nothing of it is put in place. Choose another copy of it.',
}
const STORE_WORDS: Readonly<Record<string, string>> = {
  floor: 'Ledger, accounts, set-up and what is under way',
  history: 'Figures of past days',
  lists: 'Calling lists, and what their people have been through',
  people: 'Shared people and everybody’s own',
  recordings: 'Recordings, voicemail and greetings',
  'drafts of scripts': 'Scripts that are being written',
}

export function RestoreDialog({ onClose }: { onClose: () => void }) {
  const floor = useFloor()
  const [step, setStep] = useState<Step>({ is: 'choose', problem: null })
  const [passphrase, setPassphrase] = useState('')
  const running = useRef<{ cancel(): void } | null>(null)
  const onProgress = (done: number, of: number) => setStep((now) => (now.is === 'running' ? { ...now, done, of } : now))
  const wordsOf = (error: unknown) => (error instanceof Error ? error.message : String(error))

  const look = async (file: File, given: string | null) => {
    setStep({ is: 'running', says: 'Reading part', done: 0, of: 1 })
    try {
      const asking = lookAtBackup(file, given, onProgress)
      running.current = asking
      const found = await asking.answer
      if (found === null) return setStep({ is: 'choose', problem: null })
      if (found.ok) return setStep({ is: 'read', file, passphrase: given, looked: found.looked, problem: null })
      if (found.why === 'needsPassphrase') return setStep({ is: 'passphrase', file, problem: null })
      if (found.why === 'wrongPassphrase') return setStep({ is: 'passphrase', file, problem: REFUSED.wrongPassphrase })
      setStep({ is: 'choose', problem: REFUSED[found.why] })
    } catch (error) {
      setStep({ is: 'choose', problem: `The file could not be read: ${wordsOf(error)}. Choose it again.` })
    }
  }
  const putInPlace = async (read: Extract<Step, { is: 'read' }>) => {
    setStep({ is: 'running', says: 'Laying beside what is here: part', done: 0, of: 1 })
    try {
      const asking = layBackup(read.file, read.passphrase, onProgress)
      running.current = asking
      if ((await asking.answer) === null) return setStep({ ...read, problem: 'It was called off, and everything here is as it was.' })
      // The floor says to every page that it begins anew: this one as well.
      const reply = await floor?.ask({ kind: 'putBackupInPlace' })
      if (reply?.ok === false) setStep({ ...read, problem: `${reply.refusal.says} ${reply.refusal.next}` })
    } catch (error) {
      setStep({ ...read, problem: `It could not be put in place: ${wordsOf(error)}. Everything here is as it was.` })
    }
  }
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && step.is !== 'running' && onClose()}
      title="Restore from a file"
      description="The file is read and checked first. Nothing here is touched before you say so."
      beginsAt="passphrase"
    >
      {step.is === 'choose' && (
        <>
          <FileButton label="Choose a file" fieldLabel="Backup file" accept=".age,.zip" onFile={(file) => void look(file, null)} />
          {step.problem !== null && <Problem>{step.problem}</Problem>}
        </>
      )}
      {step.is === 'passphrase' && (
        <form
          noValidate
          onSubmit={(e: FormEvent) => {
            e.preventDefault()
            void look(step.file, passphrase)
          }}
        >
          <TextField
            label={`Passphrase of ${step.file.name}`}
            hint="Of a file that was saved by itself: its key, which begins with AGE-SECRET-KEY."
            name="passphrase"
            type="password"
            autoComplete="off"
            autoFocus
            value={passphrase}
            problem={step.problem}
            onChange={(e) => setPassphrase(e.target.value)}
          />
          <Button type="submit" tone="primary" className="mt-3">
            Open it
          </Button>
        </form>
      )}
      {step.is === 'running' && (
        <>
          <Progress label={`${step.says} ${step.done.toLocaleString('en-GB')} of ${step.of.toLocaleString('en-GB')}…`} done={step.done} of={step.of} />
          <Button className="mt-3" onClick={() => running.current?.cancel()}>
            Call it off
          </Button>
        </>
      )}
      {step.is === 'read' && <Read step={step} onPut={() => void putInPlace(step)} onOther={(file) => void look(file, null)} />}
    </Dialog>
  )
}

function Read({ step, onPut, onOther }: { step: Extract<Step, { is: 'read' }>; onPut: () => void; onOther: (file: File) => void }) {
  const { centre, madeAtMs, holds, damaged } = step.looked
  return (
    <>
      <p>
        <strong>{centre}</strong>, saved on {format(madeAtMs, 'EEE d MMM yyyy, HH:mm')}.
      </p>
      <table className="mt-3 w-full" aria-label="What the file holds">
        <thead>
          <tr className="border-line-strong border-b text-left text-soft text-xs">
            <th className="py-1 font-semibold">Holds</th>
            <th className="py-1 text-right font-semibold">Parts</th>
            <th className="py-1 text-right font-semibold">Size</th>
          </tr>
        </thead>
        <tbody>
          {/* What everything else is about comes first. */}
          {holds.toReversed().map(({ store, parts, bytes }) => (
            <tr key={store} className="border-line border-b">
              <td className="py-1">{STORE_WORDS[store] ?? store}</td>
              <td className="tabular py-1 text-right">{parts.toLocaleString('en-GB')}</td>
              <td className="tabular py-1 text-right">{parts === 0 ? 'nothing' : bytesInWords(bytes)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {damaged.length > 0 ? (
        <div role="alert" className="mt-3 border-red border-l-4 bg-red-wash px-3 py-2">
          <p className="font-semibold text-red">
            {damaged.length === 1 ? 'A part of it is damaged' : `${damaged.length.toLocaleString('en-GB')} parts of it are damaged`}, and none of it is put in
            place.
          </p>
          <ul className="mt-1 list-disc pl-5">
            {damaged.slice(0, 5).map((d) => (
              <li key={`${d.store} ${d.key}`}>
                {d.key}, of {(STORE_WORDS[d.store] ?? d.store).toLowerCase()}: {d.why}
              </li>
            ))}
          </ul>
          <p className="mt-1">Choose another copy of the file.</p>
          <div className="mt-2">
            <FileButton label="Choose another file" fieldLabel="Backup file" accept=".age,.zip" onFile={onOther} />
          </div>
        </div>
      ) : (
        <>
          <p role="status" className="mt-3">
            Every part of it is as it was written.
          </p>
          <p className="mt-3 border-brass border-l-4 bg-brass-wash px-3 py-2">
            It takes the place of <strong>everything this browser keeps now</strong>: calls, lists, people, recordings, accounts and set-up. Calls under way end
            for everybody, and every page begins anew, with the PINs of the file. Save everything first if you may want it back.
          </p>
          <Button tone="loss" className="mt-3" onClick={onPut}>
            Put it in place of what is here
          </Button>
        </>
      )}
      {step.problem !== null && <Problem>{step.problem}</Problem>}
    </>
  )
}
