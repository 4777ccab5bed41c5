import { defineConfig } from '@playwright/test'
import { LAUNCH, SETTINGS } from './e2e/settings'

export default defineConfig({
  testDir: 'e2e',
  // Two cores carry the server, the browsers and their workers; part of each test is waiting for rings and graces to run out.
  workers: 3,
  fullyParallel: true,
  // A machine with twice the load is slower and not at fault.
  timeout: 120_000,
  // On a machine that is shared a second try tells what is slow from what is broken; `npm test` names every test that needed it.
  retries: 1,
  expect: { timeout: 20_000 },
  reporter: [['line'], ['json', { outputFile: 'test-results/browser.json' }]],
  outputDir: 'test-results/browser',
  use: { ...SETTINGS, permissions: [], trace: 'off', launchOptions: LAUNCH },
})
