'use client'
// Records that are given another chance: by what came of them last, what they were coded as, how often and how long ago they were tried. How many they are is
// shown before anything is done.
import { useCallback, useMemo, useState } from 'react'
import { ATTEMPT_RESULTS, type AttemptResult, type PutBack } from '@/core/campaigns'
import type { CampaignId } from '@/core/ids'
import { Button, Dialog, Problem, SelectField, TextField } from '@/parts/ui'
import { ATTEMPT_WORDS } from '@/parts/words'
import { useCommand, useSeen } from '@/services/exchange/react'
import { useAskedLists } from '@/services/lists/react'

export function PutBackDialog({ campaignId, onClose }: { campaignId: CampaignId; onClose: () => void }) {
  const command = useCommand()
  const codes = useSeen(({ centre }) => {
    const setId = centre.campaigns.find((c) => c.id === campaignId)?.outcomeSetId
    return centre.outcomeSets.find((s) => s.id === setId)?.codes
  })
  const [result, setResult] = useState('')
  const [label, setLabel] = useState('')
  const [tries, setTries] = useState('')
  const [hours, setHours] = useState('')
  const [problem, setProblem] = useState<string | null>(null)
  const which = useMemo(
    (): PutBack => ({
      lastResult: result === '' ? null : (result as AttemptResult),
      label: label === '' ? null : label,
      triesAtLeast: wholeOf(tries),
      restedHours: wholeOf(hours),
    }),
    [result, label, tries, hours],
  )
  const isEmpty = Object.values(which).every((by) => by === null)
  const bad = (text: string) => text.trim() !== '' && wholeOf(text) === null
  const isBad = bad(tries) || bad(hours)
  const { value: count } = useAskedLists(
    useCallback(async (api) => (isEmpty || isBad ? null : api.matching(campaignId, which)), [campaignId, which, isEmpty, isBad]),
  )
  const putBack = async () => {
    if (isBad) return setProblem('Tries and hours are whole numbers from 1 on. Correct them, or leave them empty.')
    const reply = await command({ kind: 'putBackRecords', campaignId, which })
    if (reply.ok) onClose()
    else setProblem(`${reply.refusal.says} ${reply.refusal.next}`)
  }
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title="Put back"
      description="Records that fit are called again. Limits of a day and of seven days hold all the same; nobody who asked not to be called, and nobody with a callback, is put back."
    >
      <div className="grid grid-cols-2 gap-3">
        <SelectField label="Last result" value={result} onChange={(e) => setResult(e.target.value)}>
          <option value="">Any</option>
          {ATTEMPT_RESULTS.map((r) => (
            <option key={r} value={r}>
              {ATTEMPT_WORDS[r]}
            </option>
          ))}
        </SelectField>
        <SelectField label="Coded as" value={label} onChange={(e) => setLabel(e.target.value)}>
          <option value="">Anything or nothing</option>
          {codes?.map((c) => (
            <option key={c.code} value={c.label}>
              {c.label}
            </option>
          ))}
        </SelectField>
        <TextField label="Tried at least so often" value={tries} onChange={(e) => setTries(e.target.value)} inputMode="numeric" />
        <TextField label="Not tried for so many hours" value={hours} onChange={(e) => setHours(e.target.value)} inputMode="numeric" />
      </div>
      <p role="status" className="mt-4">
        {isEmpty
          ? 'Choose at least one of these.'
          : isBad
            ? 'Not counted: tries and hours are whole numbers from 1 to 1,000.'
            : count === null
              ? 'Counting…'
              : count === 1
                ? '1 record fits.'
                : `${count.toLocaleString('en-GB')} records fit.`}
      </p>
      {problem !== null && <Problem of={isBad ? 'Tried at least so often' : undefined}>{problem}</Problem>}
      <div className="mt-3 flex gap-3">
        <Button tone="primary" disabled={isEmpty || (!isBad && !count)} onClick={() => void putBack()}>
          Put back
        </Button>
        <Button onClick={onClose}>Close</Button>
      </div>
    </Dialog>
  )
}

function wholeOf(text: string): number | null {
  const n = Number(text.trim())
  return text.trim() !== '' && Number.isInteger(n) && n >= 1 && n <= 1_000 ? n : null
}
