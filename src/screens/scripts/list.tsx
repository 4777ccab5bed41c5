'use client'
// The scripts of the centre: what is in use, who uses it, what is being written, and what the checker says of each.
import { format } from 'date-fns'
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { toScriptId } from '@/core/ids'
import { checkScript, copyScript, type Script, ScriptSchema } from '@/core/scripts'
import { type SetUp, scriptsInUse } from '@/core/set-up'
import { Button, type Column, FileButton, Table } from '@/parts/ui'
import { DraftPanel, freeId, readJson, SetUpPlaces, useSetUpDraft } from '@/screens/set-up'
import type { FloorView } from '@/services/exchange/protocol'
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
    const found = readJson(await file.text(), ScriptSchema, 'script')
    if (!found.ok) return say('', [`Nothing of ${file.name} was taken. Correct it and bring it in again.`, ...found.problems])
    const known = setUp.scripts.filter((s) => s.id === found.value.id)
    await saveDraft({ script: found.value, basedOn: known.length === 0 ? null : Math.max(...known.map((s) => s.version)), savedAtMs: Date.now() })
    router.push(`/scripts/${found.value.id}`)
  }
  const archive = (script: Script, on: boolean) => {
    const others = setUp.archivedScriptIds.filter((id) => id !== script.id)
    void setUpDraft.putIntoUse({ ...setUp, archivedScriptIds: on ? [...others, script.id] : others })
  }
  const copy = (script: Script) => void begin(copyScript(script, toScriptId(freeId(`${script.id}-copy`, taken)), `${script.name} (copy)`))
  const usedBy = ({ script }: Row) => queuesOf(setUp, script.id)
  const columns: readonly Column<Row>[] = [
    {
      id: 'script',
      heading: 'Script',
      isName: true,
      sortBy: ({ script }) => script.name,
      cell: ({ script, archived }) => (
        <>
          <Link href={`/scripts/${script.id}`} prefetch={false} className="underline decoration-line-strong underline-offset-4 hover:decoration-ink">
            {script.name || 'Script without a name'}
          </Link>
          {archived && <span className="block font-normal">archived</span>}
        </>
      ),
    },
    {
      id: 'inUse',
      heading: 'In use',
      width: 'w-[5.25rem]',
      sortBy: ({ version }) => version,
      cell: ({ version }) => (version === null ? <span className="text-soft">not yet</span> : `version ${version}`),
    },
    {
      id: 'pages',
      heading: 'Pages',
      width: 'w-[4.25rem]',
      className: 'tabular',
      cell: ({ script }) => script.pages.length,
      sortBy: ({ script }) => script.pages.length,
    },
    {
      id: 'usedBy',
      heading: 'Used by',
      width: 'w-[10.125rem]',
      sortBy: (row) => usedBy(row).join(', ') || null,
      cell: (row) => usedBy(row).join(', ') || <span className="text-soft">no queue</span>,
    },
    {
      id: 'draft',
      heading: 'Draft',
      width: 'w-[7.5rem]',
      sortBy: ({ draftAtMs }) => draftAtMs,
      cell: ({ draftAtMs }) =>
        draftAtMs === null ? <span className="text-soft">none</span> : <span className="text-brass-text">kept {format(draftAtMs, 'd MMM HH:mm')}</span>,
    },
    { id: 'checks', heading: 'Checks', width: 'w-[8.125rem]', cell: ({ script }) => <Checks script={script} setUp={setUp} /> },
    {
      id: 'acts',
      heading: '',
      width: 'w-[9.375rem]',
      align: 'right',
      cell: (row) => (
        <>
          <Button aria-label={`Copy ${row.script.name}`} onClick={() => copy(row.script)}>
            Copy
          </Button>{' '}
          {row.version !== null && (
            <Button
              disabled={!row.archived && usedBy(row).length > 0}
              title={usedBy(row).length > 0 ? 'A queue uses it' : undefined}
              aria-label={`${row.archived ? 'Bring back' : 'Archive'} ${row.script.name}`}
              onClick={() => archive(row.script, !row.archived)}
            >
              {row.archived ? 'Bring back' : 'Archive'}
            </Button>
          )}
        </>
      ),
    },
  ]
  return (
    <>
      <SetUpPlaces here="scripts" />
      <main className="mx-auto grid max-w-[87.5rem] grid-cols-[minmax(0,1fr)_17.5rem] gap-x-8 px-6 py-5">
        <div className="min-w-0">
          <div className="flex items-center gap-2">
            <h1 className="mr-auto font-semibold text-2xl">Scripts</h1>
            <Button onClick={() => void begin(newScript(taken))}>New script</Button>
            <FileButton label="Import JSON" fieldLabel="Script file" accept="application/json,.json" onFile={(file) => void read(file)} />
          </div>
          <Table
            label="Scripts"
            className="mt-2"
            columns={columns}
            rows={rows}
            keyOf={(row) => row.script.id}
            rowClass={(row) => row.archived && 'text-soft'}
          />
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

/** What the checker says of a script, in short. */
function Checks({ script, setUp }: { script: Script; setUp: SetUp }) {
  const findings = checkScript(script, codesOf(setUp, script.id)?.map((c) => c.code) ?? null)
  const errors = findings.filter((f) => f.grade === 'error').length
  return (
    <>
      {findings.length === 0 && <span className="text-green">✓ nothing found</span>}
      {errors > 0 && <span className="block font-semibold text-red">{errors === 1 ? '1 error' : `${errors} errors`}</span>}
      {findings.length > errors && <span className="block text-brass-text">{findings.length - errors} to look at</span>}
    </>
  )
}
