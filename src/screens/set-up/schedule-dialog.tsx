'use client'
// How backups are made by themselves: into which folder, how often, how many stay, and what opens them. The key is shown once and kept nowhere here.
import { generateIdentity, identityToRecipient } from 'age-encryption'
import { type FormEvent, useEffect, useState } from 'react'
import { Button, Choice, type ChoiceOption, Dialog, Problem, SelectField, saveFile, TextField } from '@/parts/ui'
import { openSchedule } from '@/services/backup'
import { EVERY, type Every, type Folder, type Schedule, writeSchedule } from '@/services/backup/schedule'

declare global {
  /** File System Access (WICG), where a browser has it. */
  var showDirectoryPicker: ((options: { readonly id: string; readonly mode: 'readwrite' }) => Promise<Folder>) | undefined
}

const EVERY_LABELS: Readonly<Record<Every, string>> = { hour: 'Every hour', day: 'Every day', week: 'Every week' }
const KEEPS = 14

type Sealed = 'asBefore' | 'newKey' | 'open'
const AS_BEFORE: ChoiceOption<Sealed> = { value: 'asBefore', label: 'Sealed as before', means: 'by the key that is there already' }
const SEALED: readonly ChoiceOption<Sealed>[] = [
  { value: 'newKey', label: 'Sealed by a key', means: 'that is shown here once; whoever has the files and not the key reads nothing of them' },
  { value: 'open', label: 'Left open', means: 'whoever comes to the folder reads everybody’s calls, numbers and recordings' },
]

interface Asks {
  readonly at: 'folder' | 'keeps' | 'key' | null
  readonly says: string
}

export function ScheduleDialog({
  centre,
  schedule,
  onBegun,
  onClose,
}: {
  centre: string
  schedule: Schedule | null
  onBegun: () => void
  onClose: () => void
}) {
  const [folder, setFolder] = useState<Folder | null>(schedule?.folder ?? null)
  const [every, setEvery] = useState<Every>(schedule?.every ?? 'day')
  const [keeps, setKeeps] = useState(String(schedule?.keeps ?? KEEPS))
  const hadKey = (schedule?.recipient ?? null) !== null
  const [sealed, setSealed] = useState<Sealed>(hadKey ? 'asBefore' : 'newKey')
  const [identity, setIdentity] = useState<string | null>(null)
  const [isKept, setIsKept] = useState(false)
  const [asks, setAsks] = useState<Asks | null>(null)
  const problemAt = (at: Asks['at']) => (asks?.at === at ? asks.says : null)
  useEffect(() => void generateIdentity().then(setIdentity), [])

  const choose = async () => {
    try {
      setFolder((await showDirectoryPicker?.({ id: 'backups', mode: 'readwrite' })) ?? null)
      setAsks(null)
    } catch (error) {
      // Whoever closes the browser's window has chosen nothing, and what was chosen before stays.
      if (!(error instanceof DOMException && error.name === 'AbortError')) setAsks({ at: 'folder', says: `The browser gives no folder: ${String(error)}` })
    }
  }
  const begin = async (event: FormEvent) => {
    event.preventDefault()
    const count = Number(keeps)
    if (folder === null)
      return setAsks({ at: 'folder', says: 'No folder is chosen. Choose one that is kept elsewhere too, such as one that is copied to another disk.' })
    if (!Number.isInteger(count) || count < 1 || count > 1_000)
      return setAsks({ at: 'keeps', says: 'It is no whole number from 1 to 1,000. Write how many files stay.' })
    if (sealed === 'newKey' && (identity === null || !isKept))
      return setAsks({ at: 'key', says: 'Nobody can give you the key again. Keep it elsewhere first, then say that you have.' })
    const recipient = sealed === 'open' ? null : sealed === 'asBefore' ? (schedule?.recipient ?? null) : await identityToRecipient(identity ?? '')
    try {
      await writeSchedule(await openSchedule(), { folder, every, keeps: count, recipient, centre, lastMs: null, lastFile: null, trouble: null })
      onBegun()
    } catch (error) {
      setAsks({ at: null, says: `It could not be kept: ${error instanceof Error ? error.message : String(error)}. Make room on the disk, then try again.` })
    }
  }
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title="Save everything by itself"
      description="While a page of this browser is open, one file with everything is written into a folder of this computer. Restore from a file reads it."
    >
      <form noValidate onSubmit={(e) => void begin(e)} className="space-y-3">
        <div>
          <Button onClick={() => void choose()}>{folder === null ? 'Choose a folder…' : 'Choose another folder…'}</Button>
          <span className="ml-2" role="status">
            {folder !== null && <strong>{folder.name}</strong>}
          </span>
          {problemAt('folder') !== null && <Problem>{problemAt('folder')}</Problem>}
        </div>
        <div className="flex gap-3">
          <SelectField label="How often" value={every} onChange={(e) => setEvery(e.target.value as Every)} className="flex-1">
            {EVERY.map((each) => (
              <option key={each} value={each}>
                {EVERY_LABELS[each]}
              </option>
            ))}
          </SelectField>
          <TextField
            label="Files that stay"
            inputMode="numeric"
            className="flex-1"
            value={keeps}
            problem={problemAt('keeps')}
            onChange={(e) => setKeeps(e.target.value)}
          />
        </div>
        <Choice label="What opens the files" value={sealed} options={hadKey ? [AS_BEFORE, ...SEALED] : SEALED} onChange={setSealed} />
        {sealed === 'newKey' && (
          <div className="border-line-strong border-l-4 pl-3">
            <p className="font-semibold">The key of these files</p>
            <code className="mt-1 block break-all text-sm">{identity ?? 'It is being made…'}</code>
            <div className="mt-2 flex flex-wrap gap-2">
              <Button onClick={() => void navigator.clipboard.writeText(identity ?? '')}>Copy it</Button>
              <Button onClick={() => saveFile('key-of-backups.txt', `${identity ?? ''}\n`, 'text/plain')}>Save it as a file</Button>
            </div>
            <label className="mt-2 flex items-baseline gap-2">
              <input type="checkbox" className="size-4 accent-green" checked={isKept} onChange={(e) => setIsKept(e.target.checked)} />
              <span>I keep it elsewhere than on this computer</span>
            </label>
            {problemAt('key') !== null && <Problem>{problemAt('key')}</Problem>}
          </div>
        )}
        {problemAt(null) !== null && <Problem>{problemAt(null)}</Problem>}
        <Button type="submit" tone="primary">
          Save it now, and from now on
        </Button>
      </form>
    </Dialog>
  )
}
