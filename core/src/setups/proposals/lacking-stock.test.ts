import { describe, expect, test } from 'vitest'
import { makeModelFromTemplate } from '../../kit/template/template.ts'
import { makeInput, makeRole, makeStudio } from '../placed/studio.fixture.ts'
import { countLackingStock } from './lacking-stock.ts'

const studio = makeStudio({
  REC: ['recorder', { battery: 'cell-aa', batteryCount: 2 }],
  LGT: ['light', { massGrams: 900 }],
})
const kind = (id: string, category: 'cell' | 'stand', facts: object = {}) => ({
  id,
  model: makeModelFromTemplate(category, '', id, facts),
})
const cells = kind('aa', 'cell', { battery: 'cell-aa' })
const lacking = (
  tags: string[],
  stock: ReturnType<typeof kind>[],
  importance: 'essential' | 'optional' = 'essential',
  singles: ReturnType<typeof kind>[] = [],
) => {
  const input = makeInput(studio, [makeRole('r', tags, { importance })])
  const models = singles.map((it) => it.model)
  return Object.fromEntries(countLackingStock(input, stock, models))
}

describe('what a setup lacks of what is counted', () => {
  test('two cells of a recorder that has none; a kind that does not fit lacks nothing', () => {
    expect(lacking(['REC'], [cells, kind('nine', 'cell', { battery: 'cell-9v' })])).toEqual({ aa: 2 })
  })

  test('of two kinds that would do nobody knows which is wanted', () => {
    expect(lacking(['REC'], [cells, kind('other', 'cell', { battery: 'cell-aa' })])).toEqual({})
  })

  test('where one with a tag of its own would do, the counted kind is not surely wanted', () => {
    const single = (battery: string) => [kind('one', 'cell', { battery })]
    expect(lacking(['REC'], [cells], 'essential', single('cell-aa'))).toEqual({})
    expect(lacking(['REC'], [cells], 'essential', single('cell-9v'))).toEqual({ aa: 2 })
  })

  test('a support may be any, and what only an optional role lacks is not wanted', () => {
    expect(lacking(['LGT'], [kind('stand', 'stand')])).toEqual({})
    expect(lacking(['REC'], [cells], 'optional')).toEqual({})
  })
})
