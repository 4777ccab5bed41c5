export { findQuickTexts, unknownFields } from './quick-text'
export { type QuickText, QuickTextSchema } from './schema'
