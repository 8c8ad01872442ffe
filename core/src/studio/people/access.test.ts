import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { ACCESS_ROLES, ACTION_CODES, hideFrom, may, passwordSchema, signInNameSchema } from './access.ts'

describe('who may do what', () => {
  test('the manager may do everything, nobody nothing, and each role as much as the one below it', () => {
    for (const action of ACTION_CODES) {
      expect(may('manager', action)).toBe(true)
      expect(may(null, action)).toBe(false)
      if (may('viewer', action)) expect(may('crew', action)).toBe(true)
    }
    expect(ACTION_CODES.filter((it) => may('viewer', it))).toEqual(['see-studio'])
  })

  test('money is the manager’s alone', () => {
    expect(ACCESS_ROLES.filter((role) => may(role, 'see-money'))).toEqual(['manager'])
  })
})

describe('what is hidden', () => {
  const reply = {
    unit: { tag: 'CAM-01', priceMinor: 95_000, health: 80 },
    entries: [{ netMinor: 100, taxMinor: 20, note: 'paid' }],
    party: { contacts: [{ kind: 'mail', value: 'a@b.example' }] },
    events: [{ data: { before: { priceMinor: 1 }, after: { priceMinor: 2 } } }],
  }

  test('the manager gets the very reply', () => {
    expect(hideFrom('manager', reply)).toBe(reply)
  })

  test('the crew gets no amount at any depth, and everything else', () => {
    expect(hideFrom('crew', reply)).toEqual({
      unit: { tag: 'CAM-01', priceMinor: null, health: 80 },
      entries: [{ netMinor: null, taxMinor: null, note: 'paid' }],
      party: { contacts: [{ kind: 'mail', value: 'a@b.example' }] },
      events: [{ data: { before: { priceMinor: null }, after: { priceMinor: null } } }],
    })
    expect(hideFrom('viewer', reply).party.contacts).toEqual([])
    expect(reply.unit.priceMinor).toBe(95_000)
  })

  test('no amount survives in any reply, and nothing but amounts and contacts is touched', () => {
    fc.assert(
      fc.property(fc.jsonValue({ maxDepth: 5 }), fc.integer(), (value, amount) => {
        const hidden = hideFrom('viewer', { value, deep: [{ nested: { feeMinor: amount } }] })
        expect(hidden.deep[0]?.nested.feeMinor).toBe(null)
        if (!JSON.stringify(value).match(/Minor"|"contacts"/)) expect(hidden.value).toEqual(value)
      }),
    )
  })
})

describe('passwords and names', () => {
  // NIST SP 800-63B, 5.1.1.2: length counts, composition rules do not, and long phrases are taken whole.
  test.each([
    ['four plain words', true],
    ['ninechars', false],
    ['aaaaaaaaaa', true],
    ['x'.repeat(200), true],
    ['x'.repeat(201), false],
  ])('%s: %s', (password, isGood) => expect(passwordSchema.safeParse(password).success).toBe(isGood))

  test('sign-in names are compared in small letters', () => {
    expect(signInNameSchema.parse('  Imke@Larkmoor.example ')).toBe('imke@larkmoor.example')
    for (const bad of ['', 'a', '-x', 'two words', 'a'.repeat(81)]) {
      expect(signInNameSchema.safeParse(bad).success, bad).toBe(false)
    }
  })
})
