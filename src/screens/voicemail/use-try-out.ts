'use client'
// Plays a greeting as callers would hear it.
import { useCallback, useEffect, useRef, useState } from 'react'
import { type Box, deviceOfBox, type Greeting, greetingMs } from '@/core/voicemail'
import { loadSound, RATE_HERTZ } from '@/parts/recordings'
import { audioContext, renderSpoken } from '@/parts/sound'

export type Tried = 'notYet' | 'playing' | 'noVoice' | 'noSound'

export function useTryOut(box: Box) {
  const [tried, setTried] = useState<Tried>('notYet')
  const source = useRef<AudioBufferSourceNode | null>(null)
  const speaker = deviceOfBox(box)
  useEffect(() => () => source.current?.stop(), [])
  const play = useCallback(
    async (greeting: Greeting) => {
      source.current?.stop()
      const context = audioContext()
      if (context === null) return setTried('noSound')
      await context.resume()
      const samples =
        greeting.recording === null
          ? await renderSpoken([{ atMs: 0, text: greeting.text }], speaker, greetingMs(greeting), RATE_HERTZ)
          : ((await loadSound(greeting.recording.recordingId))?.samples ?? null)
      if (samples === null) return setTried('noVoice')
      const buffer = context.createBuffer(1, samples.length, RATE_HERTZ)
      buffer.copyToChannel(samples as Float32Array<ArrayBuffer>, 0)
      // Pressed twice, the one before may have begun meanwhile.
      source.current?.stop()
      const mine = context.createBufferSource()
      source.current = mine
      mine.buffer = buffer
      mine.connect(context.destination)
      mine.onended = () => {
        if (source.current === mine) setTried('notYet')
      }
      mine.start()
      setTried('playing')
    },
    [speaker],
  )
  return { tried, play }
}
