'use client'
// What somebody wrote, as text and nothing else. A long one is cut until the rest is asked for; however long it is, only what is in view is laid out.
import { type ReactNode, useState } from 'react'
import { Button } from '@/parts/ui'
import { chunksOf } from './chunks'

/** More of one line is shown when it is asked for. */
const CHARACTERS_SHOWN = 2_000

interface Props {
  readonly text: string
  readonly className?: string
  /** How a part of it is shown. */
  readonly children?: (part: string) => ReactNode
}

export function LongText({ text, className = '', children = (part) => part }: Props) {
  const [isWhole, setIsWhole] = useState(false)
  const isLong = text.length > CHARACTERS_SHOWN
  return (
    <>
      <p dir="auto" className={`whitespace-pre-wrap break-words [overflow-wrap:anywhere] ${className}`}>
        {!isLong ? children(text) : isWhole ? <Whole text={text} part={children} /> : `${text.slice(0, CHARACTERS_SHOWN)}…`}
      </p>
      {isLong && !isWhole && (
        <Button className="mt-1 !h-6" onClick={() => setIsWhole(true)}>
          Show all {text.length.toLocaleString('en-GB')} characters
        </Button>
      )}
    </>
  )
}

const Whole = ({ text, part }: { text: string; part: (of: string) => ReactNode }) =>
  chunksOf(text).map((chunk, i) => (
    // biome-ignore lint/suspicious/noArrayIndexKey: parts have nothing of their own but their place
    <span key={i} className="block [contain-intrinsic-size:auto_1500px] [content-visibility:auto]">
      {part(chunk)}
    </span>
  ))
