import { describe, expect, test } from 'vitest'
import { sayFinding, sayWorking } from '../setups/verdict/finding-sentences.ts'
import { assessSetup, type Readiness } from '../setups/verdict/readiness.ts'
import { listTexts } from '../units/imperial.ts'
import { CASES, listCases, readCase } from './law-cases.fixture.ts'

/** A figure in metres, centimetres, grams or kilograms. Millimetres are trade designations, and so is what a name says. */
const METRIC = /\d (kg|g|cm|m|m²)(?![\w/])/
const IMPERIAL = /\d ?(lb|oz|ft|sq ft|′|″)(?!\w)/
const WORDS = { sayDay: (date: string) => date, sayInstant: String }

const without = (text: string, names: readonly string[]) =>
  names.filter((it) => /\d/.test(it)).reduce((own, name) => own.replaceAll(name, ''), text)

/** Everything that is said of a case, without what things are called. */
function listSaid({ findings, workings }: Readiness, system: 'metric' | 'imperial'): string[] {
  return [
    ...findings.flatMap((own) =>
      listTexts(sayFinding(own, { ...WORDS, system })).map((text) => without(text, listTexts(own))),
    ),
    ...workings.flatMap(({ ...own }) => {
      const { source: _, ...words } = sayWorking(own, undefined, system)
      return listTexts(words).map((text) => without(text, listTexts(own)))
    }),
  ]
}

describe('law 14: one system of units', () => {
  test(`what is found and worked out speaks one system, on ${CASES} seeded setups`, () => {
    let measured = 0
    const stray = new Set<string>()
    for (const it of listCases()) {
      const readiness = assessSetup(readCase(it))
      for (const text of listSaid(readiness, 'imperial')) {
        if (METRIC.test(text)) stray.add(text)
        if (IMPERIAL.test(text)) measured++
      }
      for (const text of listSaid(readiness, 'metric')) if (IMPERIAL.test(text)) stray.add(text)
    }
    expect([...stray].slice(0, 12)).toEqual([])
    expect(measured).toBeGreaterThan(300)
  })
})
