import { describe, expect, test } from 'vitest'
import { CATEGORY_CODES } from '../kit/model/category.ts'
import { newModelSchema } from '../kit/model/model.ts'
import { STARTER_MODELS } from '../kit/template/starter-models.ts'
import { makeModelFromTemplate } from '../kit/template/template.ts'
import { type CableRun, cableRunSchema } from '../setups/setup/cable-run.ts'
import { newSetupSchema } from '../setups/setup/setup.ts'
import { makeCase, readCase } from './law-cases.fixture.ts'

describe('law 19: both ways', () => {
  test('every kind and every starter model is a model that is read back as it was written', () => {
    const sketches = [...CATEGORY_CODES.map((category) => ({ category, facts: {} })), ...STARTER_MODELS]
    for (const { category, facts } of sketches) {
      const { id: _id, ...model } = { ...makeModelFromTemplate(category, 'Maker', 'Name', facts), id: 'm' }
      const read = newModelSchema.parse(JSON.parse(JSON.stringify(model)))
      expect([category, newModelSchema.parse(JSON.parse(JSON.stringify(read)))]).toEqual([category, read])
    }
  })

  test('setups of 200 seeded cases are read back as they were written', () => {
    for (let index = 0; index < 200; index++) {
      const { setup } = readCase(makeCase(index))
      const read = newSetupSchema.parse(JSON.parse(JSON.stringify(setup)))
      expect([index, newSetupSchema.parse(JSON.parse(JSON.stringify(read)))]).toEqual([index, read])
      expect(read.roles.map((it) => it.things)).toEqual(setup.roles.map((it) => it.things))
    }
  })

  test('a run of cables too', () => {
    const run: CableRun = {
      from: { unitId: 'a', portId: 'out' },
      via: ['c'],
      to: { unitId: 'b', portId: 'in' },
      neededMm: 4_000,
    }
    expect(cableRunSchema.parse(JSON.parse(JSON.stringify(run)))).toEqual(run)
  })
})
