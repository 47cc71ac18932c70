// Shared by the commands of package.json; plain Node, so that it runs before anything is installed.
import { execSync, spawn } from 'node:child_process'
import { createHash } from 'node:crypto'
import {
  cpSync,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { join } from 'node:path'

export const root = join(import.meta.dirname, '..')
const bin = (name) => join(root, 'node_modules', '.bin', name)

export function say(text) {
  console.log(`\n▲ ${text}`)
}

/** Installs packages when they are missing or older than the lock file. */
export function ensureInstalled() {
  const stamp = join(root, 'node_modules', '.boulder-installed')
  const wanted = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex')
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  say('Installing packages (the database is compiled: 3 to 5 minutes the first time) …')
  execSync('npm ci --include=dev --no-audit --no-fund', { cwd: root, stdio: 'inherit' })
  writeFileSync(stamp, wanted)
}

function hashOf(paths) {
  const hash = createHash('sha256')
  const walk = (path) => {
    if (!existsSync(path)) return
    if (statSync(path).isDirectory())
      return readdirSync(path)
        .sort()
        .forEach((name) => walk(join(path, name)))
    if (!/\.test\.tsx?$/.test(path)) hash.update(path).update(readFileSync(path))
  }
  paths.forEach((path) => walk(join(root, path)))
  return hash.digest('hex')
}

/** Builds when a source has changed since the last build. */
export function ensureBuilt() {
  const stamp = join(root, '.next', 'boulder-built')
  const wanted = hashOf([
    'src',
    'standins',
    'scripts/lib.mjs',
    'next.config.ts',
    'postcss.config.mjs',
    'package-lock.json',
    'tsconfig.json',
    'package.json',
  ])
  if (existsSync(stamp) && existsSync(join(root, bundle('control'))) && readFileSync(stamp, 'utf8') === wanted) return
  say('Building …')
  buildWorkers()
  execSync(`"${bin('next')}" build`, { cwd: root, stdio: 'inherit', env: { ...process.env, NEXT_TELEMETRY_DISABLED: '1' } })
  writeFileSync(stamp, wanted)
}

const WORKERS = join('.cache', 'workers')
const BUNDLES = {
  threads: 'src/workers/server/threads.ts',
  control: 'standins/control/server.ts',
  'line-bench': 'standins/line-bench/server.ts',
}
/** A program of its own, as it was bundled. */
export const bundle = (name) => join(WORKERS, `${name}.mjs`)

/** The server's threads and the stand-ins are bundled apart: Next does not know of them. */
export function buildWorkers() {
  const entries = Object.entries(BUNDLES).map(([name, file]) => `${name}=${file}`)
  const args = [
    ...['--bundle', '--platform=node', '--format=esm', '--target=node20', '--tsconfig=tsconfig.json'],
    '--log-level=warning',
    // machine code stays in its packages; older packages ask for `require`
    ...['--external:@resvg/resvg-js', '--external:zxing-wasm', '--external:better-sqlite3'],
    `"--banner:js=import { createRequire as requireOf } from 'node:module'; const require = requireOf(import.meta.url);"`,
  ]
  execSync(`"${bin('esbuild')}" ${entries.join(' ')} ${args.join(' ')} --outdir=${WORKERS} --out-extension:.js=.mjs`, {
    cwd: root,
    stdio: ['ignore', 'ignore', 'inherit'],
  })
}

const PRACTICE_SEED = join(root, '.cache', 'practice-seed')
/** What a seeded shop is made of. */
const seedHash = () => hashOf(['seed', 'scripts/seed.ts', 'scripts/fill-library.ts', 'src/db/migrations'])

/** Whether practice rooms can be made as the shop is seeded now. */
export const hasPracticeSeed = () => {
  const stamp = join(PRACTICE_SEED, 'seed-hash')
  return existsSync(stamp) && readFileSync(stamp, 'utf8') === seedHash()
}

/** Keeps a copy of a folder that was just seeded, so that practice rooms can be made of it. @param seededMs when it was, ms */
export function keepPracticeSeed(folder, seededMs) {
  const fresh = `${PRACTICE_SEED}.new`
  rmSync(fresh, { recursive: true, force: true })
  cpSync(folder, fresh, { recursive: true })
  writeFileSync(join(fresh, 'seeded-at'), String(seededMs))
  writeFileSync(join(fresh, 'seed-hash'), seedHash())
  rmSync(PRACTICE_SEED, { recursive: true, force: true })
  renameSync(fresh, PRACTICE_SEED)
}

/** Seeds what practice rooms are made of, beside whatever else goes on; nobody waits for it but a lesson. */
export function seedPractice() {
  if (hasPracticeSeed()) return
  const child = spawn(process.execPath, [join(root, 'scripts/seed-room.mjs')], { cwd: root, stdio: ['ignore', 'ignore', 'inherit'] })
  children.push(child)
}

const children = []

/** Starts a process that ends with this one. */
export function start(name, command, args, env) {
  const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'inherit', 'inherit'], env: { ...process.env, ...env } })
  children.push(child)
  child.on('exit', (code) => {
    if (!stopping) {
      console.error(`${name} stopped (${code}).`)
      stop(1)
    }
  })
  return child
}

let stopping = false
export function stop(code = 0) {
  if (stopping) return
  stopping = true
  for (const child of children) child.kill('SIGTERM')
  setTimeout(() => process.exit(code), 400)
}
process.on('SIGINT', () => stop())
process.on('SIGTERM', () => stop())

/** Waits until an address answers. */
export async function waitFor(url, seconds = 60) {
  let told = ''
  for (let i = 0; i < seconds * 5; i++) {
    try {
      const answer = await fetch(url)
      if (answer.ok) return
      // why it is not ready, as soon as it says so
      const { detail } = await answer.json()
      if (detail && detail !== told) say((told = detail))
    } catch {
      // not yet
    }
    await new Promise((resolve) => setTimeout(resolve, 200))
  }
  throw new Error(`${url} does not answer`)
}

/** The control stand-in: a process of its own on loopback. */
export async function startControl(port, data, checksOnly = false) {
  mkdirSync(join(data, 'control'), { recursive: true })
  start(checksOnly ? 'The post checker' : 'The control stand-in', process.execPath, [bundle('control')], {
    CONTROL_PORT: String(port),
    CONTROL_DATA: join(data, 'control'),
    CONTROL_CHECKS_ONLY: checksOnly ? '1' : '0',
  })
  await waitFor(`http://127.0.0.1:${port}/`)
}

/** The stand-in of a bench at the end of a serial line; it answers as soon as it listens. */
export function startLineBench(port) {
  start('The line bench stand-in', process.execPath, [bundle('line-bench')], { LINE_PORT: String(port) })
}

/** Runs one of our TypeScript scripts to its end. */
export function runScript(file, env = {}) {
  execSync(`"${bin('tsx')}" --conditions=react-server ${file}`, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } })
}

export { bin }
