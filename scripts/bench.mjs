/** npm run bench: bundles the bench as the application is bundled (module by module it runs half as fast), and runs it. */
import { spawnSync } from 'node:child_process'
import { build } from 'esbuild'

const outfile = '.cache/bench.mjs'
await build({
  entryPoints: ['bench/run.ts'],
  bundle: true,
  platform: 'node',
  format: 'esm',
  packages: 'external',
  tsconfig: 'tsconfig.json',
  alias: { 'server-only': './test/support/server-only.ts' },
  outfile,
})
process.exit(spawnSync(process.execPath, [outfile, ...process.argv.slice(2)], { stdio: 'inherit' }).status ?? 1)
