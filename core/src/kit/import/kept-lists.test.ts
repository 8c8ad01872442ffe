import { describe, expect, test } from 'vitest'
import { listAlikeLines } from './alike-lines.ts'
import type { ImportLine } from './import-plan.ts'
import { sayImportProblem } from './import-words.ts'
import { planInventoryImport } from './inventory-import.ts'
import { listAmerican, listBritish, listContinental } from './kept-lists.fixture.ts'
import { makeContext } from './known-kit.fixture.ts'

const said = (lines: readonly ImportLine[]) =>
  lines.map((it) => ({ ...it, problems: it.problems.map((own) => ({ ...own, text: sayImportProblem(own) })) }))

describe.each([listAmerican(), listContinental(), listBritish()])('$habit of 200 lines', (list) => {
  const context = { ...makeContext(), currency: list.currency, isDayFirst: list.isDayFirst }
  const first = planInventoryImport(list.csv, context)

  test('asks at most one question per kind, however many lines it stands in', () => {
    expect(first.lines).toHaveLength(200)
    const lines = said(first.lines)
    const bad = lines.filter((it) => it.outcome === 'bad')
    const questions = new Set(
      bad.flatMap((it) => it.problems.map((problem) => listAlikeLines(lines, it, problem).same.join())),
    )
    expect([...new Set(bad.map((it) => it.name))]).toEqual(list.asked)
    expect(questions.size).toBe(list.asked.length)
  })

  test('answered, every piece is there once, of its kind, as heavy as was written', () => {
    const corrections = first.lines
      .filter((it) => it.outcome === 'bad')
      .map(({ line }) => ({ line, column: 'category' as const, value: 'prop' }))
    const mended = planInventoryImport(list.csv, context, { corrections })
    expect([mended.isClean, mended.units.length, mended.stock.length]).toEqual([true, list.things, list.stock])
    const found = mended.models.map(({ model: { name, category, specs } }) => [name, category, specs.massGrams])
    const expected = mended.models.map(({ model: { name } }) => {
      const own = list.kinds[name] ?? { category: 'prop' }
      return [name, own.category, own.massGrams ?? null]
    })
    expect(found).toEqual(expected)
    expect(mended.models).toHaveLength(Object.keys(list.kinds).length + list.asked.length)
  })

  test('reads prices and dates as they are meant there', () => {
    expect(first.units[0]).toMatchObject(list.first)
    expect(first.units.filter((it) => it.acquiredOn !== null && !/^202[2-5]-/.test(it.acquiredOn))).toEqual([])
    expect(new Set(first.units.map((it) => it.acquiredOn))).toEqual(new Set(list.dates))
  })
})

describe('a list in another currency than the studio’s', () => {
  const list = listAmerican()
  const abroad = { ...makeContext(), currency: 'GBP', isDayFirst: false }
  const plan = planInventoryImport(list.csv, abroad)

  test('asks no more for that, takes no dollar for a pound, and loses none', () => {
    const bad = plan.lines.filter((it) => it.outcome === 'bad')
    expect([...new Set(bad.map((it) => it.name))]).toEqual(list.asked)
    expect(plan.assumptions).toContainEqual(
      expect.stringMatching(/another currency than GBP: they are kept in the notes/),
    )
    expect(plan.units.map((it) => it.priceMinor)).toEqual(plan.units.map(() => null))
    expect(plan.units[0]?.note).toBe('price: $1,299.00')
    expect(plan.units.find((it) => it.note.startsWith('tag is peeling'))?.note).toMatch(/^tag is peeling; price: \$/)
  })

  test('the currency may stand in the heading; a note that has no room for the amounts is asked about', () => {
    const list = (heading: string, note: string) =>
      [`model,kind,${heading},note`, ...Array(6).fill(`Lamp,light,19.50,${note}`)].join('\n')
    const inHeading = planInventoryImport(list('Price (USD)', ''), abroad)
    expect(inHeading.units[0]).toMatchObject({ priceMinor: null, note: 'price: 19.50 USD' })
    const long = planInventoryImport(list('Price (USD)', 'x'.repeat(1_990)), abroad)
    expect(long.lines[0]?.problems).toMatchObject([{ code: 'too-long', column: 'note' }])
    // Without a sign anywhere they are the studio's own.
    expect(planInventoryImport(list('Price', ''), abroad).units[0]?.priceMinor).toBe(1_950)
  })

  test('a single such amount among the studio’s own is asked about', () => {
    const own = planInventoryImport(
      ['model,kind,price', 'Panel,light,£10', 'Spot,light,$12', ...Array(6).fill('Lamp,light,£9')].join('\n'),
      abroad,
    )
    expect(own.lines.filter((it) => it.outcome === 'bad').map((it) => it.problems[0]?.received)).toEqual(['$12'])
  })
})

test('what is written in one cell alike is one question, and a tag is each line’s own', () => {
  const problem = (column: 'price' | 'tag' | 'category', received: string) => ({ column, received, text: received })
  const line = (at: number, name: string, own: ReturnType<typeof problem>) => ({ line: at, name, problems: [own] })
  const price = problem('price', 'about 150')
  const misc = problem('category', 'Misc')
  const blank = problem('category', '')
  const lines = [
    line(2, 'Panel', price),
    line(3, 'Spot', price),
    line(4, 'Spot', problem('price', 'gift')),
    line(5, 'Panel', problem('tag', 'A1')),
    line(6, 'Panel', problem('tag', 'A1')),
    line(7, 'Odds', misc),
    line(8, ' odds', misc),
    line(9, 'Ends', misc),
    line(10, 'Odds', blank),
    line(11, 'Ends', blank),
  ]
  const alike = (at: number, own: ReturnType<typeof problem>) =>
    listAlikeLines(lines, { line: at, name: lines[at - 2]?.name ?? '' }, own)
  expect(alike(2, price).same).toEqual([2, 3])
  expect(alike(5, problem('tag', 'A1')).same).toEqual([5])
  // One word may stand for whatever is left: by itself the answer is for what is called the same.
  expect(alike(7, misc)).toEqual({ same: [7, 8], sameWord: [7, 8, 9] })
  expect(alike(10, blank)).toEqual({ same: [10], sameWord: [10] })
})

test.each([
  ['1,000', 1_000],
  ['1.000', 1_000],
  ['12.0', 12],
  ['24 rolls', 24],
  ['48 Stk', 48],
  ['6 ea.', 6],
  ['3 dozen', null],
  ['1,50', null],
] as const)('%s pieces are %s, and what is no count is asked', (written, quantity) => {
  const csv = `model;kind;quantity\nZip tie;consumable;${written}`
  const { stock, lines } = planInventoryImport(csv, makeContext())
  expect(stock[0]?.quantity ?? null).toBe(quantity)
  expect(lines[0]?.problems.map((it) => it.column)).toEqual(quantity === null ? ['quantity'] : [])
})
