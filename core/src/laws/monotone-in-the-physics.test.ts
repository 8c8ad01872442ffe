import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { computeRuntimeMinutes } from '../formulas/power/pack-runtime.ts'
import { computeVoltageDrop, OHMS_PER_KILOMETRE } from '../formulas/power/voltage-drop.ts'
import type { FindingCode } from '../setups/verdict/finding.ts'
import { assessSetup } from '../setups/verdict/readiness.ts'
import { compareBreaches } from './known-breaches.fixture.ts'
import { CASES, type CaseItem, type LawCase, listCases, readCase } from './law-cases.fixture.ts'

const ORDER = ['ok', 'advise', 'unknown', 'warn', 'unknown-stop', 'stop']

/** A case whose joints are all stated as they are: only what is changed may change anything. */
function hold(it: LawCase) {
  const links = assessSetup(readCase(it)).joints.map(({ host, guest }) => ({
    from: { unitId: guest.key, portId: guest.portId },
    via: [],
    to: { unitId: host.key, portId: host.portId },
    neededMm: null,
  }))
  const judge = (changed: LawCase) => {
    const input = readCase(changed)
    return assessSetup({ ...input, setup: { ...input.setup, links } }).findings
  }
  const before = judge(it)
  return {
    /** Findings of a code that weigh less, or more, in a changed case than in this one. */
    listMoved(changed: LawCase, code: FindingCode, isWorse: boolean): string[] {
      const after = judge(changed)
      const [from, to] = isWorse ? [after, before] : [before, after]
      const levels = new Map(to.map((own) => [own.key, own.level]))
      return from
        .filter((own) => own.code === code && ORDER.indexOf(levels.get(own.key) ?? 'ok') < ORDER.indexOf(own.level))
        .map((own) => `${code} ${own.level}, and ${levels.get(own.key) ?? 'nothing'}`)
    },
  }
}

const withItem = (it: LawCase, changed: CaseItem): LawCase => ({
  ...it,
  items: it.items.map((own) => (own.id === changed.id ? changed : own)),
})

/** As somebody looked everything up: with what is only usual it is a question whichever way it goes. */
const asRecorded = (it: LawCase): LawCase => ({
  ...it,
  items: it.items.map((item) => {
    const { usual: _usual, ...specs } = item.model.specs
    return { ...item, model: { ...item.model, specs } }
  }),
})
const listRecorded = () => listCases().map(asRecorded)

describe('law 17: monotone in the physics', () => {
  test(`more mass never eases a rating, on ${CASES} seeded setups`, () => {
    const broken = new Set<number>()
    const reasons = new Set<string>()
    for (const it of listRecorded()) {
      const held = hold(it)
      for (const item of it.items) {
        const { massGrams } = item.model.specs
        if (massGrams === null) continue
        const heavier = {
          ...item,
          model: { ...item.model, specs: { ...item.model.specs, massGrams: massGrams * 2 + 1 } },
        }
        const eased = held.listMoved(withItem(it, heavier), 'carried-load', false)
        if (eased.length === 0) continue
        broken.add(it.index)
        for (const why of eased) reasons.add(`${item.model.category}: ${why}`)
      }
    }
    expect(compareBreaches('law 17', [...broken]), [...reasons].join('\n')).toEqual({ fresh: [], mended: [] })
  })

  test(`a faster card never fails where a slower one passes, on ${CASES} seeded setups`, () => {
    const broken = new Set<number>()
    const reasons = new Set<string>()
    let tried = 0
    for (const it of listRecorded()) {
      for (const item of it.items) {
        const ratings = item.model.ports.filter((port) => port.rating?.quantity === 'cardMegabytesPerSecond')
        if (item.model.category !== 'card' || ratings.length === 0) continue
        tried++
        const ports = item.model.ports.map((port) =>
          port.rating?.quantity === 'cardMegabytesPerSecond'
            ? { ...port, rating: { ...port.rating, value: port.rating.value * 2 } }
            : port,
        )
        const faster = withItem(it, { ...item, model: { ...item.model, ports } })
        const worse = hold(it).listMoved(faster, 'card-slow', true)
        if (worse.length === 0) continue
        broken.add(it.index)
        for (const why of worse) reasons.add(why)
      }
    }
    expect(tried).toBeGreaterThan(20)
    expect(compareBreaches('law 17', [...broken]), [...reasons].join('\n')).toEqual({ fresh: [], mended: [] })
  })

  test('a longer lead, or a thinner one, never drops less; more load neither', () => {
    const sections = Object.keys(OHMS_PER_KILOMETRE).sort((a, b) => Number(a) - Number(b))
    const millimetres = fc.integer({ min: 1, max: 100_000 })
    const amps = fc.double({ min: 0, max: 16, noNaN: true })
    fc.assert(
      fc.property(millimetres, millimetres, amps, amps, fc.nat(sections.length - 2), (a, b, i, j, at) => {
        const [short, long] = [Math.min(a, b), Math.max(a, b)]
        const [less, more] = [Math.min(i, j), Math.max(i, j)]
        const drop = (mm: number, current: number, section = sections[at] ?? '1.5') =>
          computeVoltageDrop(mm, current, section) ?? Number.NaN
        expect(drop(long, less)).toBeGreaterThanOrEqual(drop(short, less))
        expect(drop(short, more)).toBeGreaterThanOrEqual(drop(short, less))
        expect(drop(short, less, sections[at + 1])).toBeLessThanOrEqual(drop(short, less))
      }),
    )
  })

  test('a dimmer lamp, a fresher pack or one more of them never empties sooner', () => {
    const milliwattHours = fc.integer({ min: 1_000, max: 300_000 })
    const milliwatts = fc.integer({ min: 100, max: 1_000_000 })
    const percent = fc.integer({ min: 1, max: 100 })
    fc.assert(
      fc.property(
        milliwattHours,
        milliwatts,
        milliwatts,
        percent,
        percent,
        fc.integer({ min: 1, max: 4 }),
        (wh, a, b, p, q, k) => {
          const run = (watts: number, health: number, packs: number) =>
            computeRuntimeMinutes(wh, packs, watts, health, 80)
          expect(run(Math.min(a, b), p, k)).toBeGreaterThanOrEqual(run(Math.max(a, b), p, k))
          expect(run(a, Math.max(p, q), k)).toBeGreaterThanOrEqual(run(a, Math.min(p, q), k))
          expect(run(a, p, k + 1)).toBeGreaterThanOrEqual(run(a, p, k))
        },
      ),
    )
  })
})
