export { type MailThread, toEml } from './eml'
