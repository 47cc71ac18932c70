import type { NextConfig } from 'next'

const config: NextConfig = {
  serverExternalPackages: ['better-sqlite3', '@resvg/resvg-js', 'zxing-wasm', 'piscina'],
  turbopack: { root: import.meta.dirname },
  poweredByHeader: false,
  typescript: { ignoreBuildErrors: true }, // npm test runs tsc of its own
  devIndicators: false,
  experimental: {
    // a page that nobody signed in asks for answers 401
    authInterrupts: true,
    // programs of 8 MB and part lists of 50,000 rows come in by actions
    serverActions: { bodySizeLimit: '24mb' },
    proxyClientMaxBodySize: '24mb',
    // a build is made once and run: these three took two thirds of its time
    turbopackScopeHoisting: false,
    turbopackSourceMaps: false,
    turbopackFileSystemCacheForBuild: false,
  },
  headers: async () => [
    {
      source: '/:path*',
      headers: [
        { key: 'x-content-type-options', value: 'nosniff' },
        { key: 'referrer-policy', value: 'same-origin' },
        { key: 'x-frame-options', value: 'DENY' },
        { key: 'cross-origin-opener-policy', value: 'same-origin' },
        { key: 'permissions-policy', value: 'camera=(self), microphone=(), geolocation=()' },
      ],
    },
  ],
  distDir: process.env.BOULDER_DIST ?? '.next',
}
export default config
