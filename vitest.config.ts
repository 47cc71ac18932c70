import { defineConfig } from 'vitest/config'

export default defineConfig({
  resolve: {
    alias: {
      '@': `${import.meta.dirname}/src`,
      'server-only': `${import.meta.dirname}/test/support/server-only.ts`,
    },
  },
  test: {
    include: [
      'src/**/*.test.ts',
      'standins/**/*.test.ts',
      'test/reference/**/*.test.ts',
      'test/stations/**/*.test.ts',
      'test/devices/**/*.test.ts',
    ],
    setupFiles: ['test/support/chance.ts'],
    testTimeout: 180_000,
    // each file in a world of its own would read every module again: most of the time went there
    pool: 'threads',
    isolate: false,
    // one worker fewer than cores is the default: on two cores that is half the speed
    maxWorkers: '100%',
  },
})
