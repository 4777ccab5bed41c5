'use client'
// The dialog every part of the set-up is edited in: changes are kept in the draft of the page, and nowhere else. What was typed is not lost to Escape.
import { type FormEventHandler, type ReactNode, useState } from 'react'
import { Button, Dialog } from '@/parts/ui'

interface Props {
  readonly title: string
  /** Something was changed in the form. */
  readonly dirty: boolean
  readonly onSubmit: FormEventHandler
  readonly onClose: () => void
  readonly beginsAt?: string | null | undefined
  readonly children: ReactNode
}

export function EditorDialog({ title, dirty, onSubmit, onClose, beginsAt, children }: Props) {
  const [asked, setAsked] = useState(false)
  return (
    <Dialog
      open
      onOpenChange={(open) => !open && (dirty ? setAsked(true) : onClose())}
      title={title}
      beginsAt={beginsAt}
      description="Nothing changes on the floor until the set-up is put into use."
    >
      <form noValidate className="space-y-3" onSubmit={onSubmit}>
        {children}
        <div className="sticky bottom-0 flex flex-wrap items-center gap-3 border-line border-t bg-raised pt-3">
          <Button type="submit" tone="primary">
            Keep changes
          </Button>
          <Button onClick={onClose}>{dirty ? 'Throw changes away' : 'Cancel'}</Button>
          {asked && dirty && (
            <p role="alert" className="text-red">
              You have changed something here. Keep it, or throw it away.
            </p>
          )}
        </div>
      </form>
    </Dialog>
  )
}
