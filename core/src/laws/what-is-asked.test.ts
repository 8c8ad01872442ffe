import { describe, expect, test } from 'vitest'
import { CATEGORY_CODES, type Category } from '../kit/model/category.ts'
import type { SpecKey } from '../kit/model/spec.ts'
import { listLackingFacts, type NeededFact } from '../kit/template/needed-facts.ts'
import { makeModelFromTemplate } from '../kit/template/template.ts'
import { ASKED_FACTS, ASKED_SPECS, type FactKey, type TemplateFacts } from '../kit/template/template-facts.ts'
import { INTERFACES } from '../setups/placed/things.fixture.ts'
import { findQuestion } from '../setups/verdict/finding.ts'
import { assessSetup } from '../setups/verdict/readiness.ts'
import { CASES, listCases, readCase } from './law-cases.fixture.ts'

/** By which question of the form each fact that judging asks for is told. */
const TOLD_BY: Readonly<Record<NeededFact, { facts?: readonly FactKey[]; specs?: readonly SpecKey[] }>> = {
  mount: { facts: ['mount'] },
  'front-mount': { facts: ['frontMount'] },
  thread: { facts: ['mount'], specs: ['filterMm'] },
  medium: { facts: ['cardForm'] },
  memory: { facts: ['capacityMegabytes'] },
  rate: { facts: ['kilobitsPerSecond'] },
  power: { facts: ['battery', 'inlet'] },
  watts: { facts: ['milliwatts'] },
  energy: { facts: ['energyMilliwattHours'] },
  capacity: { facts: ['capacityMegabytes'] },
  'card-speed': { facts: ['cardMegabytesPerSecond'] },
  mass: { facts: ['massGrams'] },
  reach: { specs: ['reachMm'] },
  height: { specs: ['heightMaxMm'] },
  lowest: { specs: ['heightMinMm'] },
  'leg-radius': { specs: ['legRadiusMm'] },
  amps: { specs: ['mostAmps'] },
  'charge-amps': { specs: ['chargeAmps'] },
  volts: { specs: ['volts'] },
  'load-limit': { facts: ['loadGrams'] },
}

const asks = (kind: Category, fact: NeededFact): boolean => {
  const { facts = [], specs = [] } = TOLD_BY[fact]
  const asked: readonly FactKey[] = ASKED_FACTS[kind] ?? ['massGrams']
  const further: readonly SpecKey[] = ASKED_SPECS[kind] ?? []
  return facts.some((it) => asked.includes(it)) || specs.some((it) => further.includes(it))
}

const ANSWERS: Partial<TemplateFacts> = {
  mount: 'mount-x',
  frontMount: 'mount-y',
  battery: 'pack-a',
  inlet: 'iec-c7',
  cardForm: 'sd',
  energyMilliwattHours: 48_000,
  capacityMegabytes: 64_000,
  massGrams: 500,
}

describe('what judging asks can be told at entry', () => {
  test(`every question of ${CASES} seeded setups is one that the form of that kind asks`, () => {
    const missing = new Set<string>()
    let questions = 0
    for (const it of listCases()) {
      const input = readCase(it)
      for (const finding of assessSetup(input).findings) {
        const question = findQuestion(finding)
        const kind = question && input.holdings.models.get(question.modelId)?.category
        if (!kind) continue
        questions++
        if (!asks(kind, question.fact)) missing.add(`${question.fact} of ${kind}`)
      }
    }
    expect([...missing].sort()).toEqual([])
    expect(questions).toBeGreaterThan(1_000)
  })

  test.each(CATEGORY_CODES)('a %s of which the form is answered lacks nothing', (kind) => {
    const asked: readonly FactKey[] = ASKED_FACTS[kind] ?? []
    const told = Object.fromEntries(Object.entries(ANSWERS).filter(([key]) => asked.includes(key as FactKey)))
    expect(listLackingFacts(makeModelFromTemplate(kind, '', 'x', told), INTERFACES)).toEqual([])
  })
})
