import { measureBench } from './bench-rows.ts'
import { measureDoubling } from './doubling-rows.ts'
import { measureLargeStudio } from './large-studio.ts'

const rows = [...(await measureLargeStudio()), ...(await measureDoubling()), ...(await measureBench())]
console.log('| in the large studio | median | times the reference | at most | |')
console.log('|---|---|---|---|---|')
for (const { name, ms, ratio, target, note } of rows) {
  console.log(`| ${name} | ${ms.toFixed(0)} ms | ${ratio?.toFixed(2) ?? '–'} | ${target ?? '–'} | ${note} |`)
}
const missed = rows.filter(({ ratio, target }) => ratio !== null && target !== null && ratio > target)
for (const { name } of missed) console.error(`Above its target: ${name}`)
process.exit(missed.length > 0 ? 1 : 0)
