'use client'
// The sound path: which device carries the agent's voice, each with its own check. What has proved to work is remembered
// for as long as the step is on screen.
import { useEffect } from 'react'
import type { SoundPath } from '@/core/agents'
import type { AgentId } from '@/core/ids'
import { Choice } from '@/parts/ui'
import type { SoundView } from '@/services/exchange/protocol'
import { useFloor } from '@/services/exchange/react'
import { ComputerCheck } from './computer-check'
import { HandsetCheck, PhoneCheck } from './device-checks'
import { PATH_WORDS } from './words'

interface Props {
  /** null until it is known whose sound it is: then only this computer can be checked. */
  readonly agentId: AgentId | null
  readonly sound: SoundView | null
  readonly path: Exclude<SoundPath, 'none'>
  readonly onPath: (path: Exclude<SoundPath, 'none'>) => void
  readonly onProof: (works: boolean) => void
}

const PATHS = [
  { value: 'computer', label: PATH_WORDS.computer, means: 'microphone and speaker or headset' },
  { value: 'handset', label: PATH_WORDS.handset, means: 'the telephone beside it' },
  { value: 'ownPhone', label: PATH_WORDS.ownPhone, means: 'calls in with a code' },
] as const

export function SoundPathStep({ agentId, sound, path, onPath, onProof }: Props) {
  const floor = useFloor()
  useEffect(() => {
    if (agentId !== null) void floor?.ask({ kind: 'soundHere', on: true })
  }, [floor, agentId])
  return (
    <div>
      <Choice label="Sound path" value={path} options={PATHS} onChange={onPath} />
      <div className="mt-3 border-line border-t pt-3">
        {path === 'computer' && <ComputerCheck onProof={onProof} />}
        {path !== 'computer' && agentId === null && <p className="text-soft">Choose your name first: the device is yours.</p>}
        {path === 'handset' && agentId !== null && <HandsetCheck agentId={agentId} sound={sound} />}
        {path === 'ownPhone' && agentId !== null && <PhoneCheck agentId={agentId} sound={sound} />}
      </div>
    </div>
  )
}
