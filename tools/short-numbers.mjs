// node tools/short-numbers.mjs: writes src/core/directory/short-numbers.json, the short numbers of every country, from the metadata of a library that knows them
// and is too large to ship. A test holds what is read by it against that library.
import { writeFileSync } from 'node:fs'
import phones from 'google-libphonenumber'

/** Fields of a country's metadata, and the pattern in one of them. */
const [EMERGENCY, SHORT_CODE, PATTERN] = [27, 29, 2]
const patternOf = (metadata, field) => metadata[field]?.[PATTERN] ?? ''
const countries = Object.entries(phones.shortnumbermetadata.countryToMetadata).toSorted(([a], [b]) => (a < b ? -1 : 1))
const rows = countries.map(([country, m]) => `  ${JSON.stringify(country)}: ${JSON.stringify([patternOf(m, EMERGENCY), patternOf(m, SHORT_CODE)])}`)
writeFileSync('src/core/directory/short-numbers.json', `{\n${rows.join(',\n')}\n}\n`)
