import { startApi } from '../server/src/foundation/api.fixture.ts'
import { assessRow, reassessRow } from './assess-row.ts'
import { fillKit } from './filled-kit.ts'
import { measureImport } from './import-row.ts'
import { filterRow, searchRow, wireRow } from './list-rows.ts'
import { type Measured, measure } from './measure.ts'
import { pictureRow } from './picture-row.ts'
import { measureRecall } from './recall.ts'
import { measureSetups } from './setup-rows.ts'

const api = await startApi()
fillKit(api.app)

const measured: Measured[] = []
for (const row of [
  filterRow(api.app),
  searchRow(api.app),
  wireRow(api.app, api.url, api.cookieOf('manager')),
  assessRow(),
  reassessRow(),
  pictureRow(),
]) {
  measured.push(await measure(row))
}
const recall = measureRecall(api.app)
api.close()
measured.push(await measureImport())
measured.push(...(await measureSetups()))

console.log('| what | against | ours | reference | ratio | target |')
console.log('|---|---|---|---|---|---|')
for (const { name, reference, oursMs, theirsMs, ratio, target } of measured) {
  console.log(
    `| ${name} | ${reference} | ${oursMs.toFixed(2)} ms | ${theirsMs.toFixed(2)} ms | ${ratio.toFixed(2)} | ${target ?? 'none yet'} |`,
  )
}
console.log(recall)
const missed = measured.filter(({ ratio, target }) => target !== null && ratio > target)
for (const { name } of missed) console.error(`Above its target: ${name}`)
process.exit(missed.length > 0 ? 1 : 0)
