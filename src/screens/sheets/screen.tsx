'use client'
// Review sheets: the questions of each, edited, checked, and put into use as a whole. What is changed of a sheet in use is its next version; reviews keep the one
// they were made by.
import { useState } from 'react'
import { latestSheets, type Sheet, type SheetQuestion, SheetSchema } from '@/core/reviews'
import { checkSetUp } from '@/core/set-up'
import { Button, type Column, FileButton, SelectField, saveFile, Table, TextField } from '@/parts/ui'
import { Checks, DraftPanel, readJson, SetUpPlaces, useSetUpDraft } from '@/screens/set-up'
import type { FloorView } from '@/services/exchange/protocol'
import { useSetUpInUse } from '@/services/exchange/react'
import { addSheet, moved, newQuestion, withoutQuestion, withQuestion, withSheet } from './edit'
import { QuestionEditor } from './question-editor'

export function SheetsScreen({ view }: { view: FloorView }) {
  const draft = useSetUpDraft(view.centre.revision)
  const used = useSetUpInUse(view.centre.revision)
  const { setUp, change, say } = draft
  const [sheetId, setSheetId] = useState<string | null>(null)
  const [editing, setEditing] = useState<SheetQuestion | null>(null)
  if (setUp === null || used === null)
    return (
      <p role="status" className="px-6 py-10 text-soft">
        Reading the set-up…
      </p>
    )
  const inUse = used.setUp.reviewSheets
  const sheets = latestSheets(setUp.reviewSheets)
  const sheet = sheets.find((s) => s.id === sheetId) ?? sheets[0]
  const put = (next: Sheet, says = '') => change(withSheet(setUp, inUse, next), says)
  const add = () => {
    const made = addSheet(setUp, inUse)
    change(made.setUp)
    setSheetId(made.id)
  }
  const read = async (file: File) => {
    const found = readJson(await file.text(), SheetSchema, 'sheet')
    if (!found.ok) return say('', [`Nothing of ${file.name} was taken.`, ...found.problems])
    setSheetId(found.value.id)
    put(found.value, `${file.name} was read as “${found.value.name}”. Look at it, then put it into use.`)
  }
  return (
    <>
      <SetUpPlaces here="sheets" />
      <main className="mx-auto grid max-w-[87.5rem] grid-cols-[minmax(0,1fr)_17.5rem] gap-x-8 px-6 py-5 max-md:grid-cols-1">
        <div className="min-w-0">
          <h1 className="font-semibold text-2xl">Review sheets</h1>
          {sheet === undefined ? (
            <p className="mt-3">
              There is no sheet yet, so no call can be reviewed. <Button onClick={add}>Add a sheet</Button>
            </p>
          ) : (
            <>
              <div className="mt-2 flex flex-wrap items-end gap-3">
                <SelectField label="Sheet" className="w-56" value={sheet.id} onChange={(e) => setSheetId(e.target.value)}>
                  {sheets.map((s) => (
                    <option key={s.id} value={s.id}>
                      {s.name}
                      {s.retired ? ' (retired)' : ''}
                    </option>
                  ))}
                </SelectField>
                <TextField
                  label="Name of the sheet"
                  className="w-56"
                  value={sheet.name}
                  maxLength={80}
                  problem={sheet.name.trim() === '' ? 'It needs a name.' : null}
                  onChange={(e) => put({ ...sheet, name: e.target.value })}
                />
                <Button className="ml-auto" onClick={add}>
                  Add a sheet
                </Button>
                <Button onClick={() => setEditing(newQuestion())}>Add a question</Button>
              </div>
              <p className="mt-2 text-soft">{versionWords(sheet, inUse)}</p>
              <Table
                label="Questions"
                className="mt-3"
                columns={columnsFor(sheet, put, setEditing)}
                rows={sheet.questions}
                keyOf={(q) => q.id}
                rowClass={() => sheet.retired && 'text-soft'}
              />
              <label className="mt-3 flex items-center gap-2">
                <input type="checkbox" className="size-4 accent-green" checked={sheet.retired} onChange={(e) => put({ ...sheet, retired: e.target.checked })} />
                Retired: no call is reviewed by it any more
              </label>
            </>
          )}
        </div>
        <aside aria-label="Changing and checks" className="space-y-5 border-line border-l pl-6 max-md:border-0 max-md:pl-0">
          <DraftPanel draft={draft} />
          <Checks findings={checkSetUp(setUp).filter((f) => f.place.startsWith('Sheet'))} fine="Every sheet and every question has words of its own." />
          {sheet !== undefined && (
            <section aria-label="Files" className="border-line border-t pt-4">
              <h2 className="font-semibold text-lg">Files</h2>
              <div className="mt-2 flex flex-wrap gap-2">
                <Button onClick={() => saveFile(`${sheet.id}.json`, `${JSON.stringify(sheet, null, 1)}\n`, 'application/json')}>Export JSON</Button>
                <FileButton label="Import JSON" fieldLabel="Review sheet file" accept="application/json,.json" onFile={(file) => void read(file)} />
              </div>
              <p className="mt-2 text-soft text-xs">A file with the id of a sheet here becomes its next version in the draft.</p>
            </section>
          )}
        </aside>
        {editing !== null && sheet !== undefined && (
          <QuestionEditor question={editing} onClose={() => setEditing(null)} onSave={(question) => put(withQuestion(sheet, editing, question))} />
        )}
      </main>
    </>
  )
}

function versionWords(sheet: Sheet, inUse: readonly Sheet[]): string {
  const latest = Math.max(0, ...inUse.filter((s) => s.id === sheet.id).map((s) => s.version))
  if (latest === 0) return 'New: not in use yet.'
  return sheet.version > latest
    ? `Version ${sheet.version}, not in use yet; reviews made by version ${latest} keep it.`
    : `Version ${latest}, in use. What you change becomes version ${latest + 1}.`
}

const columnsFor = (sheet: Sheet, put: (sheet: Sheet) => void, onEdit: (question: SheetQuestion) => void): readonly Column<SheetQuestion>[] => {
  const weights = sheet.questions.reduce((sum, q) => sum + q.weight, 0)
  return [
    { id: 'label', heading: 'Question', isName: true, cell: (q) => q.label },
    { id: 'kind', heading: 'Answered by', width: 'w-[6.875rem]', cell: (q) => (q.kind === 'scale' ? '1 to 5' : 'yes or no') },
    { id: 'must', heading: 'Must', width: 'w-[4.375rem]', cell: (q) => (q.mustHave ? 'yes' : '') },
    {
      id: 'weight',
      heading: 'Weight',
      width: 'w-[6.875rem]',
      align: 'right',
      className: 'tabular',
      cell: (q) => `${q.weight} (${Math.round((q.weight / weights) * 100)} %)`,
    },
    {
      id: 'acts',
      heading: '',
      width: 'w-[16.875rem]',
      align: 'right',
      cell: (q) => (
        <span className="flex justify-end gap-1">
          <Button aria-label={`Edit ${q.label}`} onClick={() => onEdit(q)}>
            Edit
          </Button>
          <Button tone="quiet" aria-label={`Move up ${q.label}`} disabled={sheet.questions[0]?.id === q.id} onClick={() => put(moved(sheet, q.id, -1))}>
            Up
          </Button>
          <Button tone="quiet" aria-label={`Move down ${q.label}`} disabled={sheet.questions.at(-1)?.id === q.id} onClick={() => put(moved(sheet, q.id, 1))}>
            Down
          </Button>
          <Button tone="quiet" aria-label={`Take out ${q.label}`} disabled={sheet.questions.length === 1} onClick={() => put(withoutQuestion(sheet, q.id))}>
            Take out
          </Button>
        </span>
      ),
    },
  ]
}
