// A file imported into a store, as the lists' worker does it.
import { toCampaignId, toListId } from '@/core/ids'
import type { Chunk, ListMeta } from '@/services/lists/chunks'
import { lookAt } from '@/services/lists/import/look'
import { runImport } from '@/services/lists/import/run'
import type { KeyValue } from '@/services/storage'

export async function importInto(store: KeyValue, file: Blob): Promise<readonly [ListMeta, readonly Chunk[]]> {
  const look = await lookAt(file)
  if (!look.ok) throw new Error(look.says)
  const { looked } = look
  const { imported, list } = await runImport(
    {
      file,
      looked,
      roles: looked.roles,
      listId: toListId('list_bench'),
      campaignId: toCampaignId('campaign_bench'),
      name: 'Bench',
      homeCountry: 'GB',
      timeZone: 'Europe/London',
      leavesOutOthers: false,
      importedAtMs: 0,
    },
    {
      store,
      before: null,
      isElsewhere: () => false,
      doNotCall: new Map(),
      nowMs: () => performance.now(),
      onProgress: () => {},
      isCancelled: () => false,
    },
  )
  if (!imported.ok || list === null) throw new Error('not imported')
  return [list.meta, list.chunks]
}
