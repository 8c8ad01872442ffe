import { readFileSync } from 'node:fs'
import { Ajv2020 } from 'ajv/dist/2020.js'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { STANDARD_INTERFACES } from '../model/interface.ts'
import { makeModelFromTemplate } from '../template/template.ts'
import { EMPTY_UNIT, NO_SUPPLY } from '../unit/unit.ts'
import { describeKitFile, type KitFile, planKitImport, readKitFile, writeKitFile } from './kit-file.ts'

const RUNS = Number(process.env.EXEMPLAR_MUTATIONS ?? 200)

function makeKit(part: Partial<KitFile> = {}): KitFile {
  return {
    format: 'exemplar-kit',
    version: 1,
    currency: 'GBP',
    interfaces: STANDARD_INTERFACES.map(({ version: _, ...it }) => it),
    places: [{ id: 'p1', name: 'Store', kind: 'store', parentId: null, circuits: [], note: '' } as never],
    people: [{ id: 'o1', name: 'Ines Vale' }],
    parties: [{ id: 'v1', name: 'Corner lens shop', kind: 'vendor' }],
    models: [
      {
        ...makeModelFromTemplate('camera', 'Verrin', 'V6', { massGrams: 780, inlet: 'iec-c7', milliwatts: 9_000 }),
        id: 'm1',
      },
      { ...makeModelFromTemplate('sandbag', '', 'Bag 7 kg'), id: 'm2' },
    ],
    units: [
      {
        ...EMPTY_UNIT,
        id: 'u2',
        tag: 'CAM-02',
        modelId: 'm1',
        placeId: 'p1',
        priceMinor: 118_000,
        ownerId: 'o1',
        controlledBy: [],
      },
      {
        ...EMPTY_UNIT,
        id: 'u1',
        tag: 'CAM-01',
        modelId: 'm1',
        partyId: 'v1',
        parentId: 'u2',
        note: 'a "b"\nc',
        controlledBy: ['u2'],
      },
    ],
    stock: [
      { id: 's1', tag: 'BAG-01', modelId: 'm2', quantity: 12, reorderLevel: 4, supply: NO_SUPPLY, placeId: null },
    ],
    ...part,
  }
}

const EMPTY = makeKit({ interfaces: [], places: [], people: [], parties: [], models: [], units: [], stock: [] })
const read = (text: string) => {
  const reading = readKitFile(text)
  if ('problems' in reading) throw new Error(JSON.stringify(reading.problems))
  return reading.kit
}
const plan = (file: KitFile, here = EMPTY, taken: [string, string][] = []) =>
  planKitImport(file, { kit: here, takenTags: new Map(taken) })

describe('the kit as a file', () => {
  const text = writeKitFile(makeKit())

  test('is the same bytes whatever the order of rows and fields, and again after reading', () => {
    const turned = makeKit({ units: [...makeKit().units].reverse() })
    expect(writeKitFile(turned)).toBe(text)
    expect(writeKitFile(read(text))).toBe(text)
    expect(JSON.parse(text).units.map((it: { id: string }) => it.id)).toEqual(['u1', 'u2'])
  })

  test('what was written brings the same again, and nothing into where it is', () => {
    const file = read(text)
    expect(plan(file)).toMatchObject({ problems: [], fresh: { units: ['u1', 'u2'], stock: ['s1'] }, unchanged: 0 })
    const again = plan(file, file, [['CAM-01', 'u1']])
    expect([again.fresh.units, again.changed.units, again.problems]).toEqual([[], [], []])
  })

  test('a row that differs changes; a place or model known by name is taken for the same', () => {
    const changed = makeKit({
      stock: [
        { id: 's1', tag: 'BAG-01', modelId: 'm2', quantity: 9, reorderLevel: 4, supply: NO_SUPPLY, placeId: null },
      ],
    })
    expect(plan(changed, makeKit()).changed.stock).toEqual(['s1'])
    const here = makeKit({ places: makeKit().places.map((it) => ({ ...it, id: 'other' })), units: [] })
    expect(plan(makeKit(), here).sameAs.get('places/p1')).toBe('other')
  })

  test.each([
    ['a tag of another thing', makeKit(), [['CAM-01', 'x9']], '/units/1/tag'],
    ['a model that is nowhere', makeKit({ models: [] }), [], '/units/0/modelId'],
    [
      'a place inside itself',
      makeKit({ places: makeKit().places.map((it) => ({ ...it, parentId: 'p1' })) }),
      [],
      '/places/0/parentId',
    ],
    ['an id twice', makeKit({ people: [...makeKit().people, ...makeKit().people] }), [], '/people/1'],
    ['another currency', makeKit({ currency: 'EUR' }), [], '/currency'],
  ] as [string, KitFile, [string, string][], string][])('%s is refused at its place', (_, file, taken, pointer) => {
    expect(plan(file, EMPTY, taken).problems.map((it) => it.pointer)).toContain(pointer)
  })

  test.each([
    ['', ''],
    ['[]', '/'],
    ['{"format":"other"}', '/format'],
    [text.replace('"version": 1', '"version": 2'), '/version'],
    [text.replace('118000', '-1'), '/units/1/priceMinor'],
    [text.replace('"CAM-02"', '"cam 02"'), '/units/1/tag'],
  ])('%.30s is refused at its place', (broken, pointer) => {
    const reading = readKitFile(broken)
    expect('problems' in reading && reading.problems[0]?.pointer).toBe(pointer)
  })
})

describe('the published format', () => {
  // Published: JSON Schema 2020-12; Ajv is a validator that knows nothing of ours.
  const schema = JSON.parse(readFileSync(new URL('../../../../docs/kit-file.schema.json', import.meta.url), 'utf8'))
  const isValid = new Ajv2020({ strict: false }).compile(schema)

  test('is the one that is read', () => expect(schema).toEqual(JSON.parse(JSON.stringify(describeKitFile()))))

  test('takes what Exemplar writes', () => {
    expect([isValid(JSON.parse(writeKitFile(makeKit()))), isValid.errors]).toEqual([true, null])
  })

  test.each([
    ['no format', { format: undefined }],
    ['a field that nobody knows', { colour: 'red' }],
    ['a unit without a tag', { units: [{ id: 'u' }] }],
    ['a price with pence after a point', { units: [{ ...makeKit().units[0], priceMinor: 1.5 }] }],
  ])('refuses %s, as reading does', (_, part) => {
    const file = JSON.stringify({ ...JSON.parse(writeKitFile(makeKit())), ...part })
    expect(isValid(JSON.parse(file))).toBe(false)
    expect('problems' in readKitFile(file)).toBe(true)
  })
})

test('mutations of a kit file are read right or refused in a sentence, never thrown', () => {
  const text = writeKitFile(makeKit())
  const mutation = fc.record({
    at: fc.nat(text.length - 1),
    length: fc.nat(30),
    insert: fc.oneof(
      fc.string({ maxLength: 10 }),
      fc.constantFrom(
        '"',
        '}',
        ']',
        ',',
        'null',
        '[]',
        '{}',
        '-1',
        '1e999',
        '"__proto__":{},',
        '\u0000',
        'true',
        '"u1"',
      ),
    ),
  })
  fc.assert(
    fc.property(fc.array(mutation, { minLength: 1, maxLength: 4 }), (mutations) => {
      const broken = mutations.reduce(
        (all, { at, length, insert }) => all.slice(0, at) + insert + all.slice(at + length),
        text,
      )
      const reading = readKitFile(broken)
      if ('problems' in reading) {
        expect(reading.problems.length).toBeGreaterThan(0)
        for (const { message } of reading.problems) expect(message.length).toBeGreaterThan(5)
        return
      }
      const { problems, fresh } = plan(reading.kit)
      if (problems.length === 0) expect(fresh.units.length).toBe(reading.kit.units.length)
      expect(writeKitFile(read(writeKitFile(reading.kit)))).toBe(writeKitFile(reading.kit))
    }),
    { numRuns: RUNS, seed: 11 },
  )
})

test('mutations of its values, one or more anywhere, are read right or refused at their place', () => {
  const value = fc.oneof(
    fc.string({ maxLength: 12 }),
    fc.integer(),
    fc.double(),
    fc.constantFrom(null, true, [], {}, '', 'u1', 'm1', '2026-02-30', -1, 1e13, 'x'.repeat(3000), ['a'], { id: 'u1' }),
  )
  /** Puts a value at a place of a tree that numbers choose: at each step the so-many-th key. */
  const put = (tree: unknown, path: number[], it: unknown): void => {
    const [step = 0, ...rest] = path
    if (typeof tree !== 'object' || tree === null) return
    const keys = Object.keys(tree)
    const key = keys[step % Math.max(1, keys.length)]
    if (key === undefined) return
    const branch = (tree as Record<string, unknown>)[key]
    if (rest.length === 0 || typeof branch !== 'object' || branch === null) (tree as Record<string, unknown>)[key] = it
    else put(branch, rest, it)
  }
  const change = fc.tuple(fc.array(fc.nat(200), { minLength: 1, maxLength: 6 }), value)
  let read = 0
  fc.assert(
    fc.property(fc.array(change, { minLength: 1, maxLength: 3 }), (changes) => {
      const tree = JSON.parse(writeKitFile(makeKit()))
      for (const [path, it] of changes) put(tree, path, it)
      const reading = readKitFile(JSON.stringify(tree))
      if ('problems' in reading) {
        for (const { pointer, message } of reading.problems)
          expect([pointer.startsWith('/'), message.length > 5]).toEqual([true, true])
        return
      }
      read++
      for (const { pointer } of plan(reading.kit).problems) expect(pointer).toMatch(/^\//)
      const again = readKitFile(writeKitFile(reading.kit))
      expect('kit' in again && writeKitFile(again.kit) === writeKitFile(reading.kit)).toBe(true)
    }),
    { numRuns: RUNS, seed: 12 },
  )
  expect(read).toBeGreaterThan(0)
})
