import type { NextConfig } from 'next'

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  // Types and lint run once, in `npm test`; a build that repeats them only costs the demo its start.
  typescript: { ignoreBuildErrors: true },
}

export default config
