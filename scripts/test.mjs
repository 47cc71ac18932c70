// npm test: installs what is missing, then everything that must hold. A summary line stands at the end.
import { execSync, spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import { join } from 'node:path'
import { bin, ensureBuilt, ensureInstalled, root, say } from './lib.mjs'

const CHROMIUM = '/usr/bin/chromium'
const results = join(root, 'test-results')
let passed = 0
let failed = 0

/** Debian's chromium drives the browser tests; only root may install it. */
function ensureChromium() {
  if (existsSync(CHROMIUM)) return
  const command = 'apt-get update && apt-get install -y --no-install-recommends chromium'
  if (process.getuid?.() !== 0) {
    console.error(`\nThe browser tests need ${CHROMIUM}. Run this once, then npm test again:\n  sudo sh -c '${command}'`)
    process.exit(1)
  }
  say('Installing chromium …')
  execSync(command, { stdio: ['ignore', 'ignore', 'inherit'], env: { ...process.env, DEBIAN_FRONTEND: 'noninteractive' } })
}

/** Checks that pass or fail as a whole, beside each other; what each says comes out when it is through. */
async function checks(list) {
  const run = ([name, command, args]) =>
    new Promise((done) => {
      const child = spawn('nice', ['-n', '19', bin(command), ...args], { cwd: root })
      let said = ''
      for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (said += text))
      child.on('error', (error) => (said += error.message))
      child.on('close', (status) => {
        say(name)
        process.stdout.write(said)
        if (status === 0) passed++
        else failed++
        done()
      })
    })
  await Promise.all(list.map(run))
}

/** A test runner that writes its counts to a file; a run without a count is a failure. */
function counted(name, command, args, file, count, env = {}) {
  say(name)
  rmSync(file, { force: true })
  const { status } = spawnSync(bin(command), args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
  const [good, bad] = existsSync(file) ? count(JSON.parse(readFileSync(file, 'utf8'))) : [0, 0]
  passed += good
  failed += bad || (status !== 0 || good === 0 ? 1 : 0)
}

/** What stood on the screen when a browser test went wrong, for whoever reads this elsewhere. */
function tellScreens() {
  for (const folder of existsSync(results) ? readdirSync(results) : []) {
    const screen = join(results, folder, 'error-context.md')
    if (!existsSync(screen)) continue
    say(`On the screen: ${folder}`)
    console.log(readFileSync(screen, 'utf8').split('\n').slice(0, 150).join('\n'))
  }
}

const began = Date.now()
try {
  ensureInstalled()
  ensureChromium()
  mkdirSync(results, { recursive: true })
  const unit = join(results, 'unit.json')
  counted(
    'Unit and reference tests',
    'vitest',
    ['run', '--reporter=default', '--reporter=json', `--outputFile.json=${unit}`],
    unit,
    (r) => [r.numPassedTests, r.numFailedTests + r.numFailedTestSuites],
  )
  say('Production build')
  ensureBuilt()
  passed++
  // after the build, which writes types that some of them read; beside the browser tests, which mostly wait
  const beside = checks([
    ['Lint', 'eslint', ['.', '--max-warnings', '0']],
    ['Who may import whom', 'depcruise', ['src', 'standins', 'scripts', 'test', 'bench', '--config', '.dependency-cruiser.cjs']],
    ['Types', 'tsc', ['--noEmit']],
    ['Nothing that nobody uses', 'knip', []],
  ])
  const e2e = join(results, 'e2e.json')
  let flaky = 0
  counted('Browser tests', 'playwright', ['test'], e2e, ({ stats }) => {
    flaky = stats.flaky
    return [stats.expected + stats.flaky, stats.unexpected]
  })
  tellScreens()
  if (flaky) say(`${flaky} passed only at the second try`)
  await beside
} catch (error) {
  console.error(error instanceof Error ? error.message : error)
  failed++
}
console.log(`\n${Math.round((Date.now() - began) / 1000)} s`)
console.log(`${passed} passed, ${failed} failed`)
process.exit(failed ? 1 : 0)
