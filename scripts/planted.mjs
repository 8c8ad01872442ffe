// npm run planted: faults planted one at a time into a copy of the sources, each of which has to turn its test red. A fault
// that nobody notices means a test that cannot fail. Exits 1 with each that stays green, or that finds no line to change.
import { spawn } from 'node:child_process'
import { cpSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { PLANTED_FAULTS } from './planted-faults.mjs'
import { ROOT } from './setup.mjs'

/**
 * Only those of one row or law, where it is named: `npm run planted F3`. `--only-red` leaves out the proof that the tests are
 * green without a fault, where the same run has them all anyway.
 */
const args = process.argv.slice(2)
const only = args.find((it) => !it.startsWith('--'))
const isProvenElsewhere = args.includes('--only-red')
const FAULTS = PLANTED_FAULTS.filter((it) => !only || it.law === only)

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

/** Whether any of the tests fails; with `bail` the first that does is enough. */
function isRed(folder, tests, bail, titled) {
  const which = [...tests.split(' '), ...(titled ? ['-t', titled] : [])]
  const run = ['vitest', 'run', ...which, '--reporter=dot', ...(bail ? ['--bail=1'] : [])]
  const child = spawn('npx', run, { cwd: folder, stdio: 'ignore' })
  return new Promise((done) => child.on('exit', (code) => done(code !== 0)))
}

/** Plants one fault and takes it out again; whether nobody noticed. */
async function plant(folder, { law, file, from, to, test, titled }) {
  const path = join(folder, file)
  const text = readFileSync(path, 'utf8')
  const say = (what) => console.log(`${what}: ${law}, ${file}: ${to}`)
  if (!text.includes(from)) {
    say('NO SUCH LINE')
    return true
  }
  writeFileSync(
    path,
    text.replace(from, () => to),
  )
  const isNoticed = await isRed(folder, test, true, titled)
  say(isNoticed ? 'noticed' : 'STAYED GREEN')
  writeFileSync(path, text)
  return !isNoticed
}

/** Plants faults by themselves, one after the other, as long as there are any; how many nobody noticed. */
async function plantFrom(queue, folder) {
  let missed = 0
  for (let fault = queue.shift(); fault; fault = queue.shift()) if (await plant(folder, fault)) missed++
  return missed
}

// Two at a time, each in its own copy.
const folders = [copyTree(), copyTree()]
let missed = 0
try {
  const all = [...new Set(FAULTS.flatMap((it) => it.test.split(' ')))].join(' ')
  if (!isProvenElsewhere && (await isRed(folders[0], all, false))) {
    console.log('The tests are red without any fault planted: nothing can be told by them.')
    missed = FAULTS.length
  } else {
    const queue = [...FAULTS]
    const each = await Promise.all(folders.map((folder) => plantFrom(queue, folder)))
    missed = each.reduce((sum, it) => sum + it, 0)
  }
} finally {
  for (const folder of folders) rmSync(folder, { recursive: true, force: true })
}
console.log(`${FAULTS.length - missed} of ${FAULTS.length} planted faults were noticed.`)
process.exit(missed ? 1 : 0)
