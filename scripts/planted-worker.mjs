// One copy of the sources with one Vitest that stays: what a fault did not touch is read and translated once for all faults.
// Told a fault, it plants it, runs its tests, takes it out again and answers what came of it.
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { createVitest } from 'vitest/node'

const folder = process.cwd()
const vitest = await createVitest('test', { root: folder, watch: false, bail: 1, silent: true, reporters: [{}] })
await vitest.standalone()

/** Whether any of the tests fails; the first that does is enough. */
async function isRed(tests, titled) {
  if (titled) vitest.setGlobalTestNamePattern(titled)
  else vitest.resetGlobalTestNamePattern()
  const specifications = await vitest.globTestSpecifications(tests.split(' '))
  if (specifications.length === 0) throw new Error(`There is no test ${tests}.`)
  const { testModules, unhandledErrors } = await vitest.runTestSpecifications(specifications, false)
  return unhandledErrors.length > 0 || testModules.some((it) => it.state() === 'failed')
}

function write(path, text) {
  writeFileSync(path, text)
  vitest.invalidateFile(path)
}

async function plant({ file, from, to, test, titled }) {
  const path = join(folder, file)
  const text = readFileSync(path, 'utf8')
  if (!text.includes(from)) return 'NO SUCH LINE'
  write(
    path,
    text.replace(from, () => to),
  )
  const isNoticed = await isRed(test, titled)
  write(path, text)
  return isNoticed ? 'noticed' : 'STAYED GREEN'
}

process.on('message', async (fault) => process.send(await plant(fault)))
process.on('disconnect', () => process.exit(0))
process.send('ready')
