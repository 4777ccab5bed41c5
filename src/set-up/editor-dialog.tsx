'use client'
// The dialog every part of the set-up is edited in: changes are kept in the draft of the page, and nowhere else.
import type { FormEventHandler, ReactNode } from 'react'
import { Button, Dialog } from '@/ui'

interface Props {
  readonly title: string
  readonly onSubmit: FormEventHandler
  readonly onClose: () => void
  readonly children: ReactNode
}

export function EditorDialog({ title, onSubmit, onClose, children }: Props) {
  return (
    <Dialog open onOpenChange={(open) => !open && onClose()} title={title} description="Nothing changes on the floor until the set-up is put into use.">
      <form noValidate className="space-y-3" onSubmit={onSubmit}>
        {children}
        <div className="flex gap-3 border-line border-t pt-3">
          <Button type="submit" tone="primary">
            Keep changes
          </Button>
          <Button onClick={onClose}>Cancel</Button>
        </div>
      </form>
    </Dialog>
  )
}
