// The structure holds: arrows point down between workspaces, rooms and sub-folders; no circle of files; no folder of more
// than twenty sources; every name that core publishes is used outside it; and every file that the documents name is there.
// Exits 1 with each breach.
import { existsSync, readdirSync, readFileSync, statSync } from 'node:fs'
import { basename, dirname, join, relative, resolve } from 'node:path'
import { ROOT } from './setup.mjs'

const MOST_FILES = 20
const CORE_MAY_IMPORT = new Set(['zod', 'temporal-polyfill', 'papaparse', 'culori', 'suncalc', '@dagrejs/dagre'])

/**
 * The folders of each workspace from top to bottom: a file imports only from its own folder and those above it. What lies
 * in a room itself lies above its sub-folders.
 */
const ORDER = {
  core: [
    'units',
    'studio',
    'studio/people',
    'studio/places',
    'studio/policy',
    'studio/history',
    'studio/archive',
    'formulas',
    'formulas/power',
    'formulas/media',
    'formulas/picture',
    'formulas/light',
    'formulas/sound',
    'formulas/signal',
    'formulas/room',
    'formulas/rigging',
    'formulas/reliability',
    'formulas/money',
    'kit/model',
    'kit/template',
    'kit/unit',
    'kit/entry',
    'kit/import',
    'kit/exchange',
    'kit/counting',
    'kit/labels',
    'kit/worth',
    'setups/setup',
    'setups/examples',
    'setups/placed',
    'setups/joining',
    'setups/checks',
    'setups/checks/roles',
    'setups/checks/people',
    'setups/checks/joints',
    'setups/checks/rigging',
    'setups/checks/picture',
    'setups/checks/light',
    'setups/checks/plan',
    'setups/checks/signal',
    'setups/checks/sound',
    'setups/checks/content',
    'setups/checks/power',
    'setups/checks/media',
    'setups/verdict',
    'setups/pictures',
    'setups/timing',
    'setups/proposals',
    'diary',
    'bench',
    'ledger/assets',
    'ledger/decide',
    'ledger/wish',
    'ledger/plan',
    'ledger/tier',
    'ledger',
    'today',
    'contract',
    'contract/studio',
    'contract/kit',
    'contract/setups',
    '.',
  ],
  server: [
    'schema',
    'foundation/base',
    'foundation/database',
    'foundation/http',
    'availability',
    'studio/settings',
    'studio/history',
    'studio/access',
    'studio/files',
    'studio/directory',
    'studio/backup',
    'kit/unit',
    'kit/model',
    'kit/exchange',
    'kit/import',
    'kit/counting',
    'kit/worth',
    'setups',
    'setups/thing',
    'start',
    'bench/packs',
    'bench',
    'diary',
    'ledger',
    'today',
    'demo',
    '.',
  ],
  web: [
    'foundation/api',
    'foundation/words',
    'foundation/parts',
    'foundation/form',
    'studio',
    'studio/files',
    'studio/people',
    'studio/places',
    'studio/policy',
    'studio/history',
    'studio/backup',
    'studio/access',
    'studio/home',
    'kit',
    'kit/entry',
    'kit/labels',
    'kit/model',
    'kit/upkeep',
    'kit/fault',
    'kit/unit',
    'kit/list',
    'kit/import',
    'kit/counting',
    'kit/worth',
    'setups',
    'setups/margin',
    'setups/pictures',
    'setups/look',
    'setups/views',
    'setups/board',
    'bench',
    'bench/reliability',
    'diary',
    'ledger/wishes',
    'ledger/kits',
    'ledger/sales',
    'ledger/assets',
    'ledger',
    'today',
    'start',
    'shell',
    '.',
  ],
}

function* listSources(folder) {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name)
    if (statSync(path).isDirectory()) yield* listSources(path)
    else if (/\.tsx?$/.test(name) && !/\.(test|fixture)\.tsx?$/.test(name)) yield path
  }
}

function listImports(text) {
  const statements = text.matchAll(
    /^(?:import|export)\b[^'"]*?from\s+['"]([^'"]+)['"]|^import\s+['"]([^'"]+)['"]|\bimport\(['"]([^'"]+)['"]\)/gm,
  )
  return [...statements].map((match) => match[1] ?? match[2] ?? match[3] ?? '')
}

const troubles = []
let arrows = 0

/** Why a package or a foreign file must not be imported here; null where it may. */
function findForeign(workspace, target) {
  if (workspace === 'core' && !CORE_MAY_IMPORT.has(target)) return 'core is pure'
  if (workspace === 'web' && /^(koa|drizzle|better-sqlite3|node:)/.test(target)) return 'that belongs to the server'
  if (workspace === 'server' && /^(react|radix|@reduxjs)/.test(target)) return 'that belongs to the pages'
  return null
}

/** Files that import each other in a ring, by Tarjan's strongly connected components. */
function findCircles(graph) {
  const [index, low, stack, circles] = [new Map(), new Map(), [], []]
  const visit = (file) => {
    index.set(file, index.size)
    low.set(file, index.get(file))
    stack.push(file)
    for (const next of graph.get(file) ?? []) {
      if (!index.has(next)) visit(next)
      if (stack.includes(next)) low.set(file, Math.min(low.get(file), low.get(next)))
    }
    if (low.get(file) !== index.get(file)) return
    const ring = stack.splice(stack.indexOf(file))
    if (ring.length > 1) circles.push(ring)
  }
  for (const file of graph.keys()) if (!index.has(file)) visit(file)
  return circles
}

function checkWorkspace(workspace) {
  const source = join(ROOT, workspace, 'src')
  const order = ORDER[workspace]
  const rank = (path) => order.indexOf(relative(source, dirname(path)) || '.')
  const counts = new Map()
  const graph = new Map()
  for (const path of listSources(source)) {
    const folder = relative(source, dirname(path)) || '.'
    const name = relative(ROOT, path)
    const text = readFileSync(path, 'utf8')
    counts.set(folder, (counts.get(folder) ?? 0) + 1)
    graph.set(name, [])
    if (!order.includes(folder))
      troubles.push(`${name}: its folder has no place in the order of scripts/check-structure.mjs`)
    for (const target of listImports(text)) {
      arrows++
      if (!target.startsWith('.')) {
        const why = findForeign(workspace, target)
        if (why) troubles.push(`${name} imports ${target}: ${why}`)
        continue
      }
      const to = resolve(path, '..', target.split('?')[0])
      const inside = relative(source, to)
      if (inside.startsWith('..')) {
        if (!target.includes('/docs/examples/')) troubles.push(`${name} imports ${target}: it leaves its workspace`)
        continue
      }
      graph.get(name).push(relative(ROOT, to))
      if (/\.tsx?$/.test(to) && rank(to) > rank(path)) troubles.push(`${name} imports ${inside}, which lies below it`)
    }
    if (
      workspace === 'core' &&
      /\b(window|document|localStorage|process)\.|Date\.now\(|Temporal\.Now|Math\.random\(/.test(text)
    ) {
      troubles.push(`${name} reads the world: core is given what it needs`)
    }
  }
  for (const [folder, count] of counts) {
    if (count > MOST_FILES)
      troubles.push(`${workspace}/src/${folder} has ${count} source files, more than ${MOST_FILES}`)
  }
  for (const ring of findCircles(graph)) troubles.push(`a circle of files: ${ring.join(' → ')}`)
}

function checkPublished() {
  const index = readFileSync(join(ROOT, 'core/src/index.ts'), 'utf8')
  if (/export \*/.test(index)) troubles.push('core/src/index.ts publishes a whole file: it lists names')
  const names = [...index.matchAll(/export \{([^}]*)\}/g)].flatMap(([, list]) =>
    list
      .split(',')
      .map((it) => it.trim().replace(/^type /, ''))
      .filter(Boolean),
  )
  const outside = ['server/src', 'web/src', 'e2e', 'speed']
    .flatMap((folder) => [...listAll(join(ROOT, folder))])
    .flatMap((path) => [...readFileSync(path, 'utf8').matchAll(/import (?:type )?\{([^}]*)\} from '@exemplar\/core'/g)])
    .flatMap(([, list]) =>
      list.split(',').map(
        (it) =>
          it
            .trim()
            .replace(/^type /, '')
            .split(' as ')[0],
      ),
    )
  const used = new Set(outside)
  for (const name of names) if (!used.has(name)) troubles.push(`core publishes ${name}, and nobody outside uses it`)
  return names.length
}

function* listAll(folder) {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name)
    if (statSync(path).isDirectory()) yield* listAll(path)
    else if (/\.tsx?$/.test(name)) yield path
  }
}

/** A document names a file by its path from the root or by its bare name. */
function checkDocuments() {
  const folders = ['core/src', 'server/src', 'web/src', 'e2e', 'speed']
  const bare = new Set(folders.flatMap((folder) => [...listAll(join(ROOT, folder))].map((path) => basename(path))))
  for (const document of ['README.md', 'docs/architecture.md', 'docs/formulas.md']) {
    const text = readFileSync(join(ROOT, document), 'utf8')
    for (const [, name] of text.matchAll(/`([\w./-]+\.(?:tsx?|mjs|sql))`/g)) {
      if (!bare.has(name) && !existsSync(join(ROOT, name)))
        troubles.push(`${document} names ${name}, which is not there`)
    }
  }
}

for (const workspace of Object.keys(ORDER)) checkWorkspace(workspace)
checkDocuments()
const published = checkPublished()
for (const trouble of troubles) console.error(trouble)
console.log(`${arrows} imports and ${published} published names looked at, ${troubles.length} breaches.`)
process.exit(troubles.length ? 1 : 0)
