export { type Done, type ReadingActions, ReadingPane, type ReadingPaneHandle, type ReadOf } from './reading-pane'
