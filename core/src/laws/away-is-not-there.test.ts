import { describe, expect, test } from 'vitest'
import type { Absence } from '../kit/unit/absence.ts'
import { LIFE_STATE_CODES, LIFE_STATES } from '../kit/unit/unit.ts'
import type { AssessmentInput } from '../setups/placed/assessment-input.ts'
import { assessSetup } from '../setups/verdict/readiness.ts'
import { compareBreaches } from './known-breaches.fixture.ts'
import { CASES, type LawCase, listCases, readCase } from './law-cases.fixture.ts'

/** Every reason for which a single thing is not to be had, in turn. */
const ABSENCES: readonly Absence[] = [
  ...LIFE_STATE_CODES.filter((it) => !LIFE_STATES[it].usable).map(
    (state): Absence => ({ reason: 'state', state, backOn: null }),
  ),
  { reason: 'fault', faultId: 'f', note: 'dead', since: '2026-11-01' },
  { reason: 'goes-back', dueOn: '2026-11-01', neededUntil: '2026-11-02' },
  { reason: 'booked', bookingId: 'b', title: 'Bog walk', start: 0, end: 1 },
  { reason: 'late', bookingId: 'b', title: 'Bog walk', since: 0 },
]

const without = (it: LawCase, id: string): LawCase => ({ ...it, items: it.items.filter((own) => own.id !== id) })

/** What is joined and summed: everything of a verdict that speaks of things which are there. */
function measure(input: AssessmentInput) {
  const { joints, workings, cameras } = assessSetup(input)
  return { joints, workings, cameras }
}

describe('law 3: away is not there', () => {
  test(`what is away joins nothing and enters no sum, whatever keeps it, on ${CASES} seeded setups`, () => {
    const broken = new Set<number>()
    const reasons = new Set<string>()
    const reached = new Set<string>()
    for (const it of listCases()) {
      for (const [at, item] of it.items.entries()) {
        const absence = ABSENCES[(it.index + at) % ABSENCES.length] as Absence
        reached.add(absence.reason === 'state' ? absence.state : absence.reason)
        const whole = readCase(it)
        const away = { ...whole, absences: new Map([[item.id, absence]]) }
        const told = assessSetup(away).findings.filter((own) => own.code === 'thing-absent')
        const isTold = told.length === 1 && told.every((own) => 'unitId' in own && own.unitId === item.id)
        const isSame = JSON.stringify(measure(away)) === JSON.stringify(measure(readCase(without(it, item.id))))
        if (isTold && isSame) continue
        broken.add(it.index)
        reasons.add(`${item.model.category}, ${absence.reason}: ${isTold ? 'counted' : 'not told once'}`)
      }
    }
    // Each reason was met, those that come with later releases too.
    expect([...reached].sort()).toEqual(
      [...new Set(ABSENCES.map((own) => (own.reason === 'state' ? own.state : own.reason)))].sort(),
    )
    expect(compareBreaches('law 3', [...broken]), [...reasons].join('\n')).toEqual({ fresh: [], mended: [] })
  })

  test(`of a stock of which none is left nothing is joined or summed either, on ${CASES} seeded setups`, () => {
    const broken = new Set<number>()
    const reasons = new Set<string>()
    for (const it of listCases()) {
      const item = it.items[it.index % it.items.length]
      if (!item) continue
      const whole = readCase(it, (own) => own === item)
      const away = { ...whole, freeStock: new Map([[item.id, 0]]) }
      const isTold = assessSetup(away).findings.some((own) => own.code === 'stock-short')
      const isSame = JSON.stringify(measure(away)) === JSON.stringify(measure(readCase(without(it, item.id))))
      if (isTold && isSame) continue
      broken.add(it.index)
      reasons.add(`${item.model.category}: ${isTold ? 'counted' : 'not told'}`)
    }
    expect(compareBreaches('law 3', [...broken]), [...reasons].join('\n')).toEqual({ fresh: [], mended: [] })
  })
})
