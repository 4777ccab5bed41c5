'use client'
// One record: who it is, every try with what came of it and the call it became, and what comes next and why.
import { format } from 'date-fns'
import { useCallback } from 'react'
import { Dialog, PlaceLink } from '@/parts/ui'
import { ATTEMPT_WORDS, numberWords, RECORD_STATE_WORDS, useNumberWords } from '@/parts/words'
import { useAskedLists } from '@/services/lists/react'
import { nextWords } from './next-words'

export function OneRecordDialog({ recordId, onClose }: { recordId: string; onClose: () => void }) {
  useNumberWords()
  const { value, problem } = useAskedLists(useCallback((api) => api.record(recordId), [recordId]))
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && onClose()}
      title={value?.record.person ?? 'Record'}
      description={value?.record.key === null ? '' : `Key ${value?.record.key ?? '…'}`}
    >
      {problem !== null && <p className="text-red">It could not be read: {problem}</p>}
      {value === null && problem === null && <p className="text-soft">Looking…</p>}
      {value != null && (
        <>
          <p>
            <strong>{RECORD_STATE_WORDS[value.standing.state]}</strong> · next: {nextWords(value.standing)}
          </p>
          <dl className="mt-3 grid grid-cols-[8.75rem_1fr] gap-y-0.5">
            <dt className="text-soft">Numbers</dt>
            <dd className="tabular">
              {value.record.numbers.length === 0 && <span className="font-sans text-soft">None is kept any more.</span>}
              {value.record.numbers.map(({ number, zones }) => (
                <span key={number} className="block">
                  {numberWords(number)} <span className="font-sans text-soft text-xs">{zones.length > 1 ? `in one of ${zones.length} zones` : zones[0]}</span>
                  {value.life.struck.includes(number) && <span className="font-sans text-red text-xs"> not theirs</span>}
                  {value.life.barred.includes(number) && <span className="font-sans text-red text-xs"> on the do-not-call list</span>}
                </span>
              ))}
            </dd>
            {Object.entries(value.record.fields).map(([label, text]) => (
              <div key={label} className="contents">
                <dt className="text-soft">{label}</dt>
                <dd className="min-w-0 break-words">{text}</dd>
              </div>
            ))}
          </dl>
          <h3 className="mt-4 font-semibold">Tries</h3>
          {value.life.tries.length === 0 && <p className="text-soft">None yet.</p>}
          <ol className="divide-y divide-line">
            {value.life.tries.map((one) => (
              <li key={one.attemptId} className="grid grid-cols-[6.875rem_9.375rem_1fr] py-1">
                <span className="tabular text-soft">{format(one.atMs, 'd MMM HH:mm')}</span>
                <span className="tabular">{numberWords(one.number)}</span>
                <span>
                  {one.result === null ? 'under way' : ATTEMPT_WORDS[one.result]}
                  {one.label !== null && <span> · {one.label}</span>}
                  {one.callId !== null && (
                    <>
                      {' · '}
                      <PlaceLink href={`/results/call/${one.callId}`} isHere={false}>
                        the call
                      </PlaceLink>
                    </>
                  )}
                </span>
              </li>
            ))}
          </ol>
        </>
      )}
    </Dialog>
  )
}
