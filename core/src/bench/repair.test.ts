import { describe, expect, test } from 'vitest'
import { findClaim, listNextStages, type Papers, REPAIR_STAGE_CODES, weighCover } from './repair.ts'

const papers = (part: Partial<Papers> = {}): Papers => ({
  warrantyUntil: '2026-12-31',
  coverUntil: '2027-12-31',
  coverAccidents: 'unsaid',
  claimDays: null,
  ...part,
})

describe('who pays', () => {
  test('the warranty first, its last day too; then the cover; then we', () => {
    expect(findClaim(papers(), '2026-12-31', false)).toMatchObject({ claim: 'warranty', claimBy: '2026-12-31' })
    expect(findClaim(papers(), '2027-01-01', false)).toMatchObject({ claim: 'cover', isSure: true })
    expect(findClaim(papers(), '2028-01-01', false)).toMatchObject({ claim: 'own', isSure: true })
  })

  test('an accident is none of the warranty; the cover pays where it says so, and perhaps where nobody knows', () => {
    expect(findClaim(papers(), '2026-12-01', true)).toMatchObject({ claim: 'cover', isSure: false })
    expect(findClaim(papers({ coverAccidents: 'yes' }), '2026-12-01', true)).toMatchObject({
      claim: 'cover',
      isSure: true,
    })
    expect(findClaim(papers({ coverAccidents: 'no' }), '2026-12-01', true)).toMatchObject({ claim: 'own' })
  })

  test('a claim waits as long as the papers allow, and never beyond their end', () => {
    expect(findClaim(papers({ claimDays: 14 }), '2026-12-01', false).claimBy).toBe('2026-12-15')
    expect(findClaim(papers({ claimDays: 60 }), '2026-12-01', false).claimBy).toBe('2026-12-31')
  })

  test('without papers nobody knows whether somebody else pays', () => {
    expect(findClaim(papers({ warrantyUntil: null, coverUntil: null }), '2026-12-01', false)).toMatchObject({
      claim: 'own',
      isSure: false,
    })
  })
})

describe('what cover costs', () => {
  // By hand: £90 of £900 a year.
  test('share of the price, and how often it has to be lost to pay', () => {
    expect(weighCover(9_000, 90_000)).toEqual({ share: 0.1, breakEvenYears: 10 })
    expect(weighCover(null, 90_000)).toBeNull()
    expect(weighCover(9_000, null)).toBeNull()
    expect(weighCover(0, 90_000)).toBeNull()
  })
})

test('every way through a repair comes to an end, and what ended goes no further', () => {
  for (const stage of REPAIR_STAGE_CODES) {
    const reached = new Set([stage])
    for (const it of reached) for (const next of listNextStages(it)) reached.add(next)
    const isEnded = stage === 'done' || stage === 'given-up'
    expect(listNextStages(stage).length === 0).toBe(isEnded)
    expect(isEnded || (reached.has('done') && reached.has('given-up'))).toBe(true)
  }
})
