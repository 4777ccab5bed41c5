'use client'
// A message to be heard, and its words beside it.
import { useEffect, useState } from 'react'
import type { Message, Spoken } from '@/core/voicemail'
import { Player, useAudited } from '@/parts/recordings'
import { NumberLinks } from '@/parts/words'
import { soundOfMessage } from './message-sound'
import { fileNameOf } from './words'

type Loaded =
  | { readonly state: 'loading' }
  | { readonly state: 'none' }
  | { readonly state: 'broken'; readonly says: string }
  | { readonly state: 'here'; readonly samples: Float32Array }

export function MessagePlayer({ message, onFirstPlay }: { message: Message; onFirstPlay?: () => void }) {
  const [loaded, setLoaded] = useState<Loaded>({ state: 'loading' })
  const did = useAudited(message.id)
  // biome-ignore lint/correctness/useExhaustiveDependencies: what was said does not change after it was left
  useEffect(() => {
    let alive = true
    soundOfMessage(message).then(
      (samples) => alive && setLoaded(samples === null ? { state: 'none' } : { state: 'here', samples }),
      (error: unknown) => alive && setLoaded({ state: 'broken', says: error instanceof Error ? error.message : String(error) }),
    )
    return () => {
      alive = false
    }
  }, [message.id])
  return (
    <>
      {loaded.state === 'loading' && <p className="min-h-[7.5rem] text-soft">Looking for its sound…</p>}
      {loaded.state === 'none' && <p className="text-soft">No sound of it is kept in this browser: it was recorded at another desk.</p>}
      {loaded.state === 'broken' && <p className="text-red">Its sound cannot be read: {loaded.says}</p>}
      {loaded.state === 'here' && (
        <Player sound={{ samples: loaded.samples }} fileName={fileNameOf(message)} onDid={did} {...(onFirstPlay === undefined ? {} : { onFirstPlay })} />
      )}
      <Words words={message.words} />
    </>
  )
}

function Words({ words }: { words: readonly Spoken[] }) {
  return (
    <section aria-label="Words" className="mt-3">
      <h3 className="eyebrow">Words</h3>
      {words.length === 0 ? (
        <p className="text-soft">Nobody has written down what is said.</p>
      ) : (
        <p className="font-serif text-[1.0625rem] leading-7">
          “<NumberLinks text={words.map((w) => w.text).join(' ')} />”
        </p>
      )}
    </section>
  )
}
