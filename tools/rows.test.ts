// Every refusal, command and entitlement is asked about by name in a test of its matter: what nobody has asked about is found here, and not by somebody at a
// desk. Sequences drawn at random do not count: they show that laws hold, and not what is refused.
import { readdirSync, readFileSync } from 'node:fs'
import { expect, test } from 'vitest'
import { COMMAND_KINDS, REFUSAL_REASONS } from '@/core/floor'
import { ENTITLEMENTS } from '@/core/set-up'

const TESTS = readdirSync('src/core', { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.test.ts') && !file.endsWith('.property.test.ts') && !file.endsWith('rows.test.ts'))
  .map((file) => readFileSync(`src/core/${file}`, 'utf8'))
  .join('\n')

const unnamed = (names: readonly string[]) => names.filter((name) => !TESTS.includes(`'${name}'`))

test.each([
  ['reason for a refusal', REFUSAL_REASONS, 190],
  ['command', COMMAND_KINDS, 110],
  ['entitlement', ENTITLEMENTS, 9],
] as const)('every %s has a row', (_, names, atLeast) => {
  expect(names.length).toBeGreaterThanOrEqual(atLeast)
  expect(unnamed(names)).toEqual([])
})
