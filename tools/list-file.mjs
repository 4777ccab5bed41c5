// npm run list-file -- people.csv [rows]: writes a list of invented people for trying an import at size; a million rows when no number is given. Every number is one
// of those reserved for fiction; the same number of rows gives the same file.

import { once } from 'node:events'
import { createWriteStream } from 'node:fs'

const [name, wanted = '1000000'] = process.argv.slice(2)
const rows = Number(wanted)
if (name === undefined || !Number.isInteger(rows) || rows < 1) {
  console.error('Say which file, and how many rows if not a million: npm run list-file -- people.csv 50000')
  process.exit(1)
}

const FIRST = [
  'Ansel',
  'Brida',
  'Corwin',
  'Delyth',
  'Emrys',
  'Ffion',
  'Garrick',
  'Hesper',
  'Ivo',
  'Jessamy',
  'Kerra',
  'Lowen',
  'Merryn',
  'Nial',
  'Orla',
  'Piran',
  'Rhosyn',
  'Senara',
  'Talan',
  'Wenna',
]
const LAST = [
  'Abersey',
  'Brackwell',
  'Carnhythe',
  'Dunmarsh',
  'Ellersker',
  'Fallowick',
  'Gullstone',
  'Harrowby',
  'Inchmere',
  'Kelderby',
  'Larkhythe',
  'Mossgarth',
  'Netherwick',
  'Oddersby',
  'Pellside',
  'Quillmoor',
  'Ravensker',
  'Stormby',
  'Tarnley',
  'Whinmoor',
]
const SAILINGS = ['Arnmoor – Skarvey', 'Arnmoor – Oskerry', 'Skarvey – Little Tarn', 'Great Hythe – Arnmoor']
const NUMBERS = [(n) => `01632 960${n}`, (n) => `07700 900${n}`, (n) => `020 7946 0${n}`, (n) => `+33 1 99 00 ${n}0`]

const of = (list, i) => list[i % list.length]
const out = createWriteStream(name)
let text = 'Key,Name,Phone,Mobile,Priority,Sailing,Note\n'
for (let i = 0; i < rows; i++) {
  const digits = String((i * 7) % 1_000).padStart(3, '0')
  const mobile = i % 3 === 0 ? of(NUMBERS, 1)(digits) : ''
  text += `K-${i + 1},${of(FIRST, i)} ${of(LAST, Math.floor(i / FIRST.length))},${of(NUMBERS, i)(digits)},${mobile},${i % 10},"${of(SAILINGS, i)}, ${i % 24}:15",\n`
  if (text.length > 1_000_000) {
    if (!out.write(text)) await once(out, 'drain')
    text = ''
  }
}
out.end(text)
await once(out, 'finish')
console.log(`${name}: ${rows.toLocaleString('en-GB')} rows. Campaigns, a campaign, Import a list….`)
