import { describe, expect, test } from 'vitest'
import { NO_SUPPLY } from '../../kit/unit/unit.ts'
import { makeAssignment } from '../setup/setup.ts'
import { listPlacedItems } from './placed-item.ts'
import { makeRole, makeStudio } from './studio.fixture.ts'

describe('what stands in a setup', () => {
  const studio = makeStudio({ BAG: ['other', {}], CAM: ['camera', {}] })
  const stock = new Map([
    [
      'bags',
      {
        id: 'bags',
        tag: 'BAG',
        modelId: 'm-BAG',
        quantity: 8,
        reorderLevel: 0,
        supply: NO_SUPPLY,
        placeId: null,
        version: 1,
      },
    ],
  ])
  const holdings = { ...studio, stock }

  test('[V15] pieces of one stock in two roles are so many pieces, each with its role', () => {
    const roles = [2, 3].map((quantity, at) =>
      makeRole(`r${at}`, [], { things: [makeAssignment({ stockId: 'bags', quantity })] }),
    )
    const items = listPlacedItems({ roles }, holdings, null)
    expect(items.map((it) => `${it.key} ${it.roleId}`)).toEqual([
      'stock:bags:0 r0',
      'stock:bags:1 r0',
      'stock:bags:2 r1',
      'stock:bags:3 r1',
      'stock:bags:4 r1',
    ])
  })

  test('one thing in two roles stands once, and matters as much as the more important of them', () => {
    const roles = (['optional', 'essential', 'wanted'] as const).map((importance, at) =>
      makeRole(`r${at}`, ['CAM'], { importance }),
    )
    const items = listPlacedItems({ roles }, holdings, null)
    expect(items.map((it) => [it.key, it.roleId, it.roleImportance])).toEqual([['CAM', 'r1', 'essential']])
  })
})
