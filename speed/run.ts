import { mkdtempSync, rmSync } from 'node:fs'
import { createServer, get } from 'node:http'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import {
  assessSetup,
  DEFAULT_SETTINGS,
  EMPTY_UNIT,
  type Model,
  makeAssignment,
  makeModelFromTemplate,
  type NewSetup,
  type ReadinessInput,
  resolvePolicies,
  SETUP_DEFAULTS,
  STANDARD_INTERFACES,
  type Unit,
} from '@exemplar/core'
import { routes } from '../server/src/api.ts'
import { makeTestConfig } from '../server/src/foundation/api.fixture.ts'
import { makeApp } from '../server/src/foundation/app.ts'
import { type House, openHouse } from '../server/src/foundation/house.ts'
import { models, units } from '../server/src/kit/tables.ts'
import { ensureStudio } from '../server/src/studio/studio-routes.ts'
import { places } from '../server/src/studio/tables.ts'
import { measure, type Row } from './measure.ts'

const UNITS = 20_000
const folder = mkdtempSync(join(tmpdir(), 'exemplar-speed-'))
const house = openHouse(makeTestConfig(folder, null))
ensureStudio(house)
fillUnits(house)
const server = createServer(makeApp(house, routes).callback())
await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve))
const address = server.address()
const port = typeof address === 'object' && address ? address.port : 0

const rows: Row[] = [listRow(house, port), assessRow()]
console.log('| what | against | ours | reference | ratio | target |')
console.log('|---|---|---|---|---|---|')
for (const row of rows) {
  const { name, reference, oursMs, theirsMs, ratio, target } = await measure(row)
  console.log(
    `| ${name} | ${reference} | ${oursMs.toFixed(2)} ms | ${theirsMs.toFixed(2)} ms | ${ratio.toFixed(2)} | ${target ?? 'none yet'} |`,
  )
}
server.close()
server.closeAllConnections()
house.db.$client.close()
rmSync(folder, { recursive: true, force: true })

function fillUnits({ db }: House): void {
  db.transaction((tx) => {
    for (let n = 0; n < 20; n++)
      tx.insert(places)
        .values({ id: `p${n}`, name: `Shelf ${n}`, kind: 'shelf', circuits: [], parentId: null })
        .run()
    for (let n = 0; n < 400; n++) {
      tx.insert(models)
        .values({ ...makeModelFromTemplate(n % 2 ? 'light' : 'camera', 'Maker', `Model ${n}`), id: `m${n}` })
        .run()
    }
    for (let n = 0; n < UNITS; n++) {
      const tag = `U-${String(n).padStart(5, '0')}`
      tx.insert(units)
        .values({ ...EMPTY_UNIT, id: tag, tag, modelId: `m${n % 400}`, placeId: `p${n % 20}` })
        .run()
    }
  })
}

/** One page of 100 out of 20,000 through HTTP, against the bare SQL of the same rows made into the same JSON. */
function listRow({ db }: House, port: number): Row {
  const statement = db.$client.prepare(
    `SELECT u.id, u.tag, m.maker || ' ' || m.name AS name, m.category, p.name AS place, u.state,
       (SELECT f.note FROM faults f WHERE f.unit_id = u.id AND f.mended_at IS NULL ORDER BY f.reported_at LIMIT 1) AS fault
     FROM units u JOIN models m ON m.id = u.model_id LEFT JOIN places p ON p.id = u.place_id
     WHERE u.archived_at IS NULL AND u.tag > ? ORDER BY u.tag LIMIT 100`,
  )
  const serves = db.$client.prepare('SELECT unit_id FROM setup_units WHERE unit_id IN (SELECT value FROM json_each(?))')
  // The reference answers over the same kind of connection, so that what is compared is the work and not the wire.
  const bare = createServer((_, response) => {
    const page = statement.all('U-10000') as { id: string }[]
    serves.all(JSON.stringify(page.map((row) => row.id)))
    response.setHeader('content-type', 'application/json')
    response.end(JSON.stringify({ rows: page.map((row) => ({ ...row, serves: [] })), next: null }))
  }).listen(0, '127.0.0.1')
  bare.unref()
  const barePort = () => {
    const at = bare.address()
    return typeof at === 'object' && at ? at.port : 0
  }
  return {
    name: `one page of ${UNITS} units through the API`,
    reference: 'the bare SQL and JSON of the same rows over bare HTTP',
    target: null,
    ours: () => fetchAll(`http://127.0.0.1:${port}/api/units?after=U-10000&limit=100`),
    theirs: () => fetchAll(`http://127.0.0.1:${barePort()}/`),
  }
}

function fetchAll(url: string): Promise<void> {
  return new Promise((resolve, reject) => {
    get(url, (response) => {
      response.resume()
      response.on('end', resolve)
    }).on('error', reject)
  })
}

/** A setup of 60 things, against reading and checking its own description once from JSON. */
function assessRow(): Row {
  const input = makeLargeInput()
  const text = JSON.stringify([[...input.holdings.units.values()], [...input.holdings.models.values()], input.setup])
  return {
    name: 'assessing a setup of 60 things',
    reference: 'parsing the JSON of the same setup, things and models',
    target: null,
    ours: () => {
      for (let n = 0; n < 20; n++) assessSetup(input)
    },
    theirs: () => {
      for (let n = 0; n < 20; n++) JSON.parse(text)
    },
  }
}

function makeLargeInput(): ReadinessInput {
  const heldUnits = new Map<string, Unit>()
  const heldModels = new Map<string, Model>()
  const roles: NewSetup['roles'] = []
  const facts = {
    mount: 'bnc',
    battery: 'cell-aa',
    milliwatts: 10_000,
    kilobitsPerSecond: 100_000,
    inlet: 'iec-c7',
    loadGrams: 5_000,
    energyMilliwattHours: 50_000,
    capacityMegabytes: 128_000,
    massGrams: 900,
  }
  const kinds = [
    'camera',
    'lens',
    'card',
    'tripod',
    'light',
    'stand',
    'lead',
    'microphone',
    'mic-stand',
    'pack',
    'cable',
    'recorder',
  ] as const
  for (let group = 0; group < 5; group++) {
    const things = kinds.map((category) => {
      const id = `${category}-${group}`
      heldModels.set(id, { ...makeModelFromTemplate(category, '', id, facts), id, version: 1 })
      heldUnits.set(id, { ...EMPTY_UNIT, id, tag: id.toUpperCase(), modelId: id, version: 1 })
      return makeAssignment({ unitId: id })
    })
    roles.push({
      id: `r${group}`,
      group: 'camera',
      name: `Role ${group}`,
      importance: 'essential',
      wants: null,
      detail: '',
      deliberatelyNone: false,
      things,
    })
  }
  return {
    setup: {
      code: 'SP',
      name: 'Speed',
      tape: 'fern',
      purpose: '',
      placeId: null,
      circuitId: null,
      ...SETUP_DEFAULTS,
      plannedMinutes: 60,
      note: '',
      roles,
    },
    holdings: { units: heldUnits, models: heldModels, stock: new Map() },
    interfaces: new Map(STANDARD_INTERFACES.map((it) => [it.code, it])),
    circuit: { id: 'c', name: 'Wall', volts: 230, amps: 16, outlets: 8, outletInterface: 'mains-bs1363' },
    policies: resolvePolicies(DEFAULT_SETTINGS, null),
    crew: null,
    absences: new Map(),
    freeStock: new Map(),
  }
}
