'use client'
// The set-up as a file: out as it is on the page, and in whole or not at all.
import type { SetUp } from '@/core/set-up'
import { Button, FileButton, saveFile } from '@/parts/ui'

export function Files({ setUp, onFile }: { setUp: SetUp; onFile: (file: File) => void }) {
  return (
    <section aria-label="Files" className="border-line border-t pt-4">
      <h2 className="font-semibold text-lg">Files</h2>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button onClick={() => saveFile('set-up.json', `${JSON.stringify(setUp, null, 1)}\n`, 'application/json')}>Export JSON</Button>
        <FileButton label="Import JSON" fieldLabel="Set-up file" accept="application/json,.json" onFile={(file) => onFile(file)} />
      </div>
      <p className="mt-2 text-soft text-xs">
        The schema of the file:{' '}
        <a href="/api/schemas/set-up" className="underline">
          /api/schemas/set-up
        </a>
        . It has no PINs in it.
      </p>
    </section>
  )
}
