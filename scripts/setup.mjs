// Everything that has to be there before Exemplar can run, and nothing twice. Plain Node: it runs before any install.
import { spawn, spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { dirname, join } from 'node:path'
import { fileURLToPath } from 'node:url'

export const ROOT = dirname(dirname(fileURLToPath(import.meta.url)))
export const CHROMIUM = '/usr/bin/chromium'

/** Runs a command with its output shown; ends this process with a sentence when it fails. */
export function run(command, args, { what, env = {} } = {}) {
  const result = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: { ...process.env, ...env } })
  if (result.status === 0) return
  console.error(`${what ?? `${command} ${args.join(' ')}`} failed.`)
  process.exit(result.status ?? 1)
}

/** Node version, packages from the lockfile, database driver, built pages. */
export function ensureReady() {
  ensurePackages()
  ensureDriver()
  ensurePages()
  ensureServer()
}

const STAMP = join(ROOT, 'node_modules/.exemplar-lock')

function hashLock() {
  return createHash('sha256')
    .update(readFileSync(join(ROOT, 'package-lock.json')))
    .digest('hex')
}

/** The Node version and the packages of the lockfile, without their build steps: only the database driver needs one. */
export function ensurePackages() {
  const [major = 0, minor = 0] = process.versions.node.split('.').map(Number)
  if (major < 20 || (major === 20 && minor < 19)) {
    console.error(`Exemplar needs Node 20.19 or newer; this is ${process.versions.node}.`)
    process.exit(1)
  }
  const wanted = hashLock()
  if (existsSync(STAMP) && readFileSync(STAMP, 'utf8') === wanted) return
  console.log('Installing packages from the lockfile.')
  run('npm', ['ci', '--ignore-scripts', '--no-audit', '--no-fund', '--loglevel=error'], {
    what: 'Installing the packages',
  })
  writeFileSync(STAMP, wanted)
}

function doesDriverLoad() {
  const driver = "new (require('better-sqlite3'))(':memory:').close()"
  return spawnSync(process.execPath, ['-e', driver], { cwd: ROOT, stdio: 'ignore' }).status === 0
}

const BUILD_DRIVER = ['rebuild', 'better-sqlite3', '--foreground-scripts', '--loglevel=error']
const WHAT_DRIVER = 'Building the database driver (it needs python3, make and a C++ compiler)'

/** The database driver: fetched ready-made where that can be, else compiled. */
export function ensureDriver() {
  if (doesDriverLoad()) return
  console.log('Getting the database driver. It may compile, which takes two or three minutes.')
  run('npm', BUILD_DRIVER, { what: WHAT_DRIVER })
}

/** The same beside other work: gives a promise that it is there. Ends this process with a sentence when it fails. */
export function beginDriver() {
  if (doesDriverLoad()) return Promise.resolve()
  console.log('Getting the database driver, beside the checks that do not need it.')
  const child = spawn('npm', BUILD_DRIVER, { cwd: ROOT, stdio: 'ignore' })
  return new Promise((resolve) => {
    child.on('exit', (status) => {
      if (status === 0 && doesDriverLoad()) return resolve()
      console.error(`${WHAT_DRIVER} failed.`)
      process.exit(1)
    })
  })
}

/** Builds the pages when they are missing or older than what they are made from. */
export function ensurePages() {
  const built = join(ROOT, 'web/dist/index.html')
  const newest = Math.max(
    ...['core/src', 'web/src', 'web/index.html', 'web/vite.config.ts', 'docs/examples'].map((path) =>
      findNewest(join(ROOT, path)),
    ),
  )
  if (existsSync(built) && statSync(built).mtimeMs > newest) return
  console.log('Building the pages.')
  run('npx', ['vite', 'build', 'web', '--logLevel', 'warn'], { what: 'Building the pages' })
}

/** The server as one file: it starts in a third of the time that its sources take to be read one by one. */
export const SERVER = join(ROOT, 'server/dist/built/main.mjs')

/** Bundles the server when it is missing or older than what it is made from; packages stay where they are. */
export function ensureServer() {
  bundle(SERVER, ['main=server/src/main.ts', 'job-thread=server/src/job-thread.ts'])
}

/** The process that holds the houses of the journeys, one after the other, beside the server it is made of. */
export const JOURNEY_HOST = join(dirname(SERVER), 'journey-host.mjs')

/** Bundles the host of the journeys; only tests need it. */
export function ensureJourneyHost() {
  bundle(JOURNEY_HOST, ['journey-host=e2e/journey-host.ts'])
}

/** Bundles entries of the server beside one another, where `file` is missing or older than the sources. */
function bundle(file, entries) {
  const newest = Math.max(...['core/src', 'server/src', 'e2e'].map((path) => findNewest(join(ROOT, path))))
  if (existsSync(file) && statSync(file).mtimeMs > newest) return
  const packages = ['core', 'server'].flatMap((workspace) =>
    Object.keys(JSON.parse(readFileSync(join(ROOT, workspace, 'package.json'), 'utf8')).dependencies),
  )
  const external = packages.filter((name) => name !== '@exemplar/core').map((name) => `--external:${name}`)
  run(
    'npx',
    [
      'esbuild',
      ...entries,
      '--bundle',
      '--platform=node',
      '--format=esm',
      '--target=node20',
      '--sourcemap',
      '--log-level=warning',
      '--alias:@exemplar/core=./core/src/index.ts',
      `--outdir=${dirname(SERVER)}`,
      '--out-extension:.js=.mjs',
      ...external,
    ],
    { what: 'Building the server' },
  )
}

function findNewest(path) {
  const stat = statSync(path)
  if (!stat.isDirectory()) return stat.mtimeMs
  return Math.max(0, ...readdirSync(path).map((name) => findNewest(join(path, name))))
}

/** Chromium from Debian's packages, installed where it is missing and can be. */
export function ensureChromium() {
  if (existsSync(CHROMIUM)) return
  console.log('Installing Chromium from the system packages for the browser journeys.')
  const canInstall = process.getuid?.() === 0 && spawnSync('apt-get', ['--version'], { stdio: 'ignore' }).status === 0
  if (canInstall) {
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
    spawnSync('apt-get', ['update', '-qq'], { stdio: 'inherit', env })
    spawnSync('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], {
      stdio: ['ignore', 'ignore', 'inherit'],
      env,
    })
  }
  if (existsSync(CHROMIUM)) return
  console.error('The browser journeys need Chromium at /usr/bin/chromium. Install it with: apt-get install chromium')
  process.exit(1)
}

export function makeFolder(path) {
  mkdirSync(path, { recursive: true })
  return path
}
