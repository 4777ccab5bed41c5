'use client'
// How was the sound? One press when it was bad; asked by itself after the sound path was lost in the call, or on a line that is known to be bad. The last word counts.
import { useState } from 'react'
import { SOUND_CAUSES, type SoundCause } from '@/core/sound-quality'
import type { Work } from '@/core/work'
import { Button } from '@/parts/ui'
import { lineWords, SOUND_WORDS } from '@/parts/words'
import type { MeView } from '@/services/exchange/protocol'
import { useCommand, useSeen } from '@/services/exchange/react'

export function SoundRating({ me, work }: { me: MeView; work: Work }) {
  const command = useCommand()
  const [asked, setAsked] = useState(false)
  const [problem, setProblem] = useState<string | null>(null)
  const isBadLine = useSeen(({ calls }) => calls.some(({ call }) => call.id === work.id && call.connections.some((c) => lineWords(c.line) !== null))) === true
  const said = work.sound.find((s) => s.agentId === me.id)
  const wasTrouble = me.soundLost !== null || isBadLine
  // What was trouble once in this call is asked for also when it is over.
  if (wasTrouble && !asked) setAsked(true)
  const rate = async (cause: SoundCause | null) => {
    const reply = await command({ kind: 'rateSound', callId: work.id, cause })
    setProblem(reply.ok ? null : `${reply.refusal.says} ${reply.refusal.next}`)
  }
  if (!asked && said === undefined)
    return (
      <Button tone="quiet" className="!h-7 !px-0" onClick={() => setAsked(true)}>
        Sound was bad
      </Button>
    )
  return (
    <fieldset className="mt-1">
      <legend className="font-semibold">How was the sound?</legend>
      <div className="mt-0.5 flex flex-wrap gap-1">
        {[...SOUND_CAUSES, null].map((cause) => (
          <Button
            key={cause ?? 'good'}
            className="!h-7 !px-2 aria-pressed:border-ink aria-pressed:bg-green-wash"
            aria-pressed={said !== undefined && said.cause === cause}
            onClick={() => void rate(cause)}
          >
            {SOUND_WORDS[cause ?? 'good']}
          </Button>
        ))}
      </div>
      {problem !== null && <p className="text-red">{problem}</p>}
    </fieldset>
  )
}
