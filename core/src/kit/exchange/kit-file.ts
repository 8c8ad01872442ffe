import { z } from 'zod'
import { idSchema, nameSchema } from '../../studio/identity.ts'
import { PARTY_KINDS } from '../../studio/people/person.ts'
import { newPlaceSchema } from '../../studio/places/place.ts'
import { currencySchema } from '../../units/money.ts'
import { newInterfaceSchema } from '../model/interface.ts'
import { nameModel, newModelSchema } from '../model/model.ts'
import { newStockSchema, newUnitSchema } from '../unit/unit.ts'

const MOST = 20_000

/**
 * The kit as one JSON file, in Exemplar's own open format: everything about things, models, stock, places and interfaces,
 * under ids that stay. Of people and parties it has the name alone, of whom a thing belongs to or came from.
 */
export const kitFileSchema = z.strictObject({
  format: z.literal('exemplar-kit', 'This is no kit file: its first field is "format": "exemplar-kit".'),
  version: z.literal(1, 'This kit file is of a later Exemplar. Bring this one up to date first.'),
  currency: currencySchema,
  interfaces: z.array(newInterfaceSchema.extend({ code: idSchema })).max(2_000),
  places: z.array(newPlaceSchema.safeExtend({ id: idSchema })).max(5_000),
  people: z.array(z.object({ id: idSchema, name: nameSchema })).max(2_000),
  parties: z.array(z.object({ id: idSchema, name: nameSchema, kind: z.enum(PARTY_KINDS) })).max(5_000),
  models: z.array(newModelSchema.safeExtend({ id: idSchema })).max(MOST),
  units: z
    .array(
      newUnitSchema.extend({
        id: idSchema,
        /** Ids of things that control it from elsewhere. */
        controlledBy: z.array(idSchema).max(20).default([]),
      }),
    )
    .max(MOST),
  stock: z.array(newStockSchema.extend({ id: idSchema })).max(MOST),
})
export type KitFile = z.infer<typeof kitFileSchema>
export const KIT_LISTS = ['interfaces', 'places', 'people', 'parties', 'models', 'units', 'stock'] as const
export type KitList = (typeof KIT_LISTS)[number]

/** The format as JSON Schema (2020-12), for whoever writes such files. */
export function describeKitFile(): Record<string, unknown> {
  const schema = z.toJSONSchema(kitFileSchema, { io: 'input', unrepresentable: 'any' })
  return { ...schema, $id: 'exemplar-kit-1', title: 'Exemplar kit file, version 1' }
}

const idOf = (it: { id?: string; code?: string }) => it.id ?? it.code ?? ''

/** Writes the same kit as the same bytes: rows by id, fields in the order of the format, one line for each row. */
export function writeKitFile(kit: KitFile): string {
  const { format, version, currency, ...lists } = kitFileSchema.parse(kit)
  const parts = KIT_LISTS.map((name) => {
    const rows = [...lists[name]]
      .sort((a, b) => (idOf(a) < idOf(b) ? -1 : 1))
      .map((row) => `  ${JSON.stringify(sortKeys(row))}`)
    return ` ${JSON.stringify(name)}: [${rows.length > 0 ? `\n${rows.join(',\n')}\n ` : ''}]`
  })
  const head = Object.entries({ format, version, currency }).map(
    ([key, value]) => ` ${JSON.stringify(key)}: ${JSON.stringify(value)}`,
  )
  return `{\n${[...head, ...parts].join(',\n')}\n}\n`
}

/** Objects that grew in different orders are written alike; lists keep theirs. */
function sortKeys(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(sortKeys)
  if (typeof value !== 'object' || value === null) return value
  return Object.fromEntries(
    Object.entries(value)
      .sort(([a], [b]) => (a < b ? -1 : 1))
      .map(([key, it]) => [key, sortKeys(it)]),
  )
}

export interface KitFileProblem {
  /** Where in the file, as an RFC 6901 pointer. */
  pointer: string
  message: string
}

export type KitFileReading = { kit: KitFile } | { problems: KitFileProblem[] }

/** Reads a kit file, or says where it is wrong; at most 50 problems. */
export function readKitFile(text: string): KitFileReading {
  let json: unknown
  try {
    json = JSON.parse(text.replace(/^\uFEFF/, ''))
  } catch {
    return {
      problems: [
        {
          pointer: '',
          message: 'This is not JSON (RFC 8259). Choose a kit file that Exemplar or another program wrote.',
        },
      ],
    }
  }
  const { success, data, error } = kitFileSchema.safeParse(json)
  if (success) return { kit: data }
  const problems = error.issues.slice(0, 50).map((issue) => ({
    pointer: `/${issue.path.map((it) => String(it).replaceAll('~', '~0').replaceAll('/', '~1')).join('/')}`,
    message: issue.message,
  }))
  return { problems }
}

export interface KitFilePlan {
  problems: KitFileProblem[]
  /** Ids of the file that are here under another id already: the same place, model, person or party by name. */
  sameAs: ReadonlyMap<string, string>
  fresh: Record<KitList, string[]>
  changed: Record<KitList, string[]>
  unchanged: number
}

/** What is here, as a kit file has it, archived rows too; `takenTags` names the tags of everything. */
export interface KitHere {
  kit: KitFile
  takenTags: ReadonlyMap<string, string>
}

/**
 * Says what a kit file would bring: rows that are new, rows that change, and what stands in the way. Rows mean each other
 * by id; a place, model, person or party that is here by name under another id is taken for the same one.
 */
export function planKitImport(file: KitFile, { kit: here, takenTags }: KitHere): KitFilePlan {
  const problems: KitFileProblem[] = []
  const sameAs = new Map<string, string>()
  const empty = (): Record<KitList, string[]> => ({
    interfaces: [],
    places: [],
    people: [],
    parties: [],
    models: [],
    units: [],
    stock: [],
  })
  const plan: KitFilePlan = { problems, sameAs, fresh: empty(), changed: empty(), unchanged: 0 }
  if (file.currency !== here.currency && (file.units.some((it) => it.priceMinor !== null) || here.units.length > 0)) {
    problems.push({
      pointer: '/currency',
      message: `The amounts in it are ${file.currency}, and this studio keeps ${here.currency}. Change the currency in the settings first.`,
    })
  }
  for (const list of KIT_LISTS) {
    const known = new Map<string, object>(here[list].map((it) => [idOf(it), it]))
    const byName = new Map(
      here[list].flatMap((it) => (nameOf(list, it) === null ? [] : [[nameOf(list, it), idOf(it)] as const])),
    )
    const seen = new Set<string>()
    for (const [at, row] of file[list].entries()) {
      const id = idOf(row)
      const pointer = `/${list}/${at}`
      if (seen.has(id)) problems.push({ pointer, message: `The id ${id} stands here twice.` })
      seen.add(id)
      const was = known.get(id)
      const twin = byName.get(nameOf(list, row))
      if (was) {
        if (JSON.stringify(sortKeys(was)) === JSON.stringify(sortKeys(row))) plan.unchanged++
        else plan.changed[list].push(id)
      } else if (twin !== undefined) {
        sameAs.set(`${list}/${id}`, twin)
        plan.unchanged++
      } else plan.fresh[list].push(id)
    }
  }
  problems.push(...findTagProblems(file, takenTags), ...findStrayReferences(file, here), ...findLoops(file, here))
  return plan
}

/** By what a row is known besides its id; null where nothing but the id tells. */
function nameOf(list: KitList, row: object): string | null {
  const { name = '', category = '', maker = '' } = row as { name?: string; category?: string; maker?: string }
  if (list === 'models') return `${category}/${nameModel({ maker, name }).toLowerCase()}`
  return list === 'places' || list === 'people' || list === 'parties' ? name.toLowerCase() : null
}

function findTagProblems(file: KitFile, takenTags: ReadonlyMap<string, string>): KitFileProblem[] {
  const seen = new Map<string, string>()
  return (['units', 'stock'] as const).flatMap((list) =>
    file[list].flatMap(({ id, tag }, at) => {
      const holder = seen.get(tag) ?? takenTags.get(tag)
      seen.set(tag, id)
      if (holder === undefined || holder === id) return []
      return [{ pointer: `/${list}/${at}/tag`, message: `The tag ${tag} is on another thing.` }]
    }),
  )
}

function findStrayReferences(file: KitFile, here: KitFile): KitFileProblem[] {
  const idsOf = (list: KitList) => new Set([...file[list], ...here[list]].map(idOf))
  const ids = {
    places: idsOf('places'),
    people: idsOf('people'),
    parties: idsOf('parties'),
    models: idsOf('models'),
    units: idsOf('units'),
  }
  const codes = idsOf('interfaces')
  const problems: KitFileProblem[] = []
  const require = (set: ReadonlySet<string>, id: string | null, pointer: string, what: string) => {
    if (id !== null && !set.has(id))
      problems.push({ pointer, message: `There is no ${what} "${id}", neither here nor in the file.` })
  }
  for (const [at, it] of file.places.entries()) require(ids.places, it.parentId, `/places/${at}/parentId`, 'place')
  for (const [at, it] of file.models.entries()) {
    require(ids.models, it.successorId, `/models/${at}/successorId`, 'model')
    for (const [index, port] of it.ports.entries()) {
      for (const code of port.interfaces) require(codes, code, `/models/${at}/ports/${index}/interfaces`, 'interface')
    }
  }
  for (const [at, it] of file.units.entries()) {
    require(ids.models, it.modelId, `/units/${at}/modelId`, 'model')
    require(ids.places, it.placeId, `/units/${at}/placeId`, 'place')
    require(ids.places, it.nowPlaceId, `/units/${at}/nowPlaceId`, 'place')
    require(ids.people, it.ownerId, `/units/${at}/ownerId`, 'person')
    require(ids.parties, it.partyId, `/units/${at}/partyId`, 'vendor or lender')
    require(ids.units, it.parentId, `/units/${at}/parentId`, 'thing')
    for (const [nth, id] of it.controlledBy.entries()) {
      require(ids.units, id, `/units/${at}/controlledBy/${nth}`, 'thing')
    }
  }
  for (const [at, it] of file.stock.entries()) {
    require(ids.models, it.modelId, `/stock/${at}/modelId`, 'model')
    require(ids.places, it.placeId, `/stock/${at}/placeId`, 'place')
  }
  return problems
}

/** A thing in itself, by whatever detour, would never be packed and never be found. */
function findLoops(file: KitFile, here: KitFile): KitFileProblem[] {
  return (['places', 'units'] as const).flatMap((list) => {
    const parentOf = new Map([...here[list], ...file[list]].map((it) => [it.id, it.parentId]))
    return file[list].flatMap(({ id }, at) => {
      const met = new Set<string>()
      for (let it: string | null | undefined = id; it; it = parentOf.get(it)) {
        if (met.has(it)) return [{ pointer: `/${list}/${at}/parentId`, message: `${id} is inside itself.` }]
        met.add(it)
      }
      return []
    })
  })
}
