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

const toRow = ({ need, clause, file, title }) => `| ${need}.${clause} | ${title} | \`${file}\` |`

/**
 * What docs/coverage.md says that is not so: rows of which no test passed, needs of which a clause has no row, and sums that are another
 * than the rows. What passed and is not said yet is no falsehood: it is `unsaid`, by clause.
 */
export function checkCoverage(text) {
  const shown = listByClause()
  const passed = new Set([...shown.values()].flat().map(toRow))
  const rows = text.split('\n').filter((it) => /^\| [A-S]\d\d\.\d+ \|/.test(it))
  const said = new Set(rows.map((it) => it.split(' ')[1]))
  const needs = [...new Set([...said].map((it) => it.split('.')[0]))]
  const sums = sumUp(needs.length, rows.length)
  return {
    wrong: [
      ...rows.filter((it) => !passed.has(it)).map((it) => `No test that passed shows this: ${it}`),
      ...needs.flatMap((need) =>
        listClauses(need)
          .filter((it) => !said.has(it))
          .map((it) => `${it} has no row, and the others of its need have`),
      ),
      ...(text.includes(sums) ? [] : [`By its rows it should say "${sums}"`]),
    ],
    unsaid: [...shown.keys()].filter((it) => !said.has(it)).sort(),
  }
}

const listClauses = (need) => Array.from({ length: countClauses(need) }, (_, at) => `${need}.${at + 1}`)
const sumUp = (needs, rows) => `${needs} of ${NEEDS_IN_ALL} needs, ${rows} clauses.`

/** docs/coverage.md as it follows from what passed; throws where a title names a clause that there is not. */
export function makeCoverage() {
  const shown = listByClause()
  const needs = [...new Set([...shown.values()].map(([it]) => it.need))].sort()
  for (const [name, [{ need, clause }]] of shown)
    if (clause < 1 || clause > countClauses(need))
      throw new Error(`A test says that it shows ${name}, which there is not.`)
  const met = needs.filter((need) => listClauses(need).every((it) => shown.has(it)))
  const rows = met.flatMap(listClauses).map((it) => toRow(shown.get(it)[0]))
  return `# Needs met

Made by \`npm run coverage\` from the titles of the tests that ran through the API or the browser and passed; \`npm test\` fails where
it says what did not pass. One row for each clause of a need. A need of which a clause is not shown has no row, whatever else of it is there.

${sumUp(met.length, rows.length)}

| clause | what was tried | test |
|---|---|---|
${rows.join('\n')}
`
}
