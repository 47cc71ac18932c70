import { defineConfig } from '@playwright/test'
import { CAMERA_FILE } from './test/e2e/camera-file'

export default defineConfig({
  testDir: 'test/e2e',
  globalSetup: './test/e2e/set-up.ts',
  // every test has a room of its own; a tool is measured in a worker beside its page
  workers: 2,
  fullyParallel: true,
  timeout: 300_000,
  expect: { timeout: 60_000 },
  // what passes only at the second try is told at the end, with what went wrong at the first
  retries: 1,
  reporter: [['list'], ['json', { outputFile: 'test-results/e2e.json' }]],
  use: {
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
    actionTimeout: 60_000,
  },
})
