'use client'
// Somebody's board as it was at an instant of a day that is over: to be looked at, not worked at.
import type { CentreView, FloorView, MeView } from '@/services/exchange/protocol'
import { Board } from './board/board'

interface Props extends Pick<FloorView, 'calls' | 'work'> {
  readonly me: MeView
  readonly centre: CentreView
}

export function BoardThen({ me, centre, calls, work }: Props) {
  return (
    <div inert>
      <Board me={me} centre={centre} calls={calls} work={work} give={refused} panel={null} onPanel={nothing} problem={null} over={null} />
    </div>
  )
}

const refused = async () => false
const nothing = () => {}
