export { beginHistory, change, type History, redo, undo } from './undo'
