import type { NextConfig } from 'next'
import headers from './tools/security-headers.json'
import WORKER_POLICY from './tools/worker-policy.json'

const SECURITY_HEADERS = Object.entries(headers).map(([key, value]) => ({ key, value }))

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  // Types and lint run once, in `npm test`; a build that repeats them only costs the demo its start.
  typescript: { ignoreBuildErrors: true },
  headers: async () => [
    { source: '/:path*', headers: SECURITY_HEADERS },
    // Workers keep one address for all tabs, so every start must ask whether they changed; they ask nobody else, and only the one that lays shifts runs a
    // program that is not script.
    {
      source: '/workers/:path*',
      headers: [
        { key: 'cache-control', value: 'no-cache' },
        { key: 'content-security-policy', value: WORKER_POLICY.others },
      ],
    },
    { source: '/workers/shifts.js', headers: [{ key: 'content-security-policy', value: WORKER_POLICY['shifts.js'] }] },
  ],
}

export default config
