export { findQuickTexts, type QuickText, QuickTextSchema, unknownFields } from './quick-text'
