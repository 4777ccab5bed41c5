// What goes between the history, the floor that feeds it, and each tab that asks it.
import type { AgentId } from '@/core/ids'
import type { Past } from '@/world'
import type { Feed, History, Opening, Span } from './asked'
import type { Progress } from './days'
import type { ExportName } from './exports'

/** The floor's end of a port, as it is called across it. */
export interface FloorEnd extends Feed {
  run(): Promise<string>
  watch(tell: () => void): Promise<void>
  account(): Promise<{ readonly id: AgentId; readonly everybody: boolean } | null>
  /** It stands in the audit. */
  did(what: 'exported' | 'lookedUp', about: string): Promise<void>
}

export interface Connection<Port> {
  /** The floor is at the other end of this port. */
  introduce(port: Port): Promise<void>
  open(past: Past, onProgress: (progress: Progress) => void): Promise<Opening>
  /** Called whenever the history holds more than before. */
  subscribe(tell: () => void): Promise<void>
  report(...asked: Parameters<History['report']>): ReturnType<History['report']>
  calls(...asked: Parameters<History['calls']>): ReturnType<History['calls']>
  /** Of an agent their own, whatever is asked. */
  cross(...asked: Parameters<History['cross']>): ReturnType<History['cross']>
  crossCalls(...asked: Parameters<History['crossCalls']>): ReturnType<History['crossCalls']>
  sessions(...asked: Parameters<History['sessions']>): ReturnType<History['sessions']>
  callsOfAgent(...asked: Parameters<History['callsOfAgent']>): ReturnType<History['callsOfAgent']>
  eventsOfAgent(...asked: Parameters<History['eventsOfAgent']>): ReturnType<History['eventsOfAgent']>
  /** For those who answer for the floor. */
  profiles(...asked: Parameters<History['profiles']>): ReturnType<History['profiles']>
  /** For those who answer for the floor. */
  came(...asked: Parameters<History['came']>): ReturnType<History['came']>
  /** For those who answer for the floor. */
  ledger(...asked: Parameters<History['ledger']>): ReturnType<History['ledger']>
  /** For those who answer for the floor. */
  marks(...asked: Parameters<History['marks']>): ReturnType<History['marks']>
  /** For those who answer for the floor. */
  sound(...asked: Parameters<History['sound']>): ReturnType<History['sound']>
  /** Of an agent their own, whatever is asked. */
  written(...asked: Parameters<History['written']>): ReturnType<History['written']>
  /** Of an agent of what they had a part in: nothing of any other. */
  linesOf(workId: string): ReturnType<History['linesOf']>
  /** Of an agent their own, whatever is asked. */
  log(...asked: Parameters<History['log']>): ReturnType<History['log']>
  dialledBefore(asked: { readonly atMost: number; readonly nowMs: number }): ReturnType<History['dialledBefore']>
  handling(...asked: Parameters<History['handling']>): ReturnType<History['handling']>
  /** null of a call that is not theirs to see. */
  call(callId: string): ReturnType<History['call']>
  previousContacts(...asked: Parameters<History['previousContacts']>): Promise<ReturnType<History['previousContacts']>>
  /** For those who answer for the floor. */
  keptAbout(...asked: Parameters<History['keptAbout']>): ReturnType<History['keptAbout']>
  /** For those who answer for the floor. */
  forgetListed(...asked: Parameters<History['forgetListed']>): ReturnType<History['forgetListed']>
  exportFile(name: ExportName, span: Span, nowMs: number, onProgress: (done: number, of: number) => void): Promise<Blob>
  close(): void
}
