'use client'
// Publishing: the draft becomes the next version and is never changed again. Errors keep it back; what is to be looked at is said once more.
import { useState } from 'react'
import { type Script, type ScriptFinding, ScriptSchema } from '@/core/scripts'
import { Button, Dialog, Problem } from '@/parts/ui'
import { readWhole, type SetUpDraft } from '@/screens/set-up'

interface Props {
  readonly script: Script
  readonly findings: readonly ScriptFinding[]
  readonly latest: Script | undefined
  readonly setUpDraft: SetUpDraft
  readonly onClose: () => void
  readonly onPublished: (script: Script) => void
}

export function PublishDialog({ script, findings, latest, setUpDraft, onClose, onPublished }: Props) {
  const [problem, setProblem] = useState<string | null>(null)
  const { inUse, putIntoUse, problems } = setUpDraft
  const version = (latest?.version ?? 0) + 1
  const errors = findings.filter((f) => f.grade === 'error')
  const publish = async () => {
    const whole = readWhole({ ...script, version }, ScriptSchema)
    if (!whole.ok) return setProblem(`It is not whole yet. ${whole.lack}`)
    if (inUse !== null && (await putIntoUse({ ...inUse.setUp, scripts: [...inUse.setUp.scripts, whole.value] }))) onPublished(whole.value)
  }
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={`Publish as version ${version}`}
      description="Calls that begin from now on run it. Calls that are on go on with the version they began with."
    >
      <div className="space-y-3">
        {errors.length > 0 && (
          <Problem>
            {errors.length === 1 ? 'One error keeps' : `${errors.length} errors keep`} it back: {errors[0]?.says} {errors[0]?.cure}
          </Problem>
        )}
        {errors.length === 0 && findings.length > 0 && <p className="text-brass-text">{findings.length} to look at; it may be meant so.</p>}
        {[...problems, ...(problem === null ? [] : [problem])].map((says) => (
          <Problem key={says}>{says}</Problem>
        ))}
        <Button tone="primary" disabled={errors.length > 0} onClick={() => void publish()}>
          Publish version {version}
        </Button>
      </div>
    </Dialog>
  )
}
