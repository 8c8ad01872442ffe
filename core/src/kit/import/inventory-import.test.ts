import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { makeNextTag } from '../entry/tagging.ts'
import { readCategory } from '../model/category-words.ts'
import { newModelSchema } from '../model/model.ts'
import { changesAnything } from './import-plan.ts'
import { sayImportProblem } from './import-words.ts'
import { planInventoryImport } from './inventory-import.ts'
import { applyPlan, makeContext } from './known-kit.fixture.ts'
import { makeMessyList } from './messy-list.fixture.ts'

const CONTEXT = applyPlan(
  makeContext({ places: [{ id: 'p1', name: 'Store' }] }),
  planInventoryImport('tag,model,category\nCAM-01,Known body,camera', makeContext()),
)
const plan = (csv: string, choices = {}) => planInventoryImport(csv, CONTEXT, choices)
const plan0 = (csv: string, choices = {}) => planInventoryImport(csv, makeContext(), choices)
const example = readFileSync(new URL('../../../../docs/examples/inventory.csv', import.meta.url), 'utf8')

describe('the example file', () => {
  test('has forty lines: one bad, the others things and stock', () => {
    const { lines, units, stock, isClean } = plan(example)
    expect(lines).toHaveLength(40)
    expect(lines.filter((line) => line.outcome === 'bad').map((line) => [line.line, line.problems[0]?.column])).toEqual(
      [[40, 'acquired on']],
    )
    expect([units.length, stock.length, isClean]).toEqual([35, 4, false])
  })

  test('is clean once the bad line is put right or left out', () => {
    expect(plan(example, { leaveOut: [40] })).toMatchObject({ isClean: true })
    const corrected = plan(example, { corrections: [{ line: 40, column: 'acquired on', value: '2025-05-14' }] })
    expect(corrected.isClean).toBe(true)
    expect(corrected.units).toHaveLength(36)
  })

  test('reads its units and makes sound models', () => {
    const { models, units } = plan(example)
    for (const { model } of models) expect(newModelSchema.safeParse(model).success).toBe(true)
    const camera = models.find((it) => it.model.category === 'camera')?.model
    expect(camera).toMatchObject({
      name: 'K5 body',
      specs: { massGrams: 640 },
      recordingModes: [{ kilobitsPerSecond: 100_000 }],
    })
    expect(models.filter((it) => it.model.category === 'camera')).toHaveLength(1)
    expect(units.find((unit) => unit.tag === 'HCA-01')).toMatchObject({ priceMinor: 118_000, serviceEveryDays: 365 })
    expect(units.find((unit) => unit.tag === 'HCA-02')?.note).toBe('Second body, same settings')
  })
})

describe('a list that somebody kept for years', () => {
  const messy = makeMessyList()
  const first = plan0(messy.csv)
  const mended = plan0(messy.csv, { corrections: messy.bad })

  test('asks about the lines that nobody can read, and about no other', () => {
    const bad = first.lines.filter((line) => line.outcome === 'bad')
    expect(bad.map((line) => ({ line: line.line, column: line.problems[0]?.column }))).toEqual(
      messy.bad.map(({ line, column }) => ({ line, column })),
    )
    expect(first.lines.filter((line) => line.outcome === 'repeat')).toHaveLength(messy.repeats)
  })

  test('put right, every piece is there once, with what its line says', () => {
    expect([mended.isClean, mended.units.length, mended.stock.length]).toEqual([true, messy.things, messy.stock])
    const kindOf = (name: string) => mended.models.find((it) => it.model.name === name)?.model
    expect(kindOf('Octa softbox 90')?.category).toBe('softbox')
    expect(kindOf('Fluid head F8')?.category).toBe('head')
    expect(kindOf('C-stand with arm')?.category).toBe('c-stand')
    expect(kindOf('28 f/2')).toMatchObject({ maker: 'Wend', specs: { massGrams: 240 } })
    expect(kindOf('60 f/2.8 macro')?.specs.massGrams).toBe(390)
    const unit = (tag: string) => mended.units.find((it) => it.tag === tag)
    expect(unit('S-001')).toMatchObject({ priceMinor: 118_000, acquiredOn: '2023-11-03', serial: null })
    expect(unit('S-005')).toMatchObject({ priceMinor: 18_000, acquiredOn: '2025-02-28' })
    expect(unit('S-007')?.note).toBe('scratched; still fine')
    // Day 45017 of a spreadsheet.
    expect(mended.units.find((it) => it.acquiredOn === '2023-04-01')).toBeDefined()
    expect(mended.places.map((it) => it.name.toLowerCase()).sort()).toEqual([
      'store, shelf 1',
      'store, shelf 2',
      'studio',
      'van box',
    ])
  })

  test('the same list again changes nothing, and what changed in it changes that', () => {
    const context = applyPlan(makeContext(), mended)
    const again = planInventoryImport(messy.csv, context, { corrections: messy.bad })
    expect(again.lines.filter((line) => !['same', 'repeat'].includes(line.outcome))).toEqual([])
    expect(changesAnything(again)).toBe(false)
    const dearer = messy.csv.replace('£1,180.00', '£1,150.00')
    const changed = planInventoryImport(dearer, context, {
      corrections: messy.bad,
      leaveOut: messy.bad.map((it) => it.line),
    })
    expect(changed.lines.filter((line) => line.outcome === 'update').map((line) => line.changes)).toEqual([
      [{ field: 'price', before: '£1,180', after: '£1,150' }],
    ])
  })
})

test('headings mean what somebody says, now or the time before', () => {
  const csv = 'Bezeichnung;Art;Wo\nA;light;Store'
  expect(plan0(csv).fileProblems[0]?.code).toBe('missing-column')
  expect(plan0(csv, { columns: ['model', 'category', 'place'] }).places.map((it) => it.name)).toEqual(['Store'])
  const remembered = { bezeichnung: 'model', art: 'category', wo: '' }
  const { columns } = planInventoryImport(csv, makeContext({ remembered }))
  expect(columns).toEqual(['model', 'category', ''])
  expect(
    plan0(csv, { columns: ['model', 'model', ''] })
      .fileProblems.map(sayImportProblem)
      .join(),
  ).toContain('Two columns')
})

describe('a line that means a thing that is here', () => {
  const base = planInventoryImport(
    'tag,model,category,serial,place\nLGT-01,Lamp,light,S-1,Store\n,Lamp,light,,Studio',
    makeContext(),
  )
  const context = applyPlan(makeContext(), base)
  const outcomes = (csv: string, choices = {}) =>
    planInventoryImport(csv, context, choices).lines.map((line) => [line.outcome, line.tag])

  test('is found by its tag, by its serial, or as one of its kind, each thing once', () => {
    expect(outcomes('model,category,serial\nLamp,light,S-1\nLamp,light,\nLamp,light,')).toEqual([
      ['same', 'LGT-01'],
      ['same', 'LGT-02'],
      ['thing', 'LGT-03'],
    ])
    expect(outcomes('model,category,place\nLamp,light,Studio')).toEqual([['same', 'LGT-02']])
  })

  test('a further piece like it comes in where somebody says so, and a new serial is a further piece', () => {
    expect(outcomes('model,category\nLamp,light', { asNew: [2] })).toEqual([['thing', 'LGT-03']])
    expect(outcomes('model,category,serial\nLamp,light,S-2\nLamp,light,S-3')).toEqual([
      ['update', 'LGT-02'],
      ['thing', 'LGT-03'],
    ])
  })

  test('blank cells wipe nothing; a serial tells a new tag', () => {
    const { unitUpdates } = planInventoryImport('tag,model,category,serial,place\nLAMP-7,Lamp,light,S-1,', context)
    expect(unitUpdates.map(({ set, placeKey }) => [set, placeKey])).toEqual([
      [{ serial: 'S-1', tag: 'LAMP-7' }, 'new-place-1'],
    ])
  })

  test('lines of one model that do not agree on its mass leave it as it is', () => {
    const two = 'model,category,mass\nLamp,light,1 kg\nLamp,light,2 kg'
    expect(planInventoryImport(two, context).modelUpdates).toEqual([])
    expect(planInventoryImport('model,category,mass\nLamp,light,1 kg\nLamp,light,', context).modelUpdates).toEqual([
      { id: 'new-model-1', specs: { massGrams: 1000 } },
    ])
  })
})

test('a maker that the name says once more is said once', () => {
  const { models } = plan0('brand,name,kind\nWend,Wend K5 body,camera\nWend,K5 body,camera\nWend,Wendelin,light')
  expect(models.map((it) => it.model.name)).toEqual(['K5 body', 'Wendelin'])
})

test('the unit in a heading holds for bare figures under it', () => {
  const { models } = plan0('Item,Type,Weight (g)\nA,light,450\nB,light,1.2 kg')
  expect(models.map((it) => it.model.specs.massGrams)).toEqual([450, 1200])
})

test('what can hardly be right is asked about, and comes in all the same', () => {
  const { lines, isClean } = plan0('model,category,capacity,mass\nCard,card,128 TB,\nStand,stand,,900 kg')
  expect(isClean).toBe(true)
  expect(lines.map((line) => line.remarks.join())).toEqual([
    expect.stringContaining('Capacity 128 TB'),
    expect.stringContaining('Mass 900 kg'),
  ])
})

describe('reading a file', () => {
  test('semicolons, a byte order mark, line ends of any kind and quoted line breaks', () => {
    const { lines, units } = plan('\uFEFFModel;Category;Note\r\nA;light;"one\ntwo"\r\nB;lights;x\r\n')
    expect(units.map((unit) => [unit.tag, unit.note])).toEqual([
      ['LGT-01', 'one\ntwo'],
      ['LGT-02', 'x'],
    ])
    expect(lines.map((line) => line.line)).toEqual([2, 4])
  })

  test('a known place is used, a new one is added once', () => {
    const { places, units } = plan('model,category,place\nA,light,store\nB,light,Loft\nC,light,loft')
    expect(places.map((place) => place.name)).toEqual(['Loft'])
    expect(units.map((unit) => unit.placeKey)).toEqual(['p1', 'new-place-1', 'new-place-1'])
  })

  test.each([
    ['', 'empty'],
    ['   \n ', 'empty'],
    ['model,category', 'nothing below'],
    ['colour,size of it\nA,light', 'which column names'],
    ['model,category\nA,"light', 'quotation mark'],
    ['model,category\n\u0000A,light', 'not a text file'],
    ['model,category\nA\uFFFD,light', 'not a text file'],
  ])('refuses the file %j as a whole', (csv, words) => {
    const { fileProblems, lines } = plan(csv)
    expect(fileProblems.map(sayImportProblem).join()).toContain(words)
    expect(lines).toEqual([])
  })

  test.each([
    ['tag,model,category\nCAM-01,A,camera', 'tag', 'another kind of thing'],
    ['serial,model,category,note\nS1,A,camera,x\nS1,A,camera,y', 'serial', 'line 2 has it'],
    ['model,category,state\nA,camera,sulking', 'state', 'sulking'],
    ['tag,model,category\nX-1,A,camera\nX-1,B,camera', 'tag', 'line 2 has it'],
    ['tag,model,category\n!!,A,camera', 'tag', 'letters, digits'],
    ['model,category\n,camera', 'model', 'blank'],
    ['model,category\nA,spaceship', 'category', 'spaceship'],
    ['model,category,price\nA,camera,lots', 'price', 'lots'],
    ['model,category,price\nA,camera,-5', 'price', 'not negative'],
    ['model,category,mass\nA,camera,12 stone', 'mass', '12 stone'],
    ['model,category,acquired on\nA,camera,2026-02-30', 'acquired on', '2026-02-30'],
    ['model,category,quantity\nA,camera,some', 'quantity', 'some'],
    ['model,category,card speed\nA,card,UHS-I', 'card speed', 'UHS-I'],
    ['model,category,acquisition\nA,camera,stolen', 'acquisition', 'stolen'],
    ['model,category\nA,camera,surplus', null, 'more cells'],
    [`model,category\n${'x'.repeat(200)},camera`, 'model', 'too long'],
    ['model,category,note\nA,camera,"be\u0007ll"', 'note', 'cannot be shown'],
  ])('refuses a line of %j and names the place', (csv, column, words) => {
    const bad = plan(csv).lines.filter((line) => line.outcome === 'bad')
    expect(bad).toHaveLength(1)
    expect(bad[0]?.problems[0]?.column).toBe(column)
    expect(bad[0]?.problems.map(sayImportProblem).join(' ')).toContain(words)
  })
})

test('tags go on after the highest, whatever gaps there are', () => {
  expect(makeNextTag('CAM', ['CAM-01', 'CAM-07', 'CAMERA-99', 'LEN-12'])).toBe('CAM-08')
  expect(makeNextTag('CAM', [])).toBe('CAM-01')
})

test.each([
  ['Camera body', 'camera'],
  ['light stands', 'stand'],
  ['MEMORY CARD', 'card'],
  ['mic-stand', 'mic-stand'],
  ['unicorn', null],
])('reads the category %s', (text, category) => {
  expect(readCategory(text)).toBe(category)
})
