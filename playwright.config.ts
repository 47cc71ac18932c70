import { defineConfig } from '@playwright/test'
import { CAMERA_FILE } from './test/e2e/camera-file'

const PORT = 3210

export default defineConfig({
  testDir: 'test/e2e',
  globalSetup: './test/e2e/camera-file.ts',
  workers: 1,
  timeout: 120_000,
  expect: { timeout: 20_000 },
  retries: 0,
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
        '--use-fake-ui-for-media-stream',
        '--use-fake-device-for-media-stream',
        `--use-file-for-fake-video-capture=${CAMERA_FILE}`,
      ],
    },
    screenshot: 'only-on-failure',
  },
  webServer: {
    command: 'node scripts/e2e-server.mjs',
    url: `http://localhost:${PORT}/api/health`,
    timeout: 240_000,
    env: { PORT: String(PORT), BOULDER_DATA: '.cache/e2e-data' },
    stdout: 'ignore',
    gracefulShutdown: { signal: 'SIGTERM', timeout: 2000 },
  },
})
