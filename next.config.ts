import type { NextConfig } from 'next'

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3', '@resvg/resvg-js', 'zxing-wasm', 'piscina'],
  turbopack: { root: import.meta.dirname },
  poweredByHeader: false,
  typescript: { ignoreBuildErrors: true }, // npm test runs tsc of its own
  devIndicators: false,
  // programs of 8 MB and part lists of 50,000 rows come in by actions
  experimental: { serverActions: { bodySizeLimit: '24mb' }, proxyClientMaxBodySize: '24mb' },
  distDir: process.env.BOULDER_DIST ?? '.next',
}
export default config
