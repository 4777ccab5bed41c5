'use client'
// The agent's ear and mouth: a mixer that is told who hears whom whenever the calls change, the voices of who speaks, the
// microphone, and the recorder. No part of it ever holds up a call; what is missing is said.
import { useEffect, useRef, useState } from 'react'
import { type AgentId, type DeviceId, deviceOfAgent } from '@/core/ids'
import type { CallView, MeView } from '@/exchange/protocol'
import { audioContext, createMixer, createRecorder, createVoices, type Mixer, type Recorder, SILENCE, sceneOf, type Voices } from '@/sound'

export interface SoundProblem {
  /** For the shift bar: `no microphone`. */
  readonly inShort: string
  /** What is wrong and what to do, in sentences. */
  readonly says: string
}

export interface LineSound {
  readonly problem: SoundProblem | null
}

interface Desk {
  readonly mixer: Mixer
  readonly voices: Voices
  readonly recorder: Recorder
}

export function useLineSound(me: MeView, calls: readonly CallView[], voiceVolume: number): LineSound {
  const desk = useRef<Desk | null>(null)
  const said = useRef(new Map<string, string>())
  const [problem, setProblem] = useState<SoundProblem | null>(null)
  const { id } = me

  useEffect(() => {
    if (calls.length === 0 && desk.current === null) return
    const context = audioContext()
    if (context === null) return setProblem({ inShort: 'none', says: 'This browser has no sound. Captions show what is said.' })
    const go = () => {
      desk.current ??= connectDesk(context, setProblem)
      desk.current.mixer.setVoiceVolume(voiceVolume)
      const scene = calls.length === 0 ? SILENCE : sceneOf(calls, id)
      desk.current.mixer.apply(scene)
      desk.current.recorder.follow(scene.recordingId)
      speakNew(desk.current, calls, id, said.current)
    }
    if (context.state === 'running') return go()
    // A browser plays nothing before the first press on the page; answering is one.
    let alive = true
    void context.resume().then(() => alive && go())
    return () => {
      alive = false
    }
  }, [calls, id, voiceVolume])
  useEffect(
    () => () => {
      desk.current?.recorder.follow(null)
      desk.current?.mixer.ear.disconnect()
      desk.current = null
    },
    [],
  )
  return { problem }
}

function connectDesk(context: AudioContext, onProblem: (problem: SoundProblem | null) => void): Desk {
  const mixer = createMixer(context)
  mixer.ear.connect(context.destination)
  const recorder = createRecorder(context, mixer.recording, Date.now, (piece) => {
    // The store of recordings is fetched with the first piece: most calls are not recorded.
    const kept = import('@/exchange/recordings/client').then(({ keepPiece }) => keepPiece(piece))
    kept.catch((error: unknown) =>
      onProblem({
        inShort: 'recording not kept',
        says: `The recording could not be kept: ${error instanceof Error ? error.message : String(error)}. The call goes on without it.`,
      }),
    )
  })
  void openMicrophone(context, mixer, onProblem)
  return { mixer, voices: createVoices(context), recorder }
}

/** Refused or absent, the call goes on: the agent hears, and is told why nobody hears them. */
async function openMicrophone(context: AudioContext, mixer: Mixer, onProblem: (problem: SoundProblem | null) => void): Promise<void> {
  try {
    const stream = await navigator.mediaDevices.getUserMedia({ audio: { echoCancellation: true, noiseSuppression: true } })
    context.createMediaStreamSource(stream).connect(mixer.microphone)
    onProblem(null)
  } catch (error) {
    if (!(error instanceof Error)) throw error
    const refused = error.name === 'NotAllowedError'
    onProblem({
      inShort: 'no microphone',
      says: refused
        ? 'Callers do not hear you: this browser does not allow the microphone. Allow it beside the address, then reload.'
        : 'Callers do not hear you: no microphone was found. Plug one in, then reload; the call goes on meanwhile.',
    })
  }
}

/** New words of somebody else on my lines, in their own voice. */
function speakNew({ mixer, voices }: Desk, calls: readonly CallView[], agentId: AgentId, said: Map<string, string>): void {
  for (const { call } of calls)
    for (const { deviceId, said: words, party } of call.connections) {
      const key = `${call.id} ${deviceId}`
      if (words === null || deviceId === deviceOfAgent(agentId) || said.get(key) === words) continue
      said.set(key, words)
      void voices.speak(words, party.kind === 'outside' ? (party.name ?? party.number ?? 'nobody') : deviceId, mixer.input(deviceId as DeviceId))
    }
}
