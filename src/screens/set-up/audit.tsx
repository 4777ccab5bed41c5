'use client'
// Who did what with what is kept of people and with rights, the latest first, and as a file.
import { format } from 'date-fns'
import { useEffect, useState } from 'react'
import { agentName, type SetUp } from '@/core/set-up'
import { Button, Dialog, Problem, saveFile } from '@/parts/ui'
import type { AuditedWhat, AuditPage, AuditRecord } from '@/services/exchange/protocol'
import { useFloor } from '@/services/exchange/react'

const WORDS: Readonly<Record<AuditedWhat, string>> = {
  signedIn: 'signed in',
  signInRefused: 'was refused at the door: the PIN was wrong',
  pinSet: 'set a PIN',
  pinsRenewed: 'New PINs were given at the door',
  setUpChanged: 'changed the set-up',
  rightsChanged: 'changed what an account may do',
  exported: 'saved a file',
  ledgerExported: 'saved the ledger',
  savedEverything: 'saved everything as one file',
  backedUp: 'Everything was saved by itself, into the folder of this computer',
  soundsOpened: 'opened sealed recordings and messages with the passphrase',
  restored: 'put a backup in place of everything',
  recordingPlayed: 'listened to a recording',
  lookedUp: 'looked for what is kept of a person',
  forgot: 'had a person forgotten',
  checked: 'had everything checked',
}
const SHOWN = 200
const ALL = 1_000_000

const wordsOf = (record: AuditRecord, setUp: SetUp): string => {
  const who = record.byAgentId === null ? '' : `${agentName(setUp, record.byAgentId)} `
  return `${who}${WORDS[record.what]}`
}
/** An account by its name. */
const aboutOf = ({ about }: AuditRecord, setUp: SetUp): string => {
  const account = setUp.agents.find((a) => a.id === about)
  return account?.name ?? about
}

export function AuditDialog({ setUp, onClose }: { setUp: SetUp; onClose: () => void }) {
  const floor = useFloor()
  const [page, setPage] = useState<AuditPage | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  useEffect(() => {
    let isThere = true
    void floor?.ask({ kind: 'audit', atMost: SHOWN }).then((reply) => {
      if (!isThere) return
      if (reply.ok) setPage(JSON.parse(reply.text ?? '') as AuditPage)
      else setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
    })
    return () => {
      isThere = false
    }
  }, [floor])
  const save = async () => {
    const reply = await floor?.ask({ kind: 'audit', atMost: ALL })
    if (reply?.ok !== true) return setProblem('The floor did not answer. Try again in a moment.')
    const { records } = JSON.parse(reply.text ?? '') as AuditPage
    saveFile(
      'who-did-what.ndjson',
      records
        .toReversed()
        .map((r) => `${JSON.stringify(r)}\n`)
        .join(''),
      'application/x-ndjson',
    )
  }
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title="Who did what"
      description="What was done with what is kept of people, and with rights. Nothing of it can be changed here, and a change from outside is found."
    >
      {page === null && problem === null && <p className="text-soft">Reading…</p>}
      {problem !== null && <Problem>{problem}</Problem>}
      {page !== null && (
        <>
          {page.broken !== null && (
            <p role="alert" className="border-red border-l-4 bg-red-wash px-3 py-2">
              <strong className="text-red">It is not as it was written:</strong> {page.broken}. Whoever has the rights of this computer’s user may have changed
              it.
            </p>
          )}
          {page.broken === null && (
            <p role="status">{page.count === 1 ? 'One record' : `${page.count.toLocaleString('en-GB')} records`}, each as it was written.</p>
          )}
          {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what is scrolled can be reached by keyboard */}
          <section aria-label="Records" tabIndex={0} className="mt-3 max-h-80 overflow-auto border-line border-y">
            <table className="w-full">
              <thead className="sr-only">
                <tr>
                  <th>When</th>
                  <th>What</th>
                  <th>About</th>
                </tr>
              </thead>
              <tbody>
                {page.records.map((record) => (
                  <tr key={record.no} className="border-line border-b align-baseline">
                    <td className="tabular whitespace-nowrap py-1 pr-4 text-soft">{format(record.atMs, 'EEE d MMM, HH:mm')}</td>
                    <td className="py-1 pr-4">{wordsOf(record, setUp)}</td>
                    <td className="break-all py-1 text-soft">{aboutOf(record, setUp)}</td>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
          {page.count > page.records.length && (
            <p className="mt-2 text-soft">The latest {page.records.length.toLocaleString('en-GB')} are shown; the file has all of them.</p>
          )}
          <Button className="mt-3" onClick={() => void save()}>
            Save as NDJSON
          </Button>
        </>
      )}
    </Dialog>
  )
}
