'use client'
// Outcome sets: the codes of each read across, edited in a form, checked, and put into use as a whole. A set goes out and comes in as
// JSON; codes in use are retired, never deleted.
import { useState } from 'react'
import { type OutcomeCode, type OutcomeSet, OutcomeSetSchema } from '@/core/outcomes'
import { checkSetUp, type SetUp, scriptsInUse } from '@/core/set-up'
import { Button, FileButton, SelectField, saveFile, TextField } from '@/parts/ui'
import { Checks, DraftPanel, readJson, SetUpPlaces, useSetUpDraft } from '@/screens/set-up'
import type { FloorView } from '@/services/exchange/protocol'
import { CodeEditor } from './code-editor'
import { CodesTable } from './codes-table'
import { addSet, newCode, withCode } from './edit'

export function OutcomesScreen({ view }: { view: FloorView }) {
  const draft = useSetUpDraft(view.centre.revision)
  const { setUp, change, say } = draft
  const [setId, setSetId] = useState<string | null>(null)
  const [editing, setEditing] = useState<OutcomeCode | null>(null)
  if (setUp === null)
    return (
      <p role="status" className="px-6 py-10 text-soft">
        Reading the set-up…
      </p>
    )
  const set = setUp.outcomeSets.find((s) => s.id === setId) ?? setUp.outcomeSets[0]
  if (set === undefined) return null
  const put = (next: OutcomeSet, says = '') => change({ ...setUp, outcomeSets: setUp.outcomeSets.map((s) => (s.id === next.id ? next : s)) }, says)
  const read = async (file: File) => {
    const found = readJson(await file.text(), OutcomeSetSchema, 'outcomeSet')
    if (!found.ok) return say('', [`Nothing of ${file.name} was taken.`, ...found.problems])
    const there = setUp.outcomeSets.some((s) => s.id === found.value.id)
    setSetId(found.value.id)
    if (there) put(found.value, `${file.name} was read as “${found.value.name}”. Look at it, then put it into use.`)
    else change({ ...setUp, outcomeSets: [...setUp.outcomeSets, found.value] }, `“${found.value.name}” was added from ${file.name}.`)
  }
  return (
    <>
      <SetUpPlaces here="outcomes" />
      <main className="mx-auto grid max-w-[87.5rem] grid-cols-[minmax(0,1fr)_17.5rem] gap-x-8 px-6 py-5">
        <div className="min-w-0">
          <h1 className="font-semibold text-2xl">Outcomes</h1>
          <div className="mt-2 flex items-end gap-3">
            <SelectField label="Set" className="w-56" value={set.id} onChange={(e) => setSetId(e.target.value)}>
              {setUp.outcomeSets.map((s) => (
                <option key={s.id} value={s.id}>
                  {s.name}
                </option>
              ))}
            </SelectField>
            <TextField label="Name of the set" className="w-56" value={set.name} onChange={(e) => put({ ...set, name: e.target.value })} />
            <Button
              className="ml-auto"
              onClick={() => {
                const next = addSet(setUp)
                change(next.setUp)
                setSetId(next.id)
              }}
            >
              Add a set
            </Button>
            <Button onClick={() => setEditing(newCode(set))}>Add a code</Button>
          </div>
          <p className="mt-2 text-soft">{usedBy(setUp, set)}</p>
          <CodesTable set={set} onEdit={setEditing} />
        </div>
        <aside aria-label="Changing and checks" className="space-y-5 border-line border-l pl-6">
          <DraftPanel draft={draft} />
          <Checks
            findings={checkSetUp(setUp).filter((f) => f.place.startsWith('Outcome'))}
            fine="Every code has a key of its own and looks at answers that are asked for."
          />
          <section aria-label="Files" className="border-line border-t pt-4">
            <h2 className="font-semibold text-lg">Files</h2>
            <div className="mt-2 flex flex-wrap gap-2">
              <Button onClick={() => saveFile(`${set.id}.json`, `${JSON.stringify(set, null, 1)}\n`, 'application/json')}>Export JSON</Button>
              <FileButton label="Import JSON" fieldLabel="Outcome set file" accept="application/json,.json" onFile={(file) => void read(file)} />
            </div>
            <p className="mt-2 text-soft text-xs">
              A file with the id of a set here takes its place in the draft. Schema:{' '}
              <a href="/api/schemas/outcome-set" className="underline">
                /api/schemas/outcome-set
              </a>
            </p>
          </section>
        </aside>
        {editing !== null && (
          <CodeEditor
            code={editing}
            set={set}
            scripts={scriptsInUse(setUp)}
            onClose={() => setEditing(null)}
            onSave={(code) => put(withCode(set, editing, code))}
          />
        )}
      </main>
    </>
  )
}

function usedBy(setUp: SetUp, set: OutcomeSet): string {
  const queues = setUp.queues.filter((q) => q.outcomeSetId === set.id && !q.retired).map((q) => q.name)
  const all = [...queues, ...(setUp.outsideOutcomeSetId === set.id ? ['calls dialled by hand'] : [])]
  return all.length === 0 ? 'No queue uses it yet: choose it in the queue.' : `Codes calls of: ${all.join(', ')}.`
}
