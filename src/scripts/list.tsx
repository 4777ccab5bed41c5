'use client'
// The scripts of the centre: what is in use, who uses it, what is being written, and what the checker says of each.
import clsx from 'clsx'
import { format } from 'date-fns'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { toScriptId } from '@/core/ids'
import { checkScript, copyScript, type Script, ScriptSchema } from '@/core/scripts'
import { type SetUp, scriptsInUse } from '@/core/set-up'
import type { FloorView } from '@/exchange/protocol'
import { DraftPanel, freeId, readJson, SetUpPlaces, useSetUpDraft } from '@/set-up'
import { Button, FileButton, TableHead } from '@/ui'
import { codesOf, queuesOf } from './codes'
import { saveDraft, useDrafts } from './drafts'

interface Row {
  readonly script: Script
  /** The latest published version; null while there is none. */
  readonly version: number | null
  readonly draftAtMs: number | null
  readonly archived: boolean
}

export function ScriptsScreen({ view }: { view: FloorView }) {
  const router = useRouter()
  const setUpDraft = useSetUpDraft(view.centre.revision)
  const [drafts] = useDrafts()
  const { setUp, say } = setUpDraft
  if (setUp === null || drafts === null)
    return (
      <p role="status" className="px-6 py-10 text-soft">
        Reading the scripts…
      </p>
    )
  const rows = rowsOf(setUp, drafts)
  const taken = new Set<string>(rows.map((r) => r.script.id))
  const begin = async (script: Script) => {
    await saveDraft({ script, basedOn: null, savedAtMs: Date.now() })
    router.push(`/scripts/${script.id}`)
  }
  const read = async (file: File) => {
    const found = readJson(await file.text(), ScriptSchema)
    if (!found.ok) return say('', [`Nothing of ${file.name} was taken. Correct it and bring it in again.`, ...found.problems])
    const known = setUp.scripts.filter((s) => s.id === found.value.id)
    await saveDraft({ script: found.value, basedOn: known.length === 0 ? null : Math.max(...known.map((s) => s.version)), savedAtMs: Date.now() })
    router.push(`/scripts/${found.value.id}`)
  }
  const archive = (script: Script, on: boolean) => {
    const others = setUp.archivedScriptIds.filter((id) => id !== script.id)
    void setUpDraft.putIntoUse({ ...setUp, archivedScriptIds: on ? [...others, script.id] : others })
  }
  return (
    <>
      <SetUpPlaces here="scripts" />
      <main className="mx-auto grid max-w-[1400px] grid-cols-[minmax(0,1fr)_280px] gap-x-8 px-6 py-5">
        <div className="min-w-0">
          <div className="flex items-center gap-2">
            <h1 className="mr-auto font-semibold text-2xl">Scripts</h1>
            <Button onClick={() => void begin(newScript(taken))}>New script</Button>
            <FileButton label="Import JSON" fieldLabel="Script file" accept="application/json,.json" onFile={(file) => void read(file)} />
          </div>
          <table aria-label="Scripts" className="mt-2 w-full table-fixed">
            <TableHead headings={HEADINGS} />
            <tbody>
              {rows.map((row) => (
                <ScriptRow
                  key={row.script.id}
                  row={row}
                  setUp={setUp}
                  onCopy={() => void begin(copyScript(row.script, toScriptId(freeId(`${row.script.id}-copy`, taken)), `${row.script.name} (copy)`))}
                  onArchive={(on) => archive(row.script, on)}
                />
              ))}
            </tbody>
          </table>
          <p className="mt-3 max-w-[80ch] text-soft">
            A draft is kept in this browser and changes nothing until it is published. Published versions never change: a call goes on with the version it began
            with.
          </p>
        </div>
        <aside aria-label="Changing and checks" className="space-y-5 border-line border-l pl-6">
          <DraftPanel draft={setUpDraft} />
          <p className="border-line border-t pt-4 text-soft text-xs">
            The schema of a script file:{' '}
            <a href="/api/schemas/script" className="underline">
              /api/schemas/script
            </a>
          </p>
        </aside>
      </main>
    </>
  )
}

const HEADINGS = [
  ['Script', ''],
  ['In use', 'w-[84px]'],
  ['Pages', 'w-[60px]'],
  ['Used by', 'w-[170px]'],
  ['Draft', 'w-[120px]'],
  ['Checks', 'w-[130px]'],
  ['', 'w-[150px]'],
] as const

interface RowProps {
  readonly row: Row
  readonly setUp: SetUp
  readonly onCopy: () => void
  readonly onArchive: (on: boolean) => void
}

function ScriptRow({ row, setUp, onCopy, onArchive }: RowProps) {
  const { script, version, draftAtMs, archived } = row
  const used = queuesOf(setUp, script.id)
  const findings = checkScript(script, codesOf(setUp, script.id)?.map((c) => c.code) ?? null)
  const errors = findings.filter((f) => f.grade === 'error').length
  return (
    <tr className={clsx('border-line border-b align-top', archived && 'text-soft')}>
      <th scope="row" className="break-words py-2 pr-3 text-left">
        <Link href={`/scripts/${script.id}`} prefetch={false} className="underline decoration-line-strong underline-offset-4 hover:decoration-ink">
          {script.name || 'Script without a name'}
        </Link>
        {archived && <span className="block font-normal">archived</span>}
      </th>
      <td className="py-2 pr-3">{version === null ? <span className="text-soft">not yet</span> : `version ${version}`}</td>
      <td className="tabular py-2 pr-3">{script.pages.length}</td>
      <td className="py-2 pr-3">{used.join(', ') || <span className="text-soft">no queue</span>}</td>
      <td className="py-2 pr-3">
        {draftAtMs === null ? <span className="text-soft">none</span> : <span className="text-brass-text">kept {format(draftAtMs, 'd MMM HH:mm')}</span>}
      </td>
      <td className="py-2 pr-3">
        {findings.length === 0 && <span className="text-green">✓ nothing found</span>}
        {errors > 0 && <span className="block font-semibold text-red">{errors === 1 ? '1 error' : `${errors} errors`}</span>}
        {findings.length > errors && <span className="block text-brass-text">{findings.length - errors} to look at</span>}
      </td>
      <td className="py-1.5 text-right">
        <Button aria-label={`Copy ${script.name}`} onClick={onCopy}>
          Copy
        </Button>{' '}
        {version !== null && (
          <Button
            disabled={!archived && used.length > 0}
            title={used.length > 0 ? 'A queue uses it' : undefined}
            aria-label={`${archived ? 'Bring back' : 'Archive'} ${script.name}`}
            onClick={() => onArchive(!archived)}
          >
            {archived ? 'Bring back' : 'Archive'}
          </Button>
        )}
      </td>
    </tr>
  )
}

/** Each script once: its draft where there is one, its latest version where not; archived ones last. */
function rowsOf(setUp: SetUp, drafts: readonly { readonly script: Script; readonly savedAtMs: number }[]): readonly Row[] {
  const published = new Map(scriptsInUse({ scripts: setUp.scripts, archivedScriptIds: [] }).map((s) => [s.id, s]))
  const ids = new Set([...published.keys(), ...drafts.map((d) => d.script.id)])
  return [...ids]
    .flatMap((id): Row[] => {
      const draft = drafts.find((d) => d.script.id === id)
      const script = draft?.script ?? published.get(id)
      if (script === undefined) return []
      const archived = setUp.archivedScriptIds.includes(id)
      return [{ script, version: published.get(id)?.version ?? null, draftAtMs: draft?.savedAtMs ?? null, archived }]
    })
    .sort((a, b) => Number(a.archived) - Number(b.archived) || a.script.name.localeCompare(b.script.name))
}

const newScript = (taken: ReadonlySet<string>): Script =>
  ScriptSchema.parse({
    id: freeId('script_new', taken),
    version: 1,
    name: 'New script',
    startPage: 'greeting',
    pages: [
      {
        id: 'greeting',
        title: 'Greeting',
        say: ['Good day, you are speaking with {agent.firstName}.'],
        direction: null,
        questions: [],
        ways: [],
        suggests: [],
      },
    ],
  })
