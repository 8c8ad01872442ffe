// npm run planted: faults planted one at a time into a copy of the sources, each of which has to turn its test red. A fault
// that nobody notices means a test that cannot fail. Exits 1 with each that stays green, or that finds no line to change.
import { fork, spawnSync } from 'node:child_process'
import { cpSync, mkdirSync, mkdtempSync, readdirSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PLANTED_FAULTS } from './planted-faults.mjs'
import { makeFolder, ROOT } from './setup.mjs'

/**
 * Only those of one row or law, where it is named: `npm run planted F3`, `'S*'` for all that begin so. `--only-red` leaves out the proof that the tests are
 * green without a fault, where the same run has them all anyway.
 */
const args = process.argv.slice(2)
const only = args.find((it) => !it.startsWith('--'))
const isProvenElsewhere = args.includes('--only-red')
const isMeant = (law) => !only || law === only || (only.endsWith('*') && law.startsWith(only.slice(0, -1)))
const FAULTS = PLANTED_FAULTS.filter((it) => isMeant(it.law))
if (FAULTS.length === 0) throw new Error(`No fault is planted for ${only}.`)

const isSource = (path) => !/node_modules|[/\\\\]dist([/\\\\]|$)/.test(path)

/** The sources beside the packages that are installed here. */
function copyTree() {
  const folder = mkdtempSync(join(tmpdir(), 'exemplar-planted-'))
  for (const name of [
    'core',
    'server',
    'web',
    'vitest.config.ts',
    'vitest.setup.ts',
    'package.json',
    'tsconfig.json',
  ]) {
    cpSync(join(ROOT, name), join(folder, name), { recursive: true, filter: isSource })
  }
  mkdirSync(join(folder, 'docs'))
  for (const name of readdirSync(join(ROOT, 'docs'))) {
    if (name !== 'screenshots') cpSync(join(ROOT, 'docs', name), join(folder, 'docs', name), { recursive: true })
  }
  linkPackages(folder)
  return folder
}

/** The packages that are installed here; of the workspaces the copies, as a fault is planted in them. */
function linkPackages(folder) {
  const packages = join(folder, 'node_modules')
  mkdirSync(join(packages, '@exemplar'), { recursive: true })
  for (const name of readdirSync(join(ROOT, 'node_modules'))) {
    if (name !== '@exemplar') symlinkSync(join(ROOT, 'node_modules', name), join(packages, name))
  }
  for (const name of ['core', 'server']) symlinkSync(join(folder, name), join(packages, '@exemplar', name))
}

/** Whether all of these tests are green as they are. */
function areGreen(folder, tests) {
  return spawnSync('npx', ['vitest', 'run', ...tests, '--reporter=dot'], { cwd: folder, stdio: 'ignore' }).status === 0
}

/** What the worker says next; a worker that ends says nothing more. */
function hear(worker) {
  return new Promise((done, fail) => {
    const giveUp = (code) => fail(new Error(`A worker ended with ${code}.`))
    worker.once('exit', giveUp)
    worker.once('message', (what) => {
      worker.off('exit', giveUp)
      done(what)
    })
  })
}

/** Plants faults by themselves, one after the other, as long as there are any; those that nobody noticed. */
async function plantFrom(queue, folder) {
  const worker = fork(join(ROOT, 'scripts', 'planted-worker.mjs'), {
    cwd: folder,
    stdio: ['ignore', 'ignore', 2, 'ipc'],
  })
  const unnoticed = []
  try {
    await hear(worker)
    for (let fault = queue.shift(); fault; fault = queue.shift()) {
      const began = performance.now()
      worker.send(fault)
      const what = await hear(worker)
      if (what !== 'noticed') unnoticed.push(`${fault.law}, ${fault.file}: ${fault.to}`)
      const seconds = ((performance.now() - began) / 1000).toFixed(1)
      console.log(`${what}: ${fault.law}, ${fault.file}: ${fault.to} (${seconds} s)`)
    }
  } finally {
    worker.removeAllListeners('exit')
    if (worker.connected) worker.disconnect()
  }
  return unnoticed
}

// Two at a time, each in its own copy.
const folders = [copyTree(), copyTree()]
let unnoticed = []
try {
  const all = [...new Set(FAULTS.flatMap((it) => it.test.split(' ')))]
  if (!isProvenElsewhere && !areGreen(folders[0], all)) {
    console.log('The tests are red without any fault planted: nothing can be told by them.')
    unnoticed = FAULTS.map((it) => `${it.law}, ${it.file}: ${it.to}`)
  } else {
    const queue = [...FAULTS]
    const each = await Promise.all(folders.map((folder) => plantFrom(queue, folder)))
    unnoticed = each.flat()
  }
} finally {
  for (const folder of folders) rmSync(folder, { recursive: true, force: true })
}
for (const it of unnoticed) console.log(`Nobody noticed ${it}`)
writeFileSync(join(makeFolder(join(ROOT, 'test-results')), 'planted.json'), JSON.stringify(unnoticed))
console.log(`${FAULTS.length - unnoticed.length} of ${FAULTS.length} planted faults were noticed.`)
process.exit(unnoticed.length > 0 ? 1 : 0)
