import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { readCategory } from './category.ts'
import { STANDARD_INTERFACES } from './interface.ts'
import { type ImportContext, planInventoryImport } from './inventory-import.ts'
import { newModelSchema } from './model.ts'
import { makeNextTag } from './tagging.ts'
import { sayImportProblem } from './words.ts'

const CONTEXT: ImportContext = {
  tags: ['CAM-01'],
  places: [{ id: 'p1', name: 'Store' }],
  interfaces: STANDARD_INTERFACES,
  models: [],
  currency: 'GBP',
}
const plan = (csv: string, choices = {}) => planInventoryImport(csv, CONTEXT, choices)
const example = readFileSync(new URL('../../../docs/examples/inventory.csv', import.meta.url), 'utf8')

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
    ['name,kind\nA,light', 'no column "model"'],
    ['model,category,model\nA,light,B', 'twice'],
    ['model,category\nA,"light', 'quotation mark'],
    ['model,category\n\u0000A,light', 'not a text file'],
    ['model,category\nA\uFFFD,light', 'not a text file'],
  ])('refuses the file %j as a whole', (csv, words) => {
    const { fileProblems, lines } = plan(csv)
    expect(fileProblems.map(sayImportProblem).join()).toContain(words)
    expect(lines).toEqual([])
  })

  test.each([
    ['tag,model,category\nCAM-01,A,camera', 'tag', 'taken'],
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
