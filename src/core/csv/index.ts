export { bareCell, type CsvRow, type ReadCsv, readCsv, safeCell, toCsv } from './csv'
