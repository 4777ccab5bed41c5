import { defineConfig } from 'vitest/config'
import config from './vitest.config'

/** Every change that no test finds costs all tests it could be found by: those that draw or play for many seconds are left out. */
const LONG = [
  '**/core/floor/*.property.test.ts',
  '**/demo-week.test.ts',
  '**/coming-day.test.ts',
  '**/what-if.test.ts',
  '**/pacing.test.ts',
  '**/erlang.test.ts',
  '**/closed-and-opened.test.ts',
  '**/rows.test.ts',
]

export default defineConfig({
  ...config,
  test: { ...config.test, include: ['src/core/**/*.test.ts', 'src/services/exchange/**/*.test.ts'], exclude: [...LONG, '**/node_modules/**'] },
})
