// npm run coverage: writes docs/coverage.md anew from the tests that ran last. With --check nothing is written: exits 1 where the file
// says anything that did not pass.
import { readFileSync, writeFileSync } from 'node:fs'
import { COVERAGE, checkCoverage, makeCoverage } from './coverage.mjs'

if (process.argv.includes('--check')) {
  const { wrong, unsaid } = checkCoverage(readFileSync(COVERAGE, 'utf8'))
  for (const it of wrong) console.error(it)
  if (unsaid.length > 0) console.log(`Passed, and not in docs/coverage.md: ${unsaid.join(', ')}.`)
  console.log(`${wrong.length} lines of docs/coverage.md say what did not pass.`)
  process.exit(wrong.length ? 1 : 0)
}
writeFileSync(COVERAGE, makeCoverage())
console.log('docs/coverage.md is as the tests that ran last have it.')
