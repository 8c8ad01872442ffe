import { describe, expect, test } from 'vitest'
import { makeScene } from '../setups/checks/scene.ts'
import type { AssessmentInput } from '../setups/placed/assessment-input.ts'
import type { CableRun } from '../setups/setup/cable-run.ts'
import { assessSetup } from '../setups/verdict/readiness.ts'
import { helps, isTrouble, listErasures } from './erasures.fixture.ts'
import { compareBreaches } from './known-breaches.fixture.ts'
import { CASES, listCases, readCase } from './law-cases.fixture.ts'

/** The setup with all its joints stated, so that what is erased does not move them. */
function hold(input: AssessmentInput): AssessmentInput {
  const links = makeScene(input).joints.map(({ host, guest }): CableRun => {
    const end = ({ key, portId }: { key: string; portId: string }) => ({ unitId: key, portId })
    return { from: end(guest), via: [], to: end(host), neededMm: null }
  })
  return { ...input, setup: { ...input.setup, links } }
}

describe('law 2: unknown never helps', () => {
  test(`no figure that is erased takes a stop or a warning away without a question, on ${CASES} seeded setups`, () => {
    const reasons = new Map<string, number[]>()
    const broken = new Set<number>()
    let erased = 0
    for (const it of listCases()) {
      const input = hold(readCase(it))
      const before = assessSetup(input).findings
      if (!before.some(isTrouble)) continue
      for (const item of it.items) {
        for (const { what, model } of listErasures(item.model)) {
          erased++
          const models = new Map([...input.holdings.models, [model.id, model]])
          const after = assessSetup({ ...input, holdings: { ...input.holdings, models } }).findings
          const lost = helps(before, after)
          if (!lost) continue
          broken.add(it.index)
          const why = `${what} of a ${model.category}: ${lost}`
          reasons.set(why, [...(reasons.get(why) ?? []), it.index])
        }
      }
    }
    expect(erased).toBeGreaterThan(2_000)
    expect(compareBreaches('law 2', [...broken]), [...reasons].join('\n')).toEqual({ fresh: [], mended: [] })
  })
})
