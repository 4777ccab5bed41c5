'use client'
// Files of a campaign, made by the lists' worker with progress.
import * as Comlink from 'comlink'
import { useState } from 'react'
import type { CampaignId } from '@/core/ids'
import { Button, Menu, MenuItem, saveFile } from '@/parts/ui'
import { LIST_EXPORTS, type ListExport } from '@/services/lists/client'
import { useLists } from '@/services/lists/react'

const WHAT: Readonly<Record<ListExport, string>> = {
  'records.csv': 'Records with where they stand, as CSV',
  'records.ndjson': 'The same as NDJSON',
  'attempts.ndjson': 'Every attempt, as NDJSON',
  'abandoned.csv': 'People nobody could take, as the law asks',
}

export function ExportMenu({ campaignId }: { campaignId: CampaignId }) {
  const lists = useLists()
  const [says, setSays] = useState<string | null>(null)
  const save = async (name: ListExport) => {
    if (lists === null) return
    setSays('Writing…')
    let isOver = false
    try {
      const file = await lists.exportFile(
        campaignId,
        name,
        Comlink.proxy((done: number, of: number) => !isOver && setSays(`Writing ${done.toLocaleString('en-GB')} of ${of.toLocaleString('en-GB')}…`)),
      )
      isOver = true
      saveFile(name, file, file.type)
      setSays(null)
    } catch (error) {
      isOver = true
      setSays(`It could not be written: ${error instanceof Error ? error.message : String(error)}`)
    }
  }
  return (
    <span className="flex items-center gap-2">
      {says !== null && (
        <span role="status" className="text-soft">
          {says}
        </span>
      )}
      <Menu label="Save as a file" align="end" trigger={<Button>Export</Button>}>
        {LIST_EXPORTS.map((name) => (
          <MenuItem key={name} onSelect={() => void save(name)}>
            <span className="block">{name}</span>
            <span className="block text-soft text-xs">{WHAT[name]}</span>
          </MenuItem>
        ))}
      </Menu>
    </span>
  )
}
