import { describe, expect, test } from 'vitest'
import { IMPORTANCES } from '../kit/model/port.ts'
import { makeScene } from '../setups/checks/scene.ts'
import { isAccessory } from '../setups/joining/needed-accessories.ts'
import { type Finding, recordOf } from '../setups/verdict/finding.ts'
import { assessSetup } from '../setups/verdict/readiness.ts'
import { compareBreaches } from './known-breaches.fixture.ts'
import { CASES, type LawCase, listCases, readCase } from './law-cases.fixture.ts'

const ORDER = ['ok', 'advise', 'unknown', 'warn', 'unknown-stop', 'stop']
const isReadiness = ({ level }: Finding) => level !== 'ok' && level !== 'advise'

/** The case with a second piece of one of its things beside it, in the same role. */
function withTwin(it: LawCase, at: number): LawCase {
  const item = it.items[at]
  if (!item) return it
  const model = { ...item.model, id: `${item.model.id}x` }
  return { ...it, items: [...it.items, { ...item, id: `${item.id}x`, tag: `${item.tag}X`, model }] }
}

describe('law 4: spares are harmless', () => {
  test(`a second lead, cable, lens or adapter that nothing wants adds no finding of readiness, on ${CASES} seeded setups`, () => {
    const broken = new Set<number>()
    const reasons = new Map<string, number[]>()
    let tried = 0
    for (const it of listCases()) {
      const before = assessSetup(readCase(it)).findings
      for (const [at, item] of it.items.entries()) {
        if (!isAccessory({ category: item.model.category } as never)) continue
        const input = readCase(withTwin(it, at))
        // Only a second one that nothing wants.
        if (!makeScene(input).inCase.some((own) => own.key === `${item.id}x`)) continue
        tried++
        const known = new Set(before.map((own) => `${own.code}/${own.level}`))
        const fresh = assessSetup(input).findings.filter(
          (own) => isReadiness(own) && !known.has(`${own.code}/${own.level}`),
        )
        if (fresh.length === 0) continue
        broken.add(it.index)
        const why = `${item.model.category}: ${fresh.map((own) => `${own.level} ${own.code}`).join()}`
        reasons.set(why, [...(reasons.get(why) ?? []), it.index])
      }
    }
    expect(tried).toBeGreaterThan(300)
    expect(compareBreaches('law 4, a second piece', [...broken]), [...reasons].join('\n')).toEqual({
      fresh: [],
      mended: [],
    })
  })
})

describe('law 4: a place in case', () => {
  test(`whatever lies in a role in case adds no finding of its own, on ${CASES} seeded setups`, () => {
    const broken = new Set<number>()
    const reasons = new Set<string>()
    for (const it of listCases()) {
      const before = assessSetup(readCase(it)).findings
      const known = new Map(before.map((own) => [own.key, own.level]))
      for (const at of it.items.keys()) {
        // A third of the things of each case, so that over all cases every kind has its turn.
        if (at % 3 !== it.index % 3) continue
        const input = readCase(withTwin(it, at))
        const id = `${it.items[at]?.id}x`
        const setup = {
          ...input.setup,
          roles: input.setup.roles.map((role) => ({
            ...role,
            things: role.things.map((own) => (own.unitId === id ? { ...own, isSpare: true } : own)),
          })),
        }
        const fresh = assessSetup({ ...input, setup }).findings.filter((own) => known.get(own.key) !== own.level)
        // A pack in case may be the spare that is wanted: what it changes it makes better.
        const worse = fresh.filter((own) => ORDER.indexOf(own.level) > ORDER.indexOf(known.get(own.key) ?? 'ok'))
        if (worse.length === 0) continue
        broken.add(it.index)
        reasons.add(`${it.items[at]?.model.category}: ${worse.map((own) => `${own.level} ${own.code}`).join()}`)
      }
    }
    expect(compareBreaches('law 4', [...broken]), [...reasons].join('\n')).toEqual({ fresh: [], mended: [] })
  })
})

describe('law 5: importance is monotone', () => {
  test(`what only optional roles lack never stops, and hazards keep their level, on ${CASES} seeded setups`, () => {
    const broken = new Set<number>()
    const reasons = new Map<string, number[]>()
    const weigh = (it: Finding) => ORDER.indexOf(it.level)
    for (const it of listCases()) {
      const findAt = (importance: (typeof IMPORTANCES)[number]) =>
        assessSetup(readCase({ ...it, roles: it.roles.map((role) => ({ ...role, importance })) })).findings
      const levels = IMPORTANCES.map(findAt)
      for (const [at, findings] of levels.entries()) {
        const before = new Map(levels[at - 1]?.map((own) => [own.key, own]))
        for (const finding of findings) {
          const was = before.get(finding.key)
          const { isHazard } = recordOf(finding)
          const isStop = at === IMPORTANCES.length - 1 && finding.level === 'stop' && !isHazard
          const isRaised = was !== undefined && weigh(finding) > weigh(was)
          if (!isStop && !isRaised) continue
          broken.add(it.index)
          const why = `${finding.code} ${isStop ? 'stops on an optional role' : 'weighs more'}`
          reasons.set(why, [...(reasons.get(why) ?? []), it.index])
        }
      }
    }
    expect(compareBreaches('law 5', [...broken]), [...reasons].join('\n')).toEqual({ fresh: [], mended: [] })
  })
})
