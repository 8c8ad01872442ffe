// npm run coverage: writes docs/coverage.md anew from the tests that ran last. With --check nothing is written: exits 1 where the file
// says anything else.
import { readFileSync, writeFileSync } from 'node:fs'
import { COVERAGE, makeCoverage } from './coverage.mjs'

const made = makeCoverage()
if (process.argv.includes('--check')) {
  const lines = new Set(readFileSync(COVERAGE, 'utf8').split('\n'))
  const wanted = new Set(made.split('\n'))
  const wrong = [
    ...[...lines].filter((it) => !wanted.has(it)).map((it) => `not so: ${it}`),
    ...[...wanted].filter((it) => !lines.has(it)).map((it) => `not said: ${it}`),
  ]
  for (const it of wrong) console.error(it)
  console.log(`${wrong.length} lines of docs/coverage.md are another than what passed.`)
  process.exit(wrong.length ? 1 : 0)
}
writeFileSync(COVERAGE, made)
console.log('docs/coverage.md is as the tests that ran last have it.')
