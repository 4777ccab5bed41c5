export { count, emptyTable, get, must, put, remove, type Table, values } from './table'
