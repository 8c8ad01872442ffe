import { describe, expect, test } from 'vitest'
import { applyRemedy } from './remedy.ts'
import { listUnitIds, makeAssignment, type NewSetup, newSetupSchema, type Role, SETUP_DEFAULTS } from './setup.ts'

const role = (id: string, ...unitIds: string[]): Role => ({
  id,
  group: 'light',
  name: id,
  importance: 'essential',
  wants: null,
  detail: '',
  intentionallyEmpty: false,
  things: unitIds.map((unitId) => makeAssignment({ unitId })),
})

const SETUP: NewSetup = {
  code: 'AB',
  name: 'x',
  tape: 'fern',
  purpose: '',
  placeId: 'p',
  circuitId: 'c1',
  ...SETUP_DEFAULTS,
  plannedMinutes: 60,
  note: '',
  roles: [role('key', 'L1'), role('fill', 'L2')],
}

describe('carrying out a way out', () => {
  test('touches the role it names and leaves the others as they are', () => {
    const after = applyRemedy(SETUP, { kind: 'assign', roleId: 'fill', unitIds: ['S1', 'S2'], tags: [], name: '' })
    expect(listUnitIds(after)).toEqual(['L1', 'L2', 'S1', 'S2'])
    expect(after.roles[0]).toBe(SETUP.roles[0])
    expect(listUnitIds(SETUP)).toEqual(['L1', 'L2'])
  })

  test('a stand-in takes the place and starts with its own usual ways', () => {
    const withModes = applyRemedy(SETUP, {
      kind: 'power-mode',
      roleId: 'key',
      unitId: 'L1',
      tag: '',
      powerModeId: 'packs',
      label: '',
    })
    expect(withModes.roles[0]?.things[0]?.powerModeId).toBe('packs')
    const after = applyRemedy(withModes, {
      kind: 'replace',
      roleId: 'key',
      unitId: 'L1',
      byUnitId: 'L9',
      tag: '',
      name: '',
    })
    expect(after.roles[0]?.things[0]).toEqual(makeAssignment({ unitId: 'L9' }))
  })

  test('stock that is there already becomes more of it', () => {
    const once = applyRemedy(SETUP, { kind: 'assign-stock', roleId: 'key', stockId: 'bag', quantity: 2, name: '' })
    const twice = applyRemedy(once, { kind: 'assign-stock', roleId: 'key', stockId: 'bag', quantity: 1, name: '' })
    expect(twice.roles[0]?.things.at(-1)).toEqual(makeAssignment({ stockId: 'bag', quantity: 3 }))
    expect(newSetupSchema.safeParse(twice).success).toBe(true)
  })

  test('the shopping list is no change of the setup', () => {
    expect(applyRemedy(SETUP, { kind: 'shop', item: 'x', quantity: 1, stockId: null })).toBe(SETUP)
    expect(applyRemedy(SETUP, { kind: 'circuit', circuitId: 'c2', name: '' }).circuitId).toBe('c2')
    expect(
      applyRemedy(SETUP, {
        kind: 'recording-mode',
        roleId: 'key',
        unitId: 'L1',
        tag: '',
        recordingModeId: 'long',
        label: '',
      }).roles[0]?.things[0]?.recordingModeId,
    ).toBe('long')
  })
})

describe('setups', () => {
  test.each([
    ['one thing in two roles', { roles: [role('a', 'L1'), role('b', 'L1')] }],
    ['two roles of one id', { roles: [role('a'), role('a')] }],
    [
      'a thing counted twice',
      { roles: [{ ...role('a'), things: [{ ...makeAssignment({ unitId: 'L1' }), quantity: 2 }] }] },
    ],
    [
      'an assignment of nothing',
      { roles: [{ ...role('a'), things: [{ ...makeAssignment({ unitId: 'L1' }), unitId: null }] }] },
    ],
    ['a tape that is none', { tape: 'gold' }],
    ['more than a day', { plannedMinutes: 1441 }],
    ['a code in small letters', { code: 'ab' }],
  ])('refuse %s', (_, part) => {
    expect(newSetupSchema.safeParse({ ...SETUP, ...part }).success).toBe(false)
  })
})
