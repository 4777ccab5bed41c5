// What goes between the lists, the floor that calls by them, and each tab that asks about them.
import type { PutBack } from '@/core/campaigns'
import type { DoNotCallEntry } from '@/core/do-not-call'
import type { AgentId, CampaignId, ListId } from '@/core/ids'
import type { Found, Sought } from '@/core/personal'
import type { ListMeta } from './chunks'
import type { ListExport } from './export-names'
import type { Look, Looked } from './import/look'
import type { ImportAsked, Imported, ImportProgress } from './import/run'
import type { CampaignFigures, ListsFeed } from './lists'
import type { MetOnLists } from './met'
import type { OneRecord, RecordsAsked, RecordsPage } from './pages'
import type { CampaignReport, CountsOf, ReportAsked } from './report'

/** The floor's end of a port, as it is called across it. */
export interface FloorEnd extends ListsFeed {
  run(): Promise<string>
  watch(tell: () => void): Promise<void>
  account(): Promise<{ readonly id: AgentId; readonly everybody: boolean } | null>
  figuresAre(figures: readonly CampaignFigures[]): Promise<void>
  homeCountry(): Promise<string>
  running(): Promise<readonly CampaignId[]>
  doNotCall(): Promise<readonly DoNotCallEntry[]>
  counts(): Promise<CountsOf>
  /** It stands in the audit. */
  did(what: 'exported' | 'lookedUp', about: string): Promise<void>
}

export interface ListsConnection<Port> {
  /** The floor is at the other end of these: the first is asked, on the second it asks. */
  introduce(asked: Port, asks: Port): Promise<void>
  figures(): Promise<readonly CampaignFigures[]>
  metas(): Promise<readonly ListMeta[]>
  page(asked: RecordsAsked): Promise<RecordsPage>
  record(recordId: string): Promise<OneRecord | null>
  /** An agent is told of what was put through to them, and no more. */
  report(asked: ReportAsked): Promise<CampaignReport>
  met(campaignId: CampaignId): Promise<MetOnLists>
  matching(campaignId: CampaignId, which: PutBack): Promise<number>
  keptAbout(sought: Sought): Promise<readonly Found[]>
  /** Reads every list as it is stored, and names what cannot be. */
  check(): Promise<{ readonly whole: readonly string[]; readonly damaged: readonly string[] }>
  exportFile(campaignId: CampaignId, name: ListExport, onProgress: (done: number, of: number) => void): Promise<Blob>
  /** What a file is, and with which roles a file of its shape was taken before. */
  look(file: Blob): Promise<Look>
  importFile(asked: ImportWish, onProgress: (progress: ImportProgress) => void): Promise<Imported>
  /** What is being imported is called off; the list is as it was. */
  cancelImport(): void
  /** Called whenever something of the lists has changed. */
  subscribe(tell: () => void): Promise<void>
  close(): void
}

/** `listId` null for a new list. */
export type ImportWish = Pick<ImportAsked, 'file' | 'roles' | 'campaignId' | 'name' | 'leavesOutOthers'> & {
  readonly looked: Looked
  readonly listId: ListId | null
}
