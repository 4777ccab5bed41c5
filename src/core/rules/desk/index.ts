export type { DeskReport } from './commands'
export { DESK_RULES } from './table'
export { deskDue } from './vanished'
