import { readFileSync } from 'node:fs'
import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { newModelSchema } from '../model/model.ts'
import { newStockSchema, newUnitSchema } from '../unit/unit.ts'
import type { ImportPlan } from './import-plan.ts'
import { sayImportProblem } from './import-words.ts'
import { INVENTORY_COLUMNS } from './inventory-columns.ts'
import { planInventoryImport } from './inventory-import.ts'
import { makeContext } from './known-kit.fixture.ts'

const EXAMPLE = readFileSync(new URL('../../../../docs/examples/inventory.csv', import.meta.url), 'utf8')
const CONTEXT = makeContext()
const RUNS = Number(process.env.EXEMPLAR_MUTATIONS ?? 300)

/** What has to hold of every plan, whatever the file was. */
function expectSound(plan: ImportPlan): void {
  for (const problem of [...plan.fileProblems, ...plan.lines.flatMap((line) => line.problems)]) {
    expect(sayImportProblem(problem)).toMatch(/^.{12,400}$/s)
  }
  for (const line of plan.lines) expect(line.outcome === 'bad').toBe(line.problems.length > 0)
  const good = plan.lines.filter((line) => line.outcome === 'thing' || line.outcome === 'stock')
  expect(plan.units.length + plan.stock.length).toBe(good.length)
  const tags = [...plan.units, ...plan.stock].map((it) => it.tag)
  expect(new Set(tags).size).toBe(tags.length)
  for (const { model } of plan.models) expect(newModelSchema.safeParse(model).success).toBe(true)
  for (const { modelKey, placeKey, ...unit } of plan.units) {
    expect(newUnitSchema.safeParse({ ...unit, modelId: modelKey, placeId: placeKey }).error?.issues ?? []).toEqual([])
  }
  for (const { modelKey, placeKey, ...stock } of plan.stock) {
    expect(newStockSchema.safeParse({ ...stock, modelId: modelKey, placeId: placeKey }).success).toBe(true)
  }
}

const mutation = fc.record({
  at: fc.nat(EXAMPLE.length - 1),
  length: fc.nat(40),
  insert: fc.oneof(
    fc.string({ maxLength: 12 }),
    fc.constantFrom('"', '""', ',', ';', '\n', '\r\n', '\t', '\u0000', '=1+1', '-', '£', '1e9', '2026-02-30', '\uFEFF'),
  ),
})

describe('files of every kind', () => {
  test('mutations of the example: read right or refused in a sentence, never thrown', () => {
    fc.assert(
      fc.property(fc.array(mutation, { minLength: 1, maxLength: 6 }), (mutations) => {
        const csv = mutations.reduce(
          (text, { at, length, insert }) => text.slice(0, at) + insert + text.slice(at + length),
          EXAMPLE,
        )
        expectSound(planInventoryImport(csv, CONTEXT))
      }),
      { numRuns: RUNS, seed: 4 },
    )
  })

  test('any cells under the right heading', () => {
    const cell = fc.oneof(
      fc.string({ maxLength: 30 }),
      fc.constantFrom(
        'camera',
        'light',
        'cell',
        'CAM-01',
        '2025-03-14',
        '£86.50',
        '1.2 kg',
        '60 W',
        'C7',
        '128 GB',
        'V30',
        '98 Wh',
        '3',
      ),
    )
    const quote = (text: string) => `"${text.replace(/"/g, '""')}"`
    const rows = fc.array(
      fc.array(cell, { minLength: INVENTORY_COLUMNS.length, maxLength: INVENTORY_COLUMNS.length }),
      { minLength: 1, maxLength: 6 },
    )
    fc.assert(
      fc.property(rows, (list) => {
        const csv = [INVENTORY_COLUMNS.join(','), ...list.map((row) => row.map(quote).join(','))].join('\r\n')
        expectSound(planInventoryImport(csv, CONTEXT))
      }),
      { numRuns: 200 },
    )
  })

  // RFC 4180, section 2: fields may be quoted, quotes are doubled, and commas and line breaks stand inside them.
  test('quoted commas, quotes and line breaks come through as they are', () => {
    const text = fc
      .string({ unit: fc.constantFrom('a', 'B', ' ', ',', '"', '\n', ';', '1'), maxLength: 20 })
      .map((it) => `x${it}x`)
    fc.assert(
      fc.property(text, text, (name, note) => {
        const quote = (it: string) => `"${it.replace(/"/g, '""')}"`
        const { units } = planInventoryImport(`model,category,note\n${quote(name)},light,${quote(note)}\n`, CONTEXT)
        expect(units[0]?.note).toBe(note)
      }),
      { numRuns: 200 },
    )
  })

  test('the order of the columns, their case and blank lines do not matter', () => {
    const plain = planInventoryImport('model,category,mass\nLamp,light,1.2 kg\nBody,camera,640 g', CONTEXT)
    const turned = planInventoryImport('Mass, CATEGORY ,Model\n1.2 kg,Light,Lamp\n\n640 g,Cameras,Body\n\n', CONTEXT)
    expect(turned.units).toEqual(plain.units)
    expect(turned.models).toEqual(plain.models)
  })
})
