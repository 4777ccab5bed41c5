'use client'
import { Button, Menu, MenuItem, saveFile } from '@/parts/ui'
// Whoever is listed leaves as a file: vCard, which telephones and mail programs read, or CSV.
import type { PeopleAsked } from '@/services/exchange/people'
import { contactOf } from './person'
import type { Book } from './use-people'

export function ExportMenu({ asked, book }: { asked: Omit<PeopleAsked, 'from' | 'atMost'>; book: Book }) {
  const save = async (as: 'vcf' | 'csv') => {
    const reply = await book.all(asked)
    if (!reply.ok) return
    const contacts = reply.value.rows.flatMap((p) => contactOf(p) ?? [])
    const { toPeopleCsv, toVCards } = await import('@/core/people-files')
    if (as === 'vcf') saveFile('people.vcf', toVCards(contacts), 'text/vcard')
    else saveFile('people.csv', toPeopleCsv(contacts), 'text/csv')
  }
  return (
    <Menu label="Export who is listed" align="end" trigger={<Button>Export…</Button>}>
      <MenuItem onSelect={() => void save('vcf')}>vCard 4.0</MenuItem>
      <MenuItem onSelect={() => void save('csv')}>CSV</MenuItem>
    </Menu>
  )
}
