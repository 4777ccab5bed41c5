'use client'
// The agent's ear and mouth: a mixer that is told who hears whom whenever the calls change, the voices of who speaks, the
// microphone, and the recorder. No part of it ever holds up a call; what is missing is said, and what breaks is tried again.
import { useCallback, useEffect, useMemo, useRef, useState } from 'react'
import { type AgentId, type DeviceId, deviceOfAgent } from '@/core/ids'
import {
  audioContext,
  cadenceSamples,
  createMixer,
  createRecorder,
  createVoices,
  type Heard,
  type Mixer,
  type Recorder,
  SILENCE,
  sceneOf,
  VOICEMAIL_TONE,
  type Voices,
  ZIP,
} from '@/parts/sound'
import { MICROPHONE_FAILURES, useChosenDevices } from '@/parts/sound-path'
import { floorNow } from '@/services/exchange/floor-time'
import type { CallView, MeView } from '@/services/exchange/protocol'
import { useCommand } from '@/services/exchange/react'
import { type LineMicrophone, openLineMicrophone } from './line-microphone'

export interface SoundProblem {
  /** For the shift bar: `no microphone`. */
  readonly inShort: string
  /** What is wrong and what to do, in sentences. */
  readonly says: string
}

export interface LineSound {
  readonly problem: SoundProblem | null
  /** How loud the microphone is at this moment; null while it is closed. */
  readonly look: () => Heard | null
  /** How loud another end of my calls is heard here at this moment, 0 to 1. */
  readonly levelOf: (deviceId: DeviceId) => number
}

interface Desk {
  readonly mixer: Mixer
  readonly voices: Voices
  readonly recorder: Recorder
}

const TRY_AGAIN_MS = 2_000
const TONE_LEVEL = 0.2

export function useLineSound(me: MeView, calls: readonly CallView[], voiceVolume: number): LineSound {
  const command = useCommand()
  const desk = useRef<Desk | null>(null)
  const microphone = useRef<LineMicrophone | null>(null)
  const opening = useRef(false)
  const said = useRef(new Map<string, string>())
  const [problem, setProblem] = useState<SoundProblem | null>(null)
  const { microphone: chosen } = useChosenDevices()
  const { id, soundPath } = me
  const toneAtMs = calls.find(({ call }) => call.leaving !== null)?.call.leaving?.toneAtMs ?? null
  // The tone of which mailbox was given last.
  const [tonedAtMs, setTonedAtMs] = useState(0)
  const isLost = me.soundLost !== null
  const speaksHere = soundPath === 'computer'

  /** Opens the microphone unless it is open; true when it works. What breaks later is reported to the floor. */
  const openMouth = useCallback(async (): Promise<boolean> => {
    const context = audioContext()
    if (context === null || desk.current === null || opening.current) return false
    if (microphone.current !== null) return true
    opening.current = true
    const opened = await openLineMicrophone(context, chosen, desk.current.mixer.microphone, () => {
      microphone.current = null
      void command({ kind: 'reportSoundLost', why: 'The microphone was unplugged or taken away.' })
    })
    opening.current = false
    if (opened.ok) microphone.current = opened.microphone
    setProblem(
      opened.ok ? null : { inShort: 'no microphone', says: `Callers do not hear you. ${MICROPHONE_FAILURES[opened.failure]} The call goes on meanwhile.` },
    )
    return opened.ok
  }, [command, chosen])

  useEffect(() => {
    if (soundPath === 'none' || (calls.length === 0 && desk.current === null)) return
    const context = audioContext()
    if (context === null) return setProblem({ inShort: 'none', says: 'This browser has no sound. Captions show what is said.' })
    const go = () => {
      desk.current ??= connectDesk(context, setProblem)
      if (speaksHere && !isLost) void openMouth()
      desk.current.mixer.setVoiceVolume(voiceVolume)
      const scene = calls.length === 0 ? SILENCE : sceneOf(calls, id, Math.max(tonedAtMs, floorNow()))
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
  }, [calls, id, voiceVolume, soundPath, speaksHere, isLost, openMouth, tonedAtMs])

  useEffect(() => {
    if (toneAtMs === null || toneAtMs <= floorNow()) return
    const timer = setTimeout(() => {
      giveTone(desk.current)
      setTonedAtMs(toneAtMs)
    }, toneAtMs - floorNow())
    return () => clearTimeout(timer)
  }, [toneAtMs])

  // A path that was lost is tried again by itself, and at once when something is plugged in.
  useEffect(() => {
    if (!speaksHere || !isLost) return
    const retry = async () => {
      if (await openMouth()) await command({ kind: 'chooseSoundPath', path: 'computer' })
    }
    const timer = setInterval(() => void retry(), TRY_AGAIN_MS)
    navigator.mediaDevices?.addEventListener('devicechange', retry)
    return () => {
      clearInterval(timer)
      navigator.mediaDevices?.removeEventListener('devicechange', retry)
    }
  }, [speaksHere, isLost, openMouth, command])

  // Another device carries the voice: this computer no longer listens.
  useEffect(() => {
    if (speaksHere) return
    microphone.current?.close()
    microphone.current = null
    setProblem(null)
  }, [speaksHere])

  useEffect(
    () => () => {
      desk.current?.recorder.follow(null)
      desk.current?.mixer.ear.disconnect()
      microphone.current?.close()
      microphone.current = null
      desk.current = null
    },
    [],
  )
  const look = useCallback(() => microphone.current?.look() ?? null, [])
  const levelOf = useCallback((deviceId: DeviceId) => desk.current?.mixer.levelOf(deviceId) ?? 0, [])
  useLatecomers(desk, me, calls)
  return useMemo(() => ({ problem, look, levelOf }), [problem, look, levelOf])
}

function connectDesk(context: AudioContext, onProblem: (problem: SoundProblem | null) => void): Desk {
  const mixer = createMixer(context)
  mixer.ear.connect(context.destination)
  const recorder = createRecorder(context, mixer.recording, Date.now, (piece) => {
    // The store of recordings is fetched with the first piece: most calls are not recorded.
    const kept = import('@/services/exchange/recordings/client').then(({ keepPiece }) => keepPiece(piece))
    kept.catch((error: unknown) =>
      onProblem({
        inShort: 'recording not kept',
        says: `The recording could not be kept: ${error instanceof Error ? error.message : String(error)}. The call goes on without it.`,
      }),
    )
  })
  return { mixer, voices: createVoices(context), recorder }
}

/** New words of somebody else on my lines, in their own voice. */
function speakNew({ mixer, voices }: Desk, calls: readonly CallView[], agentId: AgentId, said: Map<string, string>): void {
  for (const { call } of calls) {
    const { leaving } = call
    for (const { deviceId, said: words, party } of call.connections) {
      const key = `${call.id} ${deviceId}`
      if (words === null || deviceId === deviceOfAgent(agentId) || said.get(key) === words) continue
      said.set(key, words)
      if (leaving?.deviceId === deviceId && leaving.greetingId !== null) {
        void playGreeting(mixer, leaving.greetingId, deviceId as DeviceId)
        continue
      }
      void voices.speak(words, party.kind === 'outside' ? (party.name ?? party.number ?? 'nobody') : deviceId, mixer.input(deviceId as DeviceId))
    }
  }
}

/** Whoever is in a conference hears that another one has come. */
function useLatecomers(desk: { readonly current: Desk | null }, { id }: MeView, calls: readonly CallView[]): void {
  const conference = calls.find(({ call }) => call.conferenceId !== null)?.call
  const others = conference?.connections.filter((c) => c.deviceId !== deviceOfAgent(id) && c.state === 'connected').length ?? 0
  const before = useRef({ callId: conference?.id, others })
  useEffect(() => {
    const came = before.current.callId === conference?.id && others > before.current.others
    before.current = { callId: conference?.id, others }
    if (!came || desk.current === null) return
    const { ear } = desk.current.mixer
    playInto(ear, cadenceSamples(ZIP, ear.context.sampleRate).map((s) => s * TONE_LEVEL) as Float32Array<ArrayBuffer>, ear.context.sampleRate)
  }, [conference?.id, others, desk])
}

/** Who leaves a message hears it, and it is no part of the message. */
function giveTone(desk: Desk | null): void {
  if (desk === null) return
  const { ear } = desk.mixer
  playInto(ear, cadenceSamples(VOICEMAIL_TONE, ear.context.sampleRate).map((s) => s * TONE_LEVEL) as Float32Array<ArrayBuffer>, ear.context.sampleRate)
}

/** A greeting its owner has recorded, where this browser keeps it; its words stand in the caption all the same. */
async function playGreeting(mixer: Mixer, greetingId: string, deviceId: DeviceId): Promise<void> {
  const { loadSound, RATE_HERTZ } = await import('@/parts/recordings/sound')
  const sound = await loadSound(greetingId).catch(() => null)
  if (sound !== null) playInto(mixer.input(deviceId), sound.samples as Float32Array<ArrayBuffer>, RATE_HERTZ)
}

function playInto(node: AudioNode, samples: Float32Array<ArrayBuffer>, rateHertz: number): void {
  const buffer = node.context.createBuffer(1, samples.length, rateHertz)
  buffer.copyToChannel(samples, 0)
  const source = node.context.createBufferSource()
  source.buffer = buffer
  source.connect(node)
  source.start()
}
