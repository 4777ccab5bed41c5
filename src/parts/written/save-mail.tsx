'use client'
// A mail thread as a file any mail program opens.
import { useState } from 'react'
import type { MailThread } from '@/core/mail'
import { Button, Problem, saveFile } from '@/parts/ui'

const slug = (name: string): string => name.toLowerCase().replace(/[^a-z0-9]+/g, '-')

/** Where a queue is written to; the domain is reserved for examples (RFC 2606). */
export const queueAddress = (queue: string, centre: string): string => `${slug(queue)}@${slug(centre)}.example`

export function SaveMail({ thread }: { thread: Omit<MailThread, 'lines'> & { readonly lines: () => Promise<MailThread['lines']> } }) {
  const [problem, setProblem] = useState<string | null>(null)
  const save = async () => {
    try {
      const { toEml } = await import('@/core/mail')
      saveFile(`${slug(thread.subject ?? 'mail')}.eml`, toEml({ ...thread, lines: await thread.lines() }), 'message/rfc822')
      setProblem(null)
    } catch (error) {
      setProblem(`The mail could not be written: ${error instanceof Error ? error.message : String(error)}. Try again.`)
    }
  }
  return (
    <>
      <Button className="!h-7" onClick={() => void save()}>
        Save as .eml
      </Button>
      {problem !== null && <Problem>{problem}</Problem>}
    </>
  )
}
