export { AuthorScreen } from './author'
export { ConditionEditor } from './condition-editor'
export { ScriptsScreen } from './list'
