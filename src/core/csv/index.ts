export { bareCell, type CsvRow, type ReadCsv, readCsv, safeCell, toCsv, toCsvRows } from './csv'
