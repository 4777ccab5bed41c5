// Reasons, skills and times, to be read.
import type { SetUp } from '@/core/set-up'
import { formatClock } from '@/core/time'
import { Button } from '@/parts/ui'
import { loadWords } from './loads-field'

export function Lists({ setUp, onEdit }: { setUp: SetUp; onEdit: () => void }) {
  return (
    <section aria-label="Reasons, skills and times" className="mt-8">
      <div className="flex items-baseline justify-between">
        <h2 className="font-semibold text-lg">Reasons, skills and times</h2>
        <Button aria-label="Edit reasons, skills and times" onClick={onEdit}>
          Edit
        </Button>
      </div>
      <dl className="mt-1 grid grid-cols-[10rem_1fr] gap-y-1 border-line-strong border-t pt-2">
        <dt className="text-soft">Not ready</dt>
        <dd>
          {setUp.notReadyReasons
            .filter((r) => !r.givenByFloor)
            .map((r) => `${r.name} (${r.plannedMs === null ? '' : `${formatClock(r.plannedMs)}, `}${r.paid ? 'paid' : 'unpaid'})`)
            .join(' · ')}
        </dd>
        <dt className="text-soft">Skills</dt>
        <dd>{setUp.skills.map((s) => s.name).join(' · ') || 'none'}</dd>
        <dt className="text-soft">Times</dt>
        <dd>
          a call rings for {formatClock(setUp.ringLimitMs)} · held too long after {formatClock(setUp.holdLimitMs)} · parked for {formatClock(setUp.parkLimitMs)}{' '}
          · undo for {formatClock(setUp.takeBackMs)} · {setUp.mostOwed} outcomes may be owed · a callback is missed after{' '}
          {formatClock(setUp.callbackMissedAfterMs)} ·{' '}
          {setUp.lockAfterMs === null ? 'a page is never locked' : `an untouched page is locked after ${formatClock(setUp.lockAfterMs)}`}
        </dd>
        <dt className="text-soft">Kept</dt>
        <dd>{keptWords(setUp)}</dd>
        <dt className="text-soft">At once</dt>
        <dd>{setUp.carries.map(loadWords).join(', or ')}</dd>
        <dt className="text-soft">Listening in</dt>
        <dd>{setUp.listeningIsShown ? 'agents see who listens in on their call' : 'agents do not see who only listens in'}</dd>
      </dl>
    </section>
  )
}

function keptWords({ keeps: { detailsDays, recordingsDays, messagesDays, attemptsDays } }: SetUp): string {
  const days = (count: number | null) => (count === null ? 'for ever' : count === 1 ? 'a day' : `${count} days`)
  return `who it was and what was said ${days(detailsDays)} · recordings ${days(recordingsDays)} · messages ${days(messagesDays)} · people of calling lists ${days(attemptsDays)}`
}
