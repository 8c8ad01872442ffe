import { describe, expect, test } from 'vitest'
import { PURPOSE_CODES } from '../../studio/policy/purpose.ts'
import { dropNeedlessRoles, makeFirstSetup } from './first-setup.ts'
import { newSetupSchema } from './setup.ts'

const GROUND = { placeId: null, circuitId: null, used: [], owned: [] }
const makeIds = () => {
  let n = 0
  return () => `id-${n++}`
}

describe('the setups of somebody who begins', () => {
  test.each(PURPOSE_CODES.filter((it) => it !== 'other'))('%s is a sound setup with its roles', (purpose) => {
    const setup = makeFirstSetup(purpose, GROUND, makeIds())
    expect(newSetupSchema.safeParse(setup).error?.issues ?? []).toEqual([])
    expect(setup.roles.length).toBeGreaterThan(1)
    expect(setup.roles.map((it) => it.importance)).not.toContain('optional')
  })

  test('a role that may stay empty is there where something in the house could fill it, a finer kind too', () => {
    const has = (owned: ('panel' | 'backdrop')[]) =>
      makeFirstSetup('talking-head', { ...GROUND, owned }, makeIds()).roles.map((it) => it.name)
    expect(has(['panel'])).toContain('Rim')
    expect(has(['backdrop'])).not.toContain('Rim')
    expect(has(['backdrop'])).toContain('Backdrop')
  })

  test('each has a code and a tape of its own', () => {
    const one = makeFirstSetup('talking-head', GROUND, makeIds())
    const two = makeFirstSetup('interview', { ...GROUND, used: [one] }, makeIds())
    expect([one.code, two.code]).toEqual(['TH', 'IN'])
    expect(one.tape).not.toBe(two.tape)
  })

  test('a phone wants no lens, a body does', () => {
    const setup = makeFirstSetup('talking-head', GROUND, makeIds())
    const camera = setup.roles.find((it) => it.wants === 'camera')
    const filled = {
      ...setup,
      roles: setup.roles.map((it) => (it === camera ? { ...it, things: [{ unitId: 'u' } as never] } : it)),
    }
    const wants = (kind: 'phone' | 'camera') => dropNeedlessRoles(filled, () => kind).roles.map((it) => it.wants)
    expect(wants('phone')).not.toContain('lens')
    expect(wants('camera')).toContain('lens')
  })
})
