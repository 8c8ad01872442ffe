import { createServer, get } from 'node:http'
import type { AppContext } from '../server/src/foundation/database/app-context.ts'
import { listUnits } from '../server/src/kit/unit/unit-list.ts'
import { UNITS } from './filled-kit.ts'
import type { Row } from './measure.ts'

const LAST_OUT = `(SELECT max(e.at) FROM events e WHERE e.subject_type = 'unit' AND e.subject_id = u.id AND e.kind = 'checked-out'
  AND NOT EXISTS (SELECT 1 FROM changes b WHERE b.undoes = e.change_id))`

/** What a page of the list shows, as anybody would ask for it by hand. */
const COLUMNS = `u.id, u.tag, m.maker || ' ' || m.name AS name, u.nickname, m.maker, m.category,
  coalesce(n.name, p.name) AS place, u.now_place_id IS NULL AS isAtHome, u.state,
  (SELECT f.note FROM faults f WHERE f.unit_id = u.id AND f.mended_at IS NULL ORDER BY f.reported_at LIMIT 1) AS fault,
  u.serial, m.specs ->> '$.massGrams' AS massGrams, u.acquired_on AS acquiredOn, u.price_minor AS priceMinor,
  ${LAST_OUT} AS lastOutAt, u.version`
const SOURCE = `units u JOIN models m ON m.id = u.model_id LEFT JOIN places p ON p.id = u.place_id
  LEFT JOIN places n ON n.id = u.now_place_id`

/** Filters as people set them: a group, a place and a state, what is in no setup. */
const FILTERS = [
  {
    ours: { group: 'light' },
    where:
      "m.category IN ('light', 'panel', 'cob', 'tube', 'ring-light', 'practical', 'flash', 'modifier', 'flag', 'gel')",
  },
  {
    ours: { placeId: 'p7', state: 'standby' },
    where: "u.state = 'standby' AND coalesce(u.now_place_id, u.place_id) = 'p7'",
  },
  { ours: { only: 'in-none' }, where: 'NOT EXISTS (SELECT 1 FROM setup_units s WHERE s.unit_id = u.id)' },
] as const

/** Filtering and one page of 100 out of 20,000, against the bare SQL of the same rows made into the same JSON. */
export function filterRow(app: AppContext): Row {
  const usedIn = app.db.$client.prepare(
    'SELECT unit_id, setup_id, role_name FROM setup_units WHERE unit_id IN (SELECT value FROM json_each(?))',
  )
  const bare = FILTERS.map(({ where }) =>
    app.db.$client.prepare(
      `SELECT ${COLUMNS} FROM ${SOURCE} WHERE u.archived_at IS NULL AND ${where} AND u.tag > 'U-10000' ORDER BY u.tag LIMIT 101`,
    ),
  )
  return {
    name: `filter and page of ${UNITS} units, three filters`,
    reference: 'the bare SQL of the same rows, made into the same JSON',
    target: 2,
    ours() {
      for (const { ours } of FILTERS) JSON.stringify(listUnits(app, { ...ours, after: 'U-10000', limit: 100 }))
    },
    theirs() {
      for (const statement of bare) {
        const page = statement.all() as { id: string }[]
        usedIn.all(JSON.stringify(page.map((row) => row.id)))
        JSON.stringify({ rows: page.map((row) => ({ ...row, usedIn: [] })), next: null })
      }
    },
  }
}

const QUESTIONS = ['lant', 'lar sof', 'sn1137', 'U-017', 'scratched tri'] as const

/** Searching by the beginnings of words, against bare FTS5 for the same page of the same question. */
export function searchRow(app: AppContext): Row {
  const bare = app.db.$client.prepare(
    `SELECT ${COLUMNS} FROM ${SOURCE} JOIN search_keys k ON k.unit_id = u.id JOIN unit_words w ON w.rowid = k.id
     WHERE unit_words MATCH ? AND u.archived_at IS NULL ORDER BY u.tag LIMIT 101`,
  )
  const matches = ['lant*', 'lar* sof*', 'sn1137*', '"u 017" *', 'scratched* tri*']
  return {
    name: `searching ${UNITS} units by the beginnings of words, five questions`,
    reference: 'bare FTS5 for the same pages',
    target: 3,
    ours() {
      for (const find of QUESTIONS) JSON.stringify(listUnits(app, { find, limit: 100 }))
    },
    theirs() {
      for (const match of matches) JSON.stringify(bare.all(match))
    },
  }
}

/** One page through HTTP, against the same rows over bare HTTP: what the walls of the application cost. */
export function wireRow({ db }: AppContext, url: string, cookie: string): Row {
  const statement = db.$client.prepare(
    `SELECT ${COLUMNS} FROM ${SOURCE} WHERE u.archived_at IS NULL AND u.tag > ? ORDER BY u.tag LIMIT 101`,
  )
  const bare = createServer((_, response) => {
    response.setHeader('content-type', 'application/json')
    response.end(JSON.stringify({ rows: statement.all('U-10000'), next: null }))
  }).listen(0, '127.0.0.1')
  bare.unref()
  const barePort = () => {
    const at = bare.address()
    return typeof at === 'object' && at ? at.port : 0
  }
  return {
    name: `one page of ${UNITS} units through the API, signed in`,
    reference: 'the bare SQL and JSON of a page over bare HTTP',
    target: null,
    ours: () => fetchAll(`${url}/api/units?after=U-10000&limit=100`, cookie),
    theirs: () => fetchAll(`http://127.0.0.1:${barePort()}/`, ''),
  }
}

function fetchAll(url: string, cookie: string): Promise<void> {
  return new Promise((resolve, reject) => {
    get(url, { headers: { cookie } }, (response) => {
      if (response.statusCode !== 200) reject(new Error(`${url} answered ${response.statusCode}`))
      response.resume()
      response.on('end', resolve)
    }).on('error', reject)
  })
}
