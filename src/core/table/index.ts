export { count, emptyTable, get, must, type Table, values } from './table'
