import { describe, expect, test } from 'vitest'
import { ACCESS_ROLES, ACTION_CODES, may, passwordSchema, signInNameSchema } from './access.ts'

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
