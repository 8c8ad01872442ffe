// docs/coverage.md is true: every need is named once and known, every file it names exists, and every test it quotes
// stands in the file it names. Exits 1 with each line that is not.
import { existsSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './setup.mjs'

const rows = readFileSync(join(ROOT, 'docs/coverage.md'), 'utf8')
  .split('\n')
  .map((line, index) => ({ line, at: index + 1 }))
  .filter(({ line }) => /^\| [A-Z]\d\d/.test(line))
const troubles = []
const seen = new Set()
for (const { line, at } of rows) {
  const [ids = '', , screen = '', functions = '', tests = ''] = line
    .split('|')
    .slice(1)
    .map((cell) => cell.trim())
  const say = (why) => troubles.push(`docs/coverage.md:${at} ${why}`)
  for (const id of ids.split(/,\s*/)) {
    if (!/^[A-S]\d\d$/.test(id)) say(`"${id}" is no id of a need`)
    if (seen.has(id)) say(`${id} is named twice`)
    seen.add(id)
  }
  for (const cell of [screen, functions]) {
    for (const [, file, name] of cell.matchAll(/`([\w./-]+\.tsx?)(?:#(\w+))?`/g)) {
      if (!existsSync(join(ROOT, file))) say(`${file} does not exist`)
      else if (name && !readFileSync(join(ROOT, file), 'utf8').includes(name)) say(`${file} has no ${name}`)
    }
  }
  const named = [...tests.matchAll(/`([\w./-]+\.ts)` “([^”]+)”/g)]
  if (named.length === 0) say('names no test')
  for (const [, file, title] of named) {
    if (!existsSync(join(ROOT, file))) say(`${file} does not exist`)
    else if (!readFileSync(join(ROOT, file), 'utf8').includes(title)) say(`${file} has no test “${title}”`)
  }
}
for (const trouble of troubles) console.error(trouble)
console.log(`${seen.size} needs covered, ${troubles.length} lines of docs/coverage.md are not true.`)
process.exit(troubles.length || rows.length === 0 ? 1 : 0)
