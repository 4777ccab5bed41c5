'use client'
import { Button, usePersonalSetting } from '@/parts/ui'
import { isMine } from '@/parts/words'
// The first minutes of somebody new: what stands here and what happens next, in a few words that follow what they do. Skipped or finished, it is gone for
// good in this browser.
import type { CallView, MeView } from '@/services/exchange/protocol'
import { holdsMessage } from './board/message-actions'

type Step = 'ready' | 'ring' | 'answer' | 'offered' | 'message' | 'talk' | 'writing' | 'code' | 'done'

/** Where somebody new stands, from the state of their desk alone. */
export function tourStep(me: Pick<MeView, 'id' | 'state' | 'codedCount'>, calls: readonly Pick<CallView, 'call'>[]): Step {
  // On a busy day the next call rings before the sentence about the first has been read.
  if (me.codedCount > 0 && (me.state === 'ringing' || (calls.length === 0 && me.state !== 'wrapUp'))) return 'done'
  // What was left overnight is offered to whoever is ready first, when nobody waits: there is nobody to hang up on.
  if (me.state === 'ringing') return calls.some(({ call }) => call.messageId !== null) ? 'offered' : 'answer'
  if (calls.some(({ call }) => call.connections.some((c) => isMine(c, me.id) && holdsMessage(call, c)))) return 'message'
  if (calls.length > 0) return 'talk'
  if (me.state === 'wrapUp') return 'code'
  if (me.state === 'writing') return 'writing'
  return me.state === 'ready' ? 'ring' : 'ready'
}

const STEPS: Record<Step, { readonly no: number; readonly says: string }> = {
  ready: { no: 1, says: 'You are on shift and not ready: nothing rings here. Press Go ready, above at the left.' },
  ring: { no: 2, says: 'You are ready, and the board waits for a call. Open Stand-ins, above at the right, and press Ring me: somebody rings here.' },
  answer: { no: 3, says: 'It rings. Who it is stands at the right, and what you will read below. Press Answer.' },
  offered: { no: 3, says: 'A message that somebody left is offered to you, as no caller is waiting. Press Answer.' },
  message: { no: 4, says: 'You have the message, and nobody is on the line. Listen to it below, then press Call back, or Put it away.' },
  talk: {
    no: 4,
    says: 'You are talking. Read the page aloud, fill in what you hear, press Next page. The board shows who hears whom. When you are done, press Hang up.',
  },
  writing: { no: 4, says: 'You answer somebody who writes. Write below, and end it above what was written when all is said; a call may ring meanwhile.' },
  code: { no: 5, says: 'It has ended; outcome needed. Choose one at the right, write a word if you like, and press Save outcome.' },
  done: {
    no: 6,
    says: 'That was a whole call; the next may ring at once. It stands under Results, down to the last event. More keys are under ?, and holding Alt shows them.',
  },
}
const LAST = 6

export function Tour({ me, calls }: { me: MeView; calls: readonly CallView[] }) {
  const [seen, setSeen] = usePersonalSetting<'no' | 'yes'>('tour seen', 'no')
  if (seen === 'yes') return null
  const step = tourStep(me, calls)
  const { no, says } = STEPS[step]
  return (
    <section aria-label="First steps" className="flex min-h-9 items-center gap-4 border-sea border-b border-l-4 bg-sea-wash px-4 py-1">
      <span className="tabular whitespace-nowrap text-soft">
        {no} of {LAST}
      </span>
      <p role="status" className="min-w-0 flex-1">
        {says}
      </p>
      <Button className="!h-7" onClick={() => setSeen('yes')}>
        {step === 'done' ? 'Finish' : 'Skip'}
      </Button>
    </section>
  )
}
