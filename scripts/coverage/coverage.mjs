// What is met, from the titles of the tests that ran through the API or the browser and passed: a title with [A15.2] shows the
// second clause of need A15. Of a need of which a clause is not shown nothing is said.
import { existsSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { ROOT } from '../setup.mjs'
import { countClauses, NEEDS_IN_ALL } from './clauses.mjs'

const RESULTS = join(ROOT, 'test-results')
export const COVERAGE = join(ROOT, 'docs', 'coverage.md')

/** Every test of the API, the pages and the browser that passed, with its file. */
function listPassed() {
  return [...listVitest('server.json'), ...listJourneys('journeys.json')]
}

function read(name) {
  const path = join(RESULTS, name)
  if (!existsSync(path)) throw new Error(`test-results/${name} is not there: run npm test first.`)
  return JSON.parse(readFileSync(path, 'utf8'))
}

function listVitest(name) {
  return read(name).testResults.flatMap(({ name: path, assertionResults }) =>
    assertionResults
      .filter((it) => it.status === 'passed')
      .map((it) => ({ file: relative(ROOT, path), title: [...it.ancestorTitles, it.title].join(' › ') })),
  )
}

function listJourneys(name) {
  const walk = (suite, above) => [
    ...(suite.specs ?? [])
      .filter((it) => it.ok)
      .map((it) => ({ file: `e2e/${suite.file}`, title: [...above, it.title].join(' › ') })),
    // The first is the file itself.
    ...(suite.suites ?? []).flatMap((it) => walk(it, [...above, it.title])),
  ]
  return read(name).suites.flatMap((it) => walk(it, []))
}

const CLAUSE = /\[([A-S]\d\d)\.(\d+)\]/g
const clean = (title) => title.replaceAll(CLAUSE, '').replace(/\s+/g, ' ').replaceAll('|', '\\|').trim()

/** Titles of what passed by clause: `A15.2` to its tests. */
function listByClause() {
  const shown = new Map()
  for (const { file, title } of listPassed()) {
    for (const [, need, clause] of title.matchAll(CLAUSE)) {
      const name = `${need}.${clause}`
      shown.set(name, [...(shown.get(name) ?? []), { need, clause: Number(clause), file, title: clean(title) }])
    }
  }
  return shown
}

/** docs/coverage.md as it follows from what passed; throws where a title names a clause that there is not. */
export function makeCoverage() {
  const shown = listByClause()
  const needs = [...new Set([...shown.values()].map(([it]) => it.need))].sort()
  for (const [name, [{ need, clause }]] of shown)
    if (clause < 1 || clause > countClauses(need))
      throw new Error(`A test says that it shows ${name}, which there is not.`)
  const isWhole = (need) =>
    Array.from({ length: countClauses(need) }, (_, at) => shown.has(`${need}.${at + 1}`)).every(Boolean)
  const met = needs.filter(isWhole)
  const rows = met.flatMap((need) =>
    Array.from({ length: countClauses(need) }, (_, at) => {
      const tests = shown.get(`${need}.${at + 1}`)
      const more = tests.length > 1 ? ` and ${tests.length - 1} more` : ''
      return `| ${need}.${at + 1} | ${tests[0].title}${more} | \`${tests[0].file}\` |`
    }),
  )
  return `# Needs met

Made by \`npm run coverage\` from the titles of the tests that ran through the API or the browser and passed; \`npm test\` fails where it is
another. One row for each clause of a need. A need of which a clause is not shown has no row, whatever else of it is there.

${met.length} of ${NEEDS_IN_ALL} needs, ${rows.length} clauses.

| clause | what was tried | test |
|---|---|---|
${rows.join('\n')}
`
}
