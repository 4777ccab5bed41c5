import type { NextConfig } from 'next'

const SECURITY_HEADERS = [
  { key: 'x-content-type-options', value: 'nosniff' },
  { key: 'referrer-policy', value: 'no-referrer' },
  { key: 'x-frame-options', value: 'DENY' },
  { key: 'cross-origin-opener-policy', value: 'same-origin' },
  { key: 'cross-origin-resource-policy', value: 'same-origin' },
  { key: 'permissions-policy', value: 'camera=(), geolocation=(), payment=(), usb=(), microphone=(self)' },
]

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  // Types and lint run once, in `npm test`; a build that repeats them only costs the demo its start.
  typescript: { ignoreBuildErrors: true },
  headers: async () => [
    { source: '/:path*', headers: SECURITY_HEADERS },
    // Workers keep one address for all tabs, so every start must ask whether they changed; they ask nobody else.
    {
      source: '/workers/:path*',
      headers: [
        { key: 'cache-control', value: 'no-cache' },
        { key: 'content-security-policy', value: "default-src 'none'; connect-src 'self'" },
      ],
    },
  ],
}

export default config
