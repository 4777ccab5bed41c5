import { expect, test } from 'vitest'
import { createChance } from '@/core/chance'
import { customerById, customersByNumber, personAt, population, someone, strangersNumber } from './population'
import { FENNHOLM } from './set-up'

const EVERYBODY = Array.from({ length: population() }, (_, i) => personAt(i))

test('tens of thousands of people, each with a name and a number for fiction, found by both', () => {
  expect(population()).toBeGreaterThan(10_000)
  expect(new Set(EVERYBODY.map((p) => p.name)).size).toBe(population())
  const staff = new Set(FENNHOLM.agents.map((a) => a.name))
  const reserved = /^\+(44(1632960\d{3}|7700900\d{3}|207946\d{4})|1[2-9]\d\d55501\d{2}|61491570(006|15[6-9]|110)|33199\d{6})$/
  for (const person of EVERYBODY) {
    expect(person.number).toMatch(reserved)
    expect(staff.has(person.name)).toBe(false)
    expect(customersByNumber(person.number, []).map((p) => p.name)).toContain(person.name)
    expect(customerById(person.id)).toEqual(person)
  }
  expect(customersByNumber(EVERYBODY[500]?.number ?? '', [{ number: EVERYBODY[500]?.number ?? '', person: EVERYBODY[500]?.name ?? '' }])).toEqual([])
})

test.each(['customer_0', `customer_${population() + 1}`, 'customer_01', 'customer_', 'agent_1', 'customer_1e3'])('%s is nobody', (id) => {
  expect(customerById(id)).toBeUndefined()
})

test('a stranger is nobody of the records, and callers come from all over the list', () => {
  const chance = createChance(3)
  for (let i = 0; i < 2_000; i++) expect(customersByNumber(strangersNumber(chance), [])).toEqual([])
  const called = new Set(Array.from({ length: 2_000 }, () => someone(chance).name))
  expect(called.size).toBeGreaterThan(1_500)
})
