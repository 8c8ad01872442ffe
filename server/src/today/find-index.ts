import { CATEGORIES, type Category, FIND_ACTIONS, type SubjectType } from '@exemplar/core'
import MiniSearch from 'minisearch'
import type { AppContext } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'

/** One thing that can be found, with the words that find it. */
export interface FindDocument {
  key: string
  kind: 'unit' | 'stock' | 'setup' | 'booking' | 'person' | 'place' | 'party' | 'action'
  id: string
  title: string
  /** Beside the title: where it is, when, of what kind. */
  text: string
  path: string
  /** Tag or code without its dash, so that `cam01` finds CAM-01. */
  code: string
  words: string
}

type Row = Record<string, string | null | undefined>

interface Source {
  subject: SubjectType
  query: string
  describe(row: Row): FindDocument
}

const categoryName = (code: string | null | undefined) => CATEGORIES[code as Category]?.label ?? ''
const flat = (code: string | null | undefined) => (code ?? '').replaceAll('-', '').toLowerCase()

const SOURCES: readonly Source[] = [
  {
    subject: 'unit',
    query: `SELECT u.id, u.tag, u.serial, u.note, trim(m.maker || ' ' || m.name) AS name, m.category, p.name AS place
      FROM units u JOIN models m ON m.id = u.model_id LEFT JOIN places p ON p.id = u.place_id WHERE u.archived_at IS NULL`,
    describe: ({ id, tag, serial, note, name, category, place }) => ({
      key: `unit/${id}`,
      kind: 'unit',
      id: id ?? '',
      title: `${tag} ${name}`,
      text: [categoryName(category), place].filter(Boolean).join(' · '),
      path: `/kit/${id}`,
      code: flat(tag),
      words: [serial, categoryName(category), place, note].filter(Boolean).join(' '),
    }),
  },
  {
    subject: 'stock',
    query: `SELECT s.id, s.tag, trim(m.maker || ' ' || m.name) AS name, m.category, CAST(s.quantity AS TEXT) AS quantity
      FROM stock s JOIN models m ON m.id = s.model_id WHERE s.archived_at IS NULL`,
    describe: ({ id, tag, name, category, quantity }) => ({
      key: `stock/${id}`,
      kind: 'stock',
      id: id ?? '',
      title: `${tag} ${name}`,
      text: `${quantity} in stock`,
      path: '/kit/stock',
      code: flat(tag),
      words: categoryName(category),
    }),
  },
  {
    subject: 'setup',
    query: 'SELECT id, code, name, purpose FROM setups t WHERE archived_at IS NULL',
    describe: ({ id, code, name, purpose }) => ({
      key: `setup/${id}`,
      kind: 'setup',
      id: id ?? '',
      title: name ?? '',
      text: purpose ?? '',
      path: `/setups/${id}`,
      code: flat(code),
      words: purpose ?? '',
    }),
  },
  {
    subject: 'booking',
    query:
      'SELECT b.id, b.title, b.starts_at, p.name AS place FROM bookings b LEFT JOIN places p ON p.id = b.place_id WHERE 1',
    describe: ({ id, title, starts_at, place }) => ({
      key: `booking/${id}`,
      kind: 'booking',
      id: id ?? '',
      title: title ?? '',
      text: [starts_at?.replace('T', ' '), place].filter(Boolean).join(' · '),
      path: `/diary/${id}`,
      code: '',
      words: `${starts_at?.slice(0, 10)} ${place ?? ''}`,
    }),
  },
  {
    subject: 'person',
    query: 'SELECT id, name, skills, note FROM people t WHERE archived_at IS NULL',
    describe: ({ id, name, skills, note }) => ({
      key: `person/${id}`,
      kind: 'person',
      id: id ?? '',
      title: name ?? '',
      text: (JSON.parse(skills ?? '[]') as string[]).join(', '),
      path: `/studio/people?see=${id}`,
      code: '',
      words: `${(JSON.parse(skills ?? '[]') as string[]).join(' ')} ${note ?? ''}`,
    }),
  },
  {
    subject: 'place',
    query: 'SELECT id, name, kind, note FROM places t WHERE archived_at IS NULL',
    describe: ({ id, name, kind, note }) => ({
      key: `place/${id}`,
      kind: 'place',
      id: id ?? '',
      title: name ?? '',
      text: kind ?? '',
      path: `/studio/places/${id}`,
      code: '',
      words: `${kind} ${note ?? ''}`,
    }),
  },
  {
    subject: 'party',
    query: 'SELECT id, name, kind, note FROM parties t WHERE archived_at IS NULL',
    describe: ({ id, name, kind, note }) => ({
      key: `party/${id}`,
      kind: 'party',
      id: id ?? '',
      title: name ?? '',
      text: kind ?? '',
      path: `/studio/people?see=${id}`,
      code: '',
      words: `${kind} ${note ?? ''}`,
    }),
  },
]

interface FindIndex {
  search: MiniSearch<FindDocument>
  byKey: Map<string, FindDocument>
  /** The last change that is in it. */
  changeId: number
}

/** More subjects than so many in one go, and building anew is quicker. */
const MOST_PATCHED = 500
const indexOf = new WeakMap<Database, FindIndex>()

/** The index as of now: built when first asked, then patched with what changed since. */
function openIndex({ db }: AppContext): FindIndex {
  const newest = Number(db.$client.prepare('SELECT max(id) FROM changes').pluck().get() ?? 0)
  const known = indexOf.get(db)
  if (known && known.changeId === newest) return known
  const index = (known && patch(db, known)) ?? build(db)
  index.changeId = newest
  indexOf.set(db, index)
  return index
}

function build(db: Database): FindIndex {
  const search = new MiniSearch<FindDocument>({
    idField: 'key',
    fields: ['title', 'code', 'words', 'text'],
    storeFields: [],
    searchOptions: { boost: { title: 3, code: 4 }, combineWith: 'AND', prefix: true, fuzzy: allowErrors },
  })
  const documents = [
    ...SOURCES.flatMap(({ query, describe }) => (db.$client.prepare(query).all() as Row[]).map(describe)),
    ...FIND_ACTIONS.map(
      ({ code, label, words, path }): FindDocument => ({
        key: `action/${code}`,
        kind: 'action',
        id: code,
        title: label,
        text: '',
        path,
        code: '',
        words,
      }),
    ),
  ]
  search.addAll(documents)
  return { search, byKey: new Map(documents.map((it) => [it.key, it])), changeId: 0 }
}

/** One wrong letter in four, two in eight and more; numbers are meant as they stand. */
function allowErrors(term: string): number | boolean {
  if (/^\d+$/.test(term) || term.length < 4) return false
  return term.length < 8 ? 1 : 2
}

function patch(db: Database, index: FindIndex): FindIndex | null {
  const touched = db.$client
    .prepare('SELECT DISTINCT subject_type AS type, subject_id AS id FROM events WHERE change_id > ? LIMIT ?')
    .all(index.changeId, MOST_PATCHED + 1) as { type: SubjectType; id: string }[]
  if (touched.length > MOST_PATCHED) return null
  // A model's or place's name stands in many documents.
  if (touched.some((it) => it.type === 'model' || it.type === 'place')) return null
  for (const { type, id } of touched) {
    const source = SOURCES.find((it) => it.subject === type)
    if (!source) continue
    const key = `${type}/${id}`
    if (index.byKey.delete(key)) index.search.discard(key)
    const alias = /FROM \w+ (\w)\b/.exec(source.query)?.[1] ?? 't'
    const row = db.$client.prepare(`${source.query} AND ${alias}.id = ?`).get(id) as Row | undefined
    if (!row) continue
    const document = source.describe(row)
    index.search.add(document)
    index.byKey.set(key, document)
  }
  return index
}

/** What people may mean by some words, best first. Typing errors are forgiven; a tag as it stands comes first. */
export function findAnything(app: AppContext, words: string, limit: number): FindDocument[] {
  const { search, byKey } = openIndex(app)
  const wanted = flat(words.trim())
  const hits = search.search(words).flatMap((hit) => byKey.get(hit.id as string) ?? [])
  const flatHits = /^[a-z]+-?\d+$/i.test(words.trim())
    ? search.search(wanted).flatMap((hit) => byKey.get(hit.id as string) ?? [])
    : []
  const all = [...new Set([...hits, ...flatHits])]
  return all
    .sort((a, b) => Number(b.code === wanted && wanted !== '') - Number(a.code === wanted && wanted !== ''))
    .slice(0, limit)
}
