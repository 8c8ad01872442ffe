// Arrows only point down: web and server may import core, core imports neither, nor Node, nor the DOM; and a room
// imports only rooms above it in the table of docs/architecture.md. Exits 1 with each arrow that points up.
import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join, relative, resolve } from 'node:path'
import { ROOT } from './setup.mjs'

const ROOMS = ['units', 'studio', 'kit', 'setups', 'diary', 'bench', 'ledger', 'today']
const CORE_MAY_IMPORT = new Set(['zod', 'temporal-polyfill', 'papaparse', 'culori'])

function* listSources(folder) {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name)
    if (statSync(path).isDirectory()) yield* listSources(path)
    else if (/\.tsx?$/.test(name) && !/\.(test|fixture)\.tsx?$/.test(name)) yield path
  }
}

function listImports(path) {
  const text = readFileSync(path, 'utf8')
  const statements = text.matchAll(
    /^(?:import|export)\b[^'"]*?from\s+['"]([^'"]+)['"]|^import\s+['"]([^'"]+)['"]|\bimport\(['"]([^'"]+)['"]\)/gm,
  )
  return [...statements].map((match) => match[1] ?? match[2] ?? match[3] ?? '')
}

const troubles = []
let arrows = 0
for (const workspace of ['core', 'server', 'web']) {
  const source = join(ROOT, workspace, 'src')
  for (const path of listSources(source)) {
    const room = relative(source, path).split('/')[0]
    for (const target of listImports(path)) {
      arrows++
      const say = (why) => troubles.push(`${relative(ROOT, path)} imports ${target}: ${why}`)
      if (!target.startsWith('.')) {
        if (workspace === 'core' && !CORE_MAY_IMPORT.has(target)) say('core is pure')
        if (workspace === 'web' && /^(koa|drizzle|better-sqlite3|node:)/.test(target)) say('that belongs to the server')
        if (workspace === 'server' && /^(react|radix|@reduxjs)/.test(target)) say('that belongs to the pages')
        continue
      }
      const toRoom = relative(source, resolve(path, '..', target)).split('/')[0]
      if (toRoom === '..' && !target.includes('/docs/examples/')) say('it leaves its workspace; import @exemplar/core')
      if (workspace !== 'core' || !ROOMS.includes(room)) continue
      if (ROOMS.indexOf(toRoom) > ROOMS.indexOf(room)) say(`${toRoom} lies below ${room}`)
    }
    if (
      workspace === 'core' &&
      /\b(window|document|localStorage|process)\.|Date\.now\(|Temporal\.Now|Math\.random\(/.test(
        readFileSync(path, 'utf8'),
      )
    ) {
      troubles.push(`${relative(ROOT, path)} reads the world: core is given what it needs`)
    }
  }
}
for (const trouble of troubles) console.error(trouble)
console.log(`${arrows} imports looked at, ${troubles.length} point the wrong way.`)
process.exit(troubles.length ? 1 : 0)
