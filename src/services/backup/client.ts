// A page's end of the worker that makes backups and reads them.
import { askAside } from '@/services/aside'
import type { Saved } from './schedule'
import type { BackupApi } from './worker'

export type { Holding } from './parts'
export type { Look, Looked } from './worker'

type OnProgress = (done: number, of: number) => void

export const saveBackup = (asked: Parameters<BackupApi['save']>[0], onProgress: OnProgress) =>
  askAside<BackupApi, Blob>('backup', (api, onTheWay) => api.save(asked, onTheWay(onProgress)))
export const lookAtBackup = (file: Blob, passphrase: string | null, onProgress: OnProgress) =>
  askAside<BackupApi, Awaited<ReturnType<BackupApi['look']>>>('backup', (api, onTheWay) => api.look(file, passphrase, onTheWay(onProgress)))
export const layBackup = (file: Blob, passphrase: string | null, onProgress: OnProgress) =>
  askAside<BackupApi, void>('backup', (api, onTheWay) => api.lay(file, passphrase, onTheWay(onProgress)))
export const saveBySchedule = (now: boolean, onProgress: OnProgress = () => {}) =>
  askAside<BackupApi, Saved>('backup', (api, onTheWay) => api.bySchedule(now, onTheWay(onProgress)))
