import { describe, expect, test } from 'vitest'
import type { AssessmentInput } from '../setups/placed/assessment-input.ts'
import { assessSetup } from '../setups/verdict/readiness.ts'
import { compareBreaches } from './known-breaches.fixture.ts'
import { CASES, type LawCase, listCases, readCase, rename } from './law-cases.fixture.ts'

const turn = <K, V>(map: ReadonlyMap<K, V>) => new Map([...map].reverse())

/** The same setup with everything looked up in another order, and its roles listed the other way round. */
function turnRound(input: AssessmentInput): AssessmentInput {
  const { holdings, interfaces, setup } = input
  return {
    ...input,
    holdings: { units: turn(holdings.units), stock: turn(holdings.stock), models: turn(holdings.models) },
    interfaces: turn(interfaces),
    setup: { ...setup, roles: [...setup.roles].reverse() },
  }
}

/** What is found, up to things that could stand for each other: how often each code at each level. */
function countFindings(input: AssessmentInput): string[] {
  return assessSetup(input)
    .findings.map((it) => `${it.level} ${it.code}`)
    .sort()
}

describe('law 6: order and names do not matter', () => {
  test(`other names, the same findings with the same keys, on ${CASES} seeded setups`, () => {
    const keysOf = (it: LawCase) => assessSetup(readCase(it)).findings.map(({ key, level }) => `${level} ${key}`)
    for (const it of listCases()) expect([it.index, keysOf(rename(it))]).toEqual([it.index, keysOf(it)])
  })

  test(`another order, the same findings, on ${CASES} seeded setups`, () => {
    const broken = listCases()
      .filter((it) => {
        const input = readCase(it)
        return countFindings(turnRound(input)).join() !== countFindings(input).join()
      })
      .map((it) => it.index)
    expect(compareBreaches('law 6', broken)).toEqual({ fresh: [], mended: [] })
  })
})
