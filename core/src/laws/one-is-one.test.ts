import { describe, expect, test } from 'vitest'
import { CATEGORY_CODES } from '../kit/model/category.ts'
import { SPEC_KEYS } from '../kit/model/spec.ts'
import { STARTER_MODELS } from '../kit/template/starter-models.ts'
import { FINDING_CODES } from '../setups/verdict/finding.ts'
import { assessSetup, type Readiness } from '../setups/verdict/readiness.ts'
import { compareBreaches } from './known-breaches.fixture.ts'
import { CASES, type CaseItem, type LawCase, listCases, makeCase, readCase } from './law-cases.fixture.ts'
import { STAGED_CODES } from './staged-cases.fixture.ts'

/** What is said, with counted pieces named as the single things they stand for. */
function sayAll({ findings, workings, cameras, inputs, totalMassGrams, roles }: Readiness, items: readonly CaseItem[]) {
  let text = JSON.stringify({ findings: byKey(findings), workings, cameras, inputs, totalMassGrams, roles })
  for (const { id } of items) text = text.replaceAll(`stock:${id}:0`, id)
  const said = JSON.parse(text)
  return { ...said, findings: byKey(said.findings) }
}

const byKey = <T extends { key: string }>(findings: readonly T[]) =>
  [...findings].sort((a, b) => (a.key < b.key ? -1 : 1))

function breaks(it: LawCase): boolean {
  const single = sayAll(assessSetup(readCase(it)), it.items)
  const counted = sayAll(assessSetup(readCase(it, () => true)), it.items)
  return JSON.stringify(single) !== JSON.stringify(counted)
}

describe('law 1: a unit, and a stock of one of the same model, give the same findings and sums', () => {
  test(`on ${CASES} seeded setups of the shipped kinds`, () => {
    const broken = listCases()
      .filter(breaks)
      .map((it) => it.index)
    expect(compareBreaches('law 1', broken)).toEqual({ fresh: [], mended: [] })
  })

  test('one at a time as well: each thing of a case alone is counted', () => {
    for (const it of listCases().slice(0, 60)) {
      const single = sayAll(assessSetup(readCase(it)), it.items)
      for (const item of it.items) {
        const counted = sayAll(assessSetup(readCase(it, (other) => other === item)), it.items)
        expect([it.index, item.model.category, counted]).toEqual([it.index, item.model.category, single])
      }
    }
  })
})

/** What no seeded case of single things can bring about: it takes people, bookings, stock, or somebody's own doing. */
const ELSEWHERE = new Set([
  ...STAGED_CODES,
  'bound-elsewhere',
  'cable-run-trouble',
  'card-weak',
  'charge-used',
  'consent-refused',
  'fault-open',
  'fix-temporary',
  'noise-fault',
  'owner-not-asked',
  'part-missing',
  'person-limit',
  'place-closed',
  'provided-lacking',
  'role-empty',
  'shared-item',
  'skill-missing',
  'skill-single',
  'spare-missing',
  'support-worn',
  'stock-short',
  'thing-absent',
  'work-around',
])

describe('the cases reach every member of every list', () => {
  test('kinds, starter models and spec fields', () => {
    const cases = listCases()
    expect(new Set(cases.map((it) => it.kind))).toEqual(new Set(CATEGORY_CODES))
    expect(new Set(cases.map((it) => it.spec))).toEqual(new Set(SPEC_KEYS))
    expect(CASES).toBeGreaterThanOrEqual(STARTER_MODELS.length)
    expect(makeCase(3)).toEqual(makeCase(3))
  })

  test('finding codes', () => {
    const reached = new Set(listCases().flatMap((it) => assessSetup(readCase(it)).findings.map(({ code }) => code)))
    expect(FINDING_CODES.filter((code) => !reached.has(code) && !ELSEWHERE.has(code))).toEqual([])
    expect([...ELSEWHERE].filter((code) => !FINDING_CODES.includes(code as never))).toEqual([])
  })
})
