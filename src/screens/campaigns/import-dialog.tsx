'use client'
// A calling list from a file: what the file is and its first rows, what each column stands for, how far it has come, and in figures what was taken and what was
// left out and why.
import * as Comlink from 'comlink'
import { useState } from 'react'
import type { CampaignId } from '@/core/ids'
import { Button, Dialog, FileButton, Problem, Progress, SelectField, saveFile } from '@/parts/ui'
import {
  ENCODING_WORDS,
  type Imported,
  type ImportProgress,
  LEFT_OUT,
  LEFT_OUT_WORDS,
  type Looked,
  ROLE_WORDS,
  ROLES,
  type Role,
  rolesProblem,
} from '@/services/lists/client'
import { useAskedLists, useLists } from '@/services/lists/react'

type Step =
  | { readonly is: 'choose'; readonly problem: string | null }
  | { readonly is: 'looking' }
  | { readonly is: 'match'; readonly file: File; readonly looked: Looked; readonly roles: readonly Role[]; readonly problem: string | null }
  | { readonly is: 'running'; readonly progress: ImportProgress | null; readonly cancels: boolean }
  | { readonly is: 'done'; readonly imported: Extract<Imported, { ok: true }> }

const metas = (api: NonNullable<ReturnType<typeof useLists>>) => api.metas()
const NEW_LIST = ''

export function ImportDialog({ campaignId, onClose }: { campaignId: CampaignId; onClose: () => void }) {
  const lists = useLists()
  const { value: all } = useAskedLists(metas)
  const mine = (all ?? []).filter((l) => l.campaignId === campaignId)
  const [step, setStep] = useState<Step>({ is: 'choose', problem: null })
  const [chosen, setInto] = useState<string | null>(null)
  const [leavesOutOthers, setLeavesOutOthers] = useState(false)
  const into = chosen ?? mine[0]?.id ?? NEW_LIST

  const look = async (file: File) => {
    if (lists === null) return
    setStep({ is: 'looking' })
    try {
      const found = await lists.look(file)
      setStep(found.ok ? { is: 'match', file, looked: found.looked, roles: found.looked.roles, problem: null } : { is: 'choose', problem: found.says })
    } catch (error) {
      setStep({ is: 'choose', problem: `The file could not be opened: ${error instanceof Error ? error.message : String(error)}. Choose it again.` })
    }
  }
  const run = async (match: Extract<Step, { is: 'match' }>) => {
    const problem = rolesProblem(match.roles)
    if (problem !== null || lists === null) return setStep({ ...match, problem })
    setStep({ is: 'running', progress: null, cancels: false })
    const onProgress = (progress: ImportProgress) => setStep((now) => (now.is === 'running' ? { ...now, progress } : now))
    const list = mine.find((l) => l.id === into)
    const wish = {
      file: match.file,
      looked: match.looked,
      roles: match.roles,
      campaignId,
      name: list?.name ?? match.file.name.replace(/\.[^.]+$/, ''),
      listId: list?.id ?? null,
      leavesOutOthers,
    }
    try {
      const imported = await lists.importFile(wish, Comlink.proxy(onProgress))
      if (imported.ok) setStep({ is: 'done', imported })
      else setStep({ ...match, problem: imported.says })
    } catch (error) {
      setStep({ ...match, problem: `It could not be imported: ${error instanceof Error ? error.message : String(error)}. The list is as it was.` })
    }
  }
  const cancel = () => {
    void lists?.cancelImport()
    setStep((now) => (now.is === 'running' ? { ...now, cancels: true } : now))
  }
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && step.is !== 'running' && onClose()}
      title="Import a list"
      description="CSV with any separator, or NDJSON. Nothing is taken until all of it is there; who is on the list already, by the same key, keeps what they have been through."
    >
      {step.is === 'choose' && (
        <>
          <FileButton label="Choose a file" fieldLabel="List file" accept=".csv,.tsv,.txt,.ndjson,.jsonl,.json" onFile={(file) => void look(file)} />
          {step.problem !== null && <Problem>{step.problem}</Problem>}
        </>
      )}
      {step.is === 'looking' && <p className="text-soft">Looking at the file…</p>}
      {step.is === 'match' && (
        <>
          <p>
            <strong>{step.file.name}</strong>{' '}
            <span className="text-soft">
              · {sizeWords(step.file.size)}, {ENCODING_WORDS[step.looked.encoding]},{' '}
              {step.looked.shape.is === 'csv' ? `CSV with ${delimiterWords(step.looked.shape.delimiter)}` : 'NDJSON'}
            </span>
          </p>
          <Match step={step} onRoles={(roles) => setStep({ ...step, roles, problem: null })} />
          <div className="mt-3 grid grid-cols-2 items-end gap-3">
            <SelectField label="Into" value={into} onChange={(e) => setInto(e.target.value)}>
              {mine.map((l) => (
                <option key={l.id} value={l.id}>
                  {l.name} ({l.count.toLocaleString('en-GB')})
                </option>
              ))}
              <option value={NEW_LIST}>a new list</option>
            </SelectField>
            <label className="flex items-center gap-2 pb-1.5">
              <input type="checkbox" className="size-4 accent-green" checked={leavesOutOthers} onChange={(e) => setLeavesOutOthers(e.target.checked)} />
              Leave out who is on another running list
            </label>
          </div>
          {step.problem !== null && <Problem>{step.problem}</Problem>}
          <div className="mt-4 flex flex-wrap gap-3">
            <Button tone="primary" onClick={() => void run(step)}>
              Import
            </Button>
            <FileButton label="Choose another file" fieldLabel="List file" accept=".csv,.tsv,.txt,.ndjson,.jsonl,.json" onFile={(file) => void look(file)} />
          </div>
        </>
      )}
      {step.is === 'running' && (
        <>
          <Progress label={step.cancels ? 'Calling it off…' : progressWords(step.progress)} done={step.progress?.bytes ?? 0} of={step.progress?.ofBytes ?? 1} />
          <Button className="mt-3" disabled={step.cancels} onClick={cancel}>
            Cancel import
          </Button>
        </>
      )}
      {step.is === 'done' && <Done imported={step.imported} onClose={onClose} />}
    </Dialog>
  )
}

function Match({ step, onRoles }: { step: Extract<Step, { is: 'match' }>; onRoles: (roles: readonly Role[]) => void }) {
  const { looked, roles } = step
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard
    <section aria-label="Columns" tabIndex={0} className="mt-3 max-h-72 overflow-auto border-line border-y">
      <table className="w-full">
        <thead>
          <tr className="text-left">
            <th scope="col" className="eyebrow py-1 pr-3">
              Column
            </th>
            <th scope="col" className="eyebrow py-1 pr-3">
              Stands for
            </th>
            <th scope="col" className="eyebrow py-1">
              First rows
            </th>
          </tr>
        </thead>
        <tbody>
          {looked.columns.map((column, i) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: columns are told apart by their place alone
            <tr key={i} className="border-line border-t">
              <th scope="row" className="max-w-40 truncate py-1 pr-3 text-left font-semibold" title={column}>
                {column}
              </th>
              <td className="py-1 pr-3">
                <select
                  aria-label={`${column} stands for`}
                  className="h-8 w-44 rounded-sm border border-line-strong bg-raised px-1"
                  value={roles[i]}
                  onChange={(e) => onRoles(roles.map((r, at) => (at === i ? (e.target.value as Role) : r)))}
                >
                  {ROLES.map((role) => (
                    <option key={role} value={role}>
                      {ROLE_WORDS[role]}
                    </option>
                  ))}
                </select>
              </td>
              <td className="max-w-56 truncate py-1 text-soft">
                {looked.sample
                  .slice(0, 3)
                  .map((row) => row[i] ?? '')
                  .filter((cell) => cell !== '')
                  .join(' · ')}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  )
}

function Done({ imported, onClose }: { imported: Extract<Imported, { ok: true }>; onClose: () => void }) {
  const { taken, changed, leftOut, rejects } = imported
  const why = LEFT_OUT.filter((w) => leftOut[w] > 0)
  return (
    <>
      <p role="status">
        <strong>{taken.toLocaleString('en-GB')} taken</strong>, {changed.toLocaleString('en-GB')} changed,{' '}
        {why.reduce((sum, w) => sum + leftOut[w], 0).toLocaleString('en-GB')} left out.
      </p>
      {why.length > 0 && (
        <dl className="mt-2 grid w-72 grid-cols-[1fr_auto] gap-y-0.5">
          {why.map((w) => (
            <div key={w} className="contents">
              <dt className="text-soft">{LEFT_OUT_WORDS[w]}</dt>
              <dd className="tabular text-right">{leftOut[w].toLocaleString('en-GB')}</dd>
            </div>
          ))}
        </dl>
      )}
      <div className="mt-4 flex gap-3">
        {rejects !== null && <Button onClick={() => saveFile('rows-left-out.csv', rejects, 'text/csv')}>Save rows left out</Button>}
        <Button tone="primary" onClick={onClose}>
          Done
        </Button>
      </div>
    </>
  )
}

const progressWords = (progress: ImportProgress | null): string =>
  progress === null ? 'Reading the file…' : `${progress.rows.toLocaleString('en-GB')} rows, ${progress.rowsPerSecond.toLocaleString('en-GB')} a second`
const sizeWords = (bytes: number): string =>
  bytes < 10_000 ? `${bytes} bytes` : bytes < 1_000_000 ? `${Math.round(bytes / 1_000)} kB` : `${(bytes / 1_000_000).toFixed(1)} MB`
const delimiterWords = (delimiter: string): string => ({ ',': 'commas', ';': 'semicolons', '\t': 'tabs', '|': 'bars' })[delimiter] ?? `“${delimiter}”`
