'use client'
// The author's screen: the map of the script across the top, as the board lies across the desk; below it the page that is edited, beside it
// the page as the agent will see it, and what the checker finds. Or the whole of it walked through as a rehearsal.
import Link from 'next/link'
import { useRouter } from 'next/navigation'
import { type KeyboardEvent, useDeferredValue, useMemo, useState } from 'react'
import { addPage, checkScript, removePage, type Script, ScriptSchema, toMarkdown, withPage } from '@/core/scripts'
import { Problem, saveFile } from '@/parts/ui'
import { readWhole, type SetUpDraft, useSetUpDraft } from '@/screens/set-up'
import type { FloorView } from '@/services/exchange/protocol'
import { AuthorBar } from './author-bar'
import { codesOf } from './codes'
import { CompareDialog } from './compare-dialog'
import { dropDraft } from './drafts'
import { Findings } from './findings'
import { PageEditor } from './page-editor'
import { Preview } from './preview'
import { PublishDialog } from './publish-dialog'
import { Rehearsal } from './rehearsal'
import { ScriptMap } from './script-map'
import { useScriptHistory } from './use-script-history'

export function AuthorScreen({ view, scriptId }: { view: FloorView; scriptId: string }) {
  const setUpDraft = useSetUpDraft(view.centre.revision)
  const { inUse } = setUpDraft
  const published = useMemo(() => (inUse?.setUp.scripts ?? []).filter((s) => s.id === scriptId).toSorted((a, b) => a.version - b.version), [inUse, scriptId])
  const history = useScriptHistory(scriptId, inUse === null ? undefined : (published.at(-1) ?? null))
  if (inUse === null || history.state === 'reading')
    return (
      <p role="status" className="px-6 py-10 text-soft">
        Reading the script…
      </p>
    )
  if (history.state === 'missing')
    return (
      <main className="px-6 py-10">
        <h1 className="font-semibold text-2xl">No such script</h1>
        <p className="mt-2 text-soft">It is neither published here nor among the drafts of this browser.</p>
        <Link href="/scripts" className="mt-2 inline-block underline underline-offset-4">
          All scripts
        </Link>
      </main>
    )
  return <Author view={view} setUpDraft={setUpDraft} published={published} history={history} />
}

type Ready = Extract<ReturnType<typeof useScriptHistory>, { state: 'ready' }>

function Author({ view, setUpDraft, published, history }: { view: FloorView; setUpDraft: SetUpDraft; published: readonly Script[]; history: Ready }) {
  const router = useRouter()
  const { script } = history
  const [pageId, setPageId] = useState(script.startPage)
  const [rehearsing, setRehearsing] = useState(false)
  const [trail, setTrail] = useState<readonly string[]>([])
  const [dialog, setDialog] = useState<'compare' | 'publish' | null>(null)
  const [problem, setProblem] = useState<string | null>(null)
  const codes = useMemo(() => (setUpDraft.inUse === null ? null : codesOf(setUpDraft.inUse.setUp, script.id)), [setUpDraft.inUse, script.id])
  // The words are in the preview at once; map and findings follow when the typing leaves time.
  const settled = useDeferredValue(script)
  const findings = useMemo(() => checkScript(settled, codes?.map((c) => c.code) ?? null), [settled, codes])
  const page = script.pages.find((p) => p.id === pageId) ?? (script.pages[0] as Script['pages'][number])
  const questions = useMemo(() => script.pages.flatMap((p) => p.questions), [script])
  const latest = published.at(-1)
  const versions = [...published.map((s) => ({ label: `Version ${s.version}`, script: s })), ...(history.changed ? [{ label: 'This draft', script }] : [])]
  const onKeyDown = (event: KeyboardEvent) => {
    if (!(event.ctrlKey || event.metaKey) || event.altKey || event.key.toLowerCase() !== 'z') return
    // The fields hold what the document says: undoing is the document's business, not each field's.
    event.preventDefault()
    if (event.shiftKey) history.redo()
    else history.undo()
  }
  const discard = async () => {
    await dropDraft(script.id)
    if (latest === undefined) router.push('/scripts')
    else history.reset(latest)
  }
  /** A draft that lacks what every script needs, such as a title, is no file others could read. */
  const asFile = (save: (whole: Script) => void) => {
    const whole = readWhole(script, ScriptSchema)
    setProblem(whole.ok ? null : `The draft is not whole yet. ${whole.lack}`)
    if (whole.ok) save(whole.value)
  }
  return (
    // biome-ignore lint/a11y/noStaticElementInteractions: the keys of the whole screen
    <div className="flex min-h-0 flex-1 flex-col" onKeyDown={onKeyDown}>
      <AuthorBar
        script={script}
        latest={latest?.version ?? null}
        history={history}
        rehearsing={rehearsing}
        mayCompare={versions.length > 1}
        onName={(name) => history.change({ ...script, name }, 'name')}
        onRehearse={() => {
          setTrail([])
          setRehearsing(!rehearsing)
        }}
        onCompare={() => setDialog('compare')}
        onPublish={() => setDialog('publish')}
        onDiscard={() => void discard()}
        onJson={() => asFile((whole) => saveFile(`${whole.id}-v${whole.version}.json`, `${JSON.stringify(whole, null, 1)}\n`, 'application/json'))}
        onMarkdown={() => asFile((whole) => saveFile(`${whole.id}-v${whole.version}.md`, toMarkdown(whole), 'text/markdown'))}
      />
      {problem !== null && <Problem className="mx-4 my-1">{problem}</Problem>}
      <ScriptMap
        script={settled}
        findings={findings}
        selected={rehearsing ? (trail.at(-1) ?? pageId) : page.id}
        trail={rehearsing ? trail : EMPTY}
        onSelect={setPageId}
      />
      {rehearsing ? (
        <Rehearsal
          script={script}
          codes={codes ?? []}
          homeCountry={view.centre.homeCountry}
          onPage={(_, walked) => setTrail(walked)}
          onEdit={(id) => {
            setPageId(id)
            setRehearsing(false)
          }}
        />
      ) : (
        <main className="grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)_minmax(23.75rem,42%)]">
          <h1 className="sr-only">Script {script.name}</h1>
          {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard */}
          <div tabIndex={0} className="min-h-0 overflow-auto -outline-offset-4">
            <PageEditor
              key={page.id}
              script={script}
              page={page}
              codes={codes ?? []}
              questions={questions}
              onChange={(next, of) => history.change(withPage(script, next), of === null ? null : `${page.id} ${of}`)}
              onStart={() => history.change({ ...script, startPage: page.id }, null)}
              onRemove={() => {
                const next = removePage(script, page.id)
                history.change(next, null)
                setPageId(next.startPage)
              }}
              onAdd={() => {
                const added = addPage(script, page.id)
                history.change(added.script, null)
                setPageId(added.pageId)
              }}
              onSelect={setPageId}
            />
          </div>
          {/* biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reachable by keyboard */}
          <div tabIndex={0} className="min-h-0 overflow-auto border-line-strong border-l bg-paper -outline-offset-4">
            <Preview script={script} pageId={page.id} homeCountry={view.centre.homeCountry} onSelect={setPageId} />
            <Findings script={settled} findings={findings} onSelect={setPageId} />
          </div>
        </main>
      )}
      {dialog === 'compare' && <CompareDialog versions={versions} onClose={() => setDialog(null)} />}
      {dialog === 'publish' && (
        <PublishDialog
          script={script}
          findings={checkScript(script, codes?.map((c) => c.code) ?? null)}
          latest={latest}
          setUpDraft={setUpDraft}
          onClose={() => setDialog(null)}
          onPublished={(whole) => {
            void dropDraft(script.id)
            history.reset(whole)
            setDialog(null)
          }}
        />
      )}
    </div>
  )
}

const EMPTY: readonly string[] = []
