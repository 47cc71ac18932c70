import type { NextConfig } from 'next'

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3', '@resvg/resvg-js'],
  turbopack: { root: import.meta.dirname },
  poweredByHeader: false,
  typescript: { ignoreBuildErrors: true }, // npm test runs tsc of its own
  devIndicators: false,
  distDir: process.env.BOULDER_DIST ?? '.next',
}
export default config
