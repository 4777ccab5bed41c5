'use client'
// A button that asks for a file. The field behind it has a name of its own, and takes the same file twice.
import { useRef } from 'react'
import { Button } from './button'

interface Props {
  readonly label: string
  /** What the file is, for whoever finds the field without the button. */
  readonly fieldLabel: string
  readonly accept: string
  readonly disabled?: boolean
  readonly onFile: (file: File) => void
}

export function FileButton({ label, fieldLabel, accept, disabled = false, onFile }: Props) {
  const input = useRef<HTMLInputElement>(null)
  return (
    <>
      <Button disabled={disabled} onClick={() => input.current?.click()}>
        {label}
      </Button>
      <input
        ref={input}
        type="file"
        aria-label={fieldLabel}
        accept={accept}
        className="sr-only"
        tabIndex={-1}
        onChange={(e) => {
          const file = e.target.files?.[0]
          if (file !== undefined) onFile(file)
          e.target.value = ''
        }}
      />
    </>
  )
}
