'use client'
// Numbers in what people write: each is a link that puts it into the dial line, where it waits for the press.
import Link from 'next/link'
import { Fragment } from 'react'

/** With the way abroad or a nought before it, and seven digits or more: years, amounts and references are none. */
const NUMBER = /(?:\+|\b00|\(0|\b0)\d(?:[\s().-]{0,2}\d){6,14}\b/g

/** Text and numbers in turn, beginning with text. */
export function numbersIn(text: string): readonly string[] {
  const parts: string[] = []
  let at = 0
  for (const { 0: number, index } of text.matchAll(NUMBER)) {
    parts.push(text.slice(at, index), number)
    at = index + number.length
  }
  return [...parts, text.slice(at)]
}

export function NumberLinks({ text }: { text: string }) {
  return numbersIn(text).map((part, i) => {
    // biome-ignore lint/suspicious/noArrayIndexKey: parts have nothing of their own but their place
    if (i % 2 === 0) return <Fragment key={i}>{part}</Fragment>
    return (
      // biome-ignore lint/suspicious/noArrayIndexKey: as above
      <Link key={i} href={`/?dial=${encodeURIComponent(part)}`} className="tabular underline underline-offset-2" title={`Put ${part} into the dial line`}>
        {part}
      </Link>
    )
  })
}
