import type { Unit, Wear } from '@exemplar/core'
import { and, asc, eq, sql } from 'drizzle-orm'
import { isAnyOf } from '../../availability/holdings.ts'
import type { Database } from '../../foundation/database/database.ts'
import { capacityRuns } from '../../schema/bench-tables.ts'
import { events } from '../../schema/studio-tables.ts'
import { eventStands } from '../../studio/history/undo.ts'

type Charges = Pick<Wear, 'cycles' | 'healthPercent'>
/** What came after a service of a thing: charges, and its health where that was measured since. */
export type ChargesOf = (
  unit: Pick<Unit, 'id' | 'healthPercent'>,
  since: { on: string; since: number } | null,
) => Charges

export const NO_CHARGES: ChargesOf = () => ({ cycles: 0, healthPercent: null })

/**
 * How often things were charged: as often as somebody or something said so, or by what was counted at measurements, whichever is
 * more, as nobody says each time. What was measured before a service says nothing after it.
 */
export function loadCharges(db: Database, unitIds: readonly string[]): ChargesOf {
  const said = new Map<string, number[]>()
  const charged = db
    .select({ unitId: events.subjectId, at: events.at })
    .from(events)
    .where(
      and(
        eq(events.subjectType, 'unit'),
        isAnyOf(events.subjectId, unitIds),
        eq(events.kind, 'charged'),
        sql`json_extract(${events.data}, '$.state') = 'full'`,
        eventStands,
      ),
    )
    .all()
  for (const { unitId, at } of charged) said.set(unitId, [...(said.get(unitId) ?? []), at])
  const runs = new Map<string, { on: string; cycles: number | null; recordedAt: number }[]>()
  const measured = db
    .select()
    .from(capacityRuns)
    .where(isAnyOf(capacityRuns.unitId, unitIds))
    .orderBy(asc(capacityRuns.on))
  for (const { unitId, ...run } of measured.all()) runs.set(unitId, [...(runs.get(unitId) ?? []), run])
  return (unit, since) => {
    const own = runs.get(unit.id) ?? []
    const counted = own.flatMap((it) => (it.cycles === null ? [] : [{ on: it.on, cycles: it.cycles }]))
    const before = since === null ? 0 : (counted.findLast((it) => it.on <= since.on)?.cycles ?? null)
    const latest = counted.at(-1)?.cycles ?? null
    const byCount = before === null || latest === null ? 0 : latest - before
    const bySaid = (said.get(unit.id) ?? []).filter((at) => since === null || at > since.since).length
    const isMeasuredSince = since === null || own.some((it) => it.on > since.on || it.recordedAt > since.since)
    return { cycles: Math.max(bySaid, byCount), healthPercent: isMeasuredSince ? unit.healthPercent : null }
  }
}
