import { describe, expect, test } from 'vitest'
import { NO_OVERRIDES, OVERRIDABLE, overridesSchema } from './policy.ts'
import { FIGURE_WORDS, sayPolicy } from './policy-words.ts'
import { findPractice, PRACTICE_CODES } from './practice.ts'
import { resolvePolicies } from './resolved-policies.ts'
import { DEFAULT_SETTINGS, studioSettingsSchema } from './settings.ts'

const STUDIO = {
  ...DEFAULT_SETTINGS,
  sparePacks: 2,
  schools: { power: 'mains' as const },
  purposes: { lecture: { figures: { sparePacks: 4 }, schools: { power: 'packs' } } },
}

describe('whose word holds', () => {
  test('the setup’s own, else its purpose’s, else the studio’s, else the first way of the school', () => {
    const own = { figures: { sparePacks: 0 }, schools: { power: 'mixed' } }
    const of = (...rest: Parameters<typeof resolvePolicies>) => {
      const { figure, school } = resolvePolicies(...rest)
      const [packs, power] = [figure('sparePacks'), school('power')]
      return [packs.value, packs.from, power.way, power.from]
    }
    expect(of(STUDIO, null)).toEqual([2, 'studio', 'mains', 'studio'])
    expect(of(STUDIO, 'interview')).toEqual([2, 'studio', 'mains', 'studio'])
    expect(of(STUDIO, 'lecture')).toEqual([4, 'purpose', 'packs', 'purpose'])
    expect(of(STUDIO, 'lecture', own)).toEqual([0, 'setup', 'mixed', 'setup'])
    expect(of({ ...STUDIO, schools: {} }, null)[2]).toBe('mixed')
  })

  test('nought is a word too, and every other setting is the studio’s', () => {
    const { settings } = resolvePolicies(STUDIO, null, { figures: { cardHeadroomPercent: 0 }, schools: {} })
    expect(settings).toEqual({ ...STUDIO, cardHeadroomPercent: 0 })
    expect(resolvePolicies(STUDIO, null, NO_OVERRIDES).settings).toEqual(STUDIO)
  })

  test('advice names the policy that it follows', () => {
    const { figure, school } = resolvePolicies(STUDIO, 'lecture')
    expect(sayPolicy(figure('sparePacks'))).toBe('Follows the policy for this purpose: spare packs of each family, 4.')
    expect(sayPolicy(figure('cardHeadroomPercent'))).toBe('Follows the studio’s policy: kept free on every card, 10 %.')
    expect(sayPolicy(school('power'))).toBe('Follows the policy for this purpose: Mains or packs? Packs, for freedom.')
  })
})

describe('schools', () => {
  test('each has ways to choose between, and says what the choice changes or that nothing asks yet', () => {
    for (const code of PRACTICE_CODES) {
      const { question, ways, changes } = findPractice(code)
      expect(question).toMatch(/\?$/)
      expect(Object.keys(ways).length, code).toBeGreaterThan(1)
      if (changes !== null) expect(changes, code).toMatch(/\.$/)
    }
    for (const code of OVERRIDABLE) expect(FIGURE_WORDS[code].changes).toMatch(/\.$/)
  })

  test('a way that is none is refused, and so are figures beyond sense', () => {
    expect(overridesSchema.safeParse({ schools: { power: 'steam' } }).success).toBe(false)
    expect(overridesSchema.safeParse({ figures: { cardHeadroomPercent: 51 } }).success).toBe(false)
    expect(studioSettingsSchema.safeParse({ ...STUDIO, schools: { nonsense: 'x' } }).success).toBe(false)
  })

  test('settings kept by an older version get the defaults of what came since', () => {
    const old = {
      name: 'Old',
      currency: 'GBP',
      zone: 'Europe/London',
      continuousLoadPercent: 80,
      cardHeadroomPercent: 10,
      sparePacks: 1,
      packEfficiencyPercent: 90,
      serviceNoticeDays: 14,
    }
    expect(studioSettingsSchema.parse(old)).toEqual({ ...DEFAULT_SETTINGS, name: 'Old' })
  })
})
