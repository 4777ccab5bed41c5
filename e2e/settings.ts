// What every browser of the tests has in common, whoever starts it.
export const BASE_URL = process.env.BASE_URL ?? 'http://localhost:3000'

// Storing the program for a visit without a network costs every test a tenth of its time: only the tests that are about it do.
export const SETTINGS = {
  baseURL: BASE_URL,
  viewport: { width: 1280, height: 800 },
  timezoneId: 'UTC',
  locale: 'en-GB',
  serviceWorkers: 'block',
} as const

export const LAUNCH = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}
