// npm test: sets everything up, runs every check, and ends with one line that counts them.
import { spawnSync } from 'node:child_process'
import { existsSync, readFileSync, rmSync } from 'node:fs'
import { join, relative } from 'node:path'
import {
  beginDriver,
  ensureChromium,
  ensureJourneyHost,
  ensurePackages,
  ensurePages,
  ensureServer,
  makeFolder,
  ROOT,
  SERVER,
} from './setup.mjs'

ensurePackages()
const driver = beginDriver()
ensureChromium()
ensurePages()
ensureServer()
ensureJourneyHost()
// What is started as a process of its own is what people start.
process.env.EXEMPLAR_SERVER = SERVER
const results = makeFolder(join(ROOT, 'test-results'))
let passed = 0
let failed = 0
/** What failed, by name: said once more at the very end, as the end is what people keep of a long run. */
const wrong = []

/** A check that is one thing: it passes or it fails. */
function check(name, command, args) {
  console.log(`\n— ${name}`)
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit' })
  if (status === 0) passed++
  else {
    failed++
    wrong.push(name)
  }
}

/** A runner that counts by itself into a JSON file. A run that leaves no file is one failure. */
function runner(name, file, command, args, count) {
  console.log(`\n— ${name}`)
  const path = join(results, file)
  rmSync(path, { force: true })
  const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit' })
  const counts = existsSync(path)
    ? count(JSON.parse(readFileSync(path, 'utf8')))
    : { passed: 0, failed: 1, names: ['it left no results'] }
  passed += counts.passed
  failed += counts.failed || (status === 0 ? 0 : 1)
  if (counts.failed === 0 && status !== 0) counts.names.push('it ended with a failure that no test owns')
  for (const it of counts.names) wrong.push(`${name}: ${it}`)
}

check('Format and lint', 'npx', ['biome', 'ci', '.'])
check('Types of core, without Node or DOM', 'npx', ['tsc', '-p', 'core/tsconfig.json', '--noEmit'])
check('Types of server, tests and journeys', 'npx', ['tsc', '-p', 'tsconfig.json', '--noEmit'])
check('Types of the pages', 'npx', ['tsc', '-p', 'web/tsconfig.json', '--noEmit'])
check('The structure holds', process.execPath, ['scripts/check-structure.mjs'])
/** The failed tests of one file, or the file where it could not be read at all. */
function nameFailed({ name, status, message, assertionResults }) {
  const tests = assertionResults.filter((it) => it.status === 'failed')
  if (tests.length === 0 && status === 'failed') return [`${relative(ROOT, name)}: ${firstLine(message)}`]
  return tests.map((it) => `${relative(ROOT, name)}: ${it.fullName}: ${firstLine(it.failureMessages[0])}`)
}

const firstLine = (text) => String(text ?? '').split('\n', 1)[0]

/** The journeys that failed at every try, in a suite and those within it. */
const nameJourneys = (suite) => [
  ...(suite.specs ?? []).filter((it) => !it.ok).map((it) => `${it.file}: ${it.title}`),
  ...(suite.suites ?? []).flatMap(nameJourneys),
]

const unit = (name, file, folders) =>
  runner(
    name,
    file,
    'npx',
    ['vitest', 'run', ...folders, '--reporter=default', '--reporter=json', `--outputFile.json=${join(results, file)}`],
    (report) => ({
      passed: report.numPassedTests,
      failed: report.numFailedTests + report.numFailedTestSuites * (report.numFailedTests ? 0 : 1),
      names: report.testResults.flatMap(nameFailed),
    }),
  )
unit('Core', 'core.json', ['core/src/'])
await driver
runner(
  'Planted faults are noticed',
  'planted.json',
  process.execPath,
  ['scripts/planted.mjs', '--only-red'],
  (names) => ({
    passed: names.length === 0 ? 1 : 0,
    failed: names.length === 0 ? 0 : 1,
    names,
  }),
)
unit('Server and pages', 'server.json', ['server/src/', 'web/src/'])
runner(
  'Journeys in Chromium',
  'journeys.json',
  'npx',
  ['playwright', 'test', '-c', 'e2e/playwright.config.ts'],
  ({ stats, errors, suites }) => {
    if (stats.flaky > 0) console.log(`\n${stats.flaky} journeys passed only at the second try; they are named above.`)
    return {
      passed: stats.expected + stats.flaky,
      failed: stats.unexpected + errors.length,
      names: [...suites.flatMap(nameJourneys), ...errors.map((it) => firstLine(it.message))],
    }
  },
)
check('docs/coverage.md says what passed', process.execPath, ['scripts/coverage/write.mjs', '--check'])
if (wrong.length > 0) console.log(`\nWhat failed:\n${wrong.map((it) => `  ${it}`).join('\n')}`)
console.log(`\n${passed} passed, ${failed} failed`)
process.exit(failed ? 1 : 0)
