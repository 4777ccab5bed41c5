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

/**
 * Every window would load two pages of the browser’s own, for an address line nobody types in: more than a second of computing for
 * each tab of each test. A list given here takes the place of the driver’s, so what it needs of that stands here as well.
 */
const FEATURES_OFF = [
  'WebUIOmniboxPopup',
  'WebUIOmniboxAimPopup',
  'AimEnabled',
  'AvoidUnnecessaryBeforeUnloadCheckSync',
  'DestroyProfileOnBrowserClose',
  'HttpsUpgrades',
  'HttpsFirstBalancedModeAutoEnable',
  'LensOverlay',
  'MediaRouter',
  'NetworkTimeServiceQuerying',
  'OptimizationHints',
  'PaintHolding',
  'PreconnectToSearch',
  'ThirdPartyStoragePartitioning',
  'Translate',
]

export const LAUNCH = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    `--disable-features=${FEATURES_OFF.join(',')}`,
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
}
