import { describe, expect, test } from 'vitest'
import type { Store } from '../setups/placed/store.ts'
import { findAllRemedies } from '../setups/proposals/remedies.ts'
import { applyRemedy } from '../setups/setup/remedy.ts'
import { canHelp, recordOf } from '../setups/verdict/finding.ts'
import { assessSetup } from '../setups/verdict/readiness.ts'
import { compareBreaches } from './known-breaches.fixture.ts'
import { type LawCase, listCases, makeCase, readCase } from './law-cases.fixture.ts'

/** So many cases: each tries dozens of remedies. */
const TRIED = 240

/** What other cases have, and once more what this one has, as it would lie in the store. */
function makeStore(cases: readonly LawCase[]): Store {
  const units = cases.flatMap((of, nth) => {
    const { holdings } = readCase(of)
    return [...holdings.units.values()].flatMap((unit) => {
      const model = holdings.models.get(unit.modelId)
      if (!model) return []
      const modelId = `s${nth}${model.id}`
      const own = { ...unit, id: `s${nth}${unit.id}`, tag: `S${nth}${unit.tag}`, modelId }
      return [{ unit: own, model: { ...model, id: modelId }, usedBySetups: 0 }]
    })
  })
  return { units, away: [], stock: [], circuits: [] }
}

describe('law 10: remedies tell the truth', () => {
  test(`a cure clears what it is offered for, and brings no new stop and no new question, on ${TRIED} seeded setups`, () => {
    const broken = new Set<number>()
    const reasons = new Set<string>()
    let carriedOut = 0
    for (const it of listCases().slice(0, TRIED)) {
      const input = readCase(it)
      const store = makeStore([it, makeCase(it.index + 1), makeCase(it.index + 2)])
      const before = assessSetup(input)
      const models = new Map([...input.holdings.models, ...store.units.map(({ model }) => [model.id, model] as const)])
      const units = new Map([...input.holdings.units, ...store.units.map(({ unit }) => [unit.id, unit] as const)])
      for (const help of findAllRemedies(input, store)) {
        const finding = before.findings.find((own) => own.key === help.key)
        if (!finding) throw new Error(`Help for what was not found: ${help.key}`)
        if (help.remedies.length > 0) expect(canHelp(finding)).toBe(true)
        for (const remedy of help.remedies) {
          // What is bought is a follow-up: it clears nothing yet.
          if (remedy.kind === 'shop') continue
          carriedOut++
          const setup = applyRemedy(input.setup, remedy)
          // From scratch, and not as it was tried.
          const after = assessSetup({ ...input, setup, holdings: { ...input.holdings, models, units } })
          const same = after.findings.find((own) => own.key === finding.key)
          const isSmaller =
            same !== undefined && (recordOf(finding).isSmaller?.(same as never, finding as never) ?? false)
          // What fills an empty role may ask for the next thing: a body for its lens.
          const isForward = finding.code === 'role-empty'
          const isClear = same === undefined || isSmaller
          const adds = (level: 'stop' | 'unknown-stop') => !isForward && after.counts[level] > before.counts[level]
          if (isClear && !adds('stop') && !adds('unknown-stop')) continue
          broken.add(it.index)
          reasons.add(`${finding.code}, ${remedy.kind}: ${isClear ? 'adds a stop or a question' : 'is still there'}`)
        }
      }
    }
    expect(carriedOut).toBeGreaterThan(500)
    expect(compareBreaches('law 10', [...broken]), [...reasons].join('\n')).toEqual({ fresh: [], mended: [] })
  })
})
