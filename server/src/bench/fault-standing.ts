import {
  addDays,
  countDays,
  findBudgetEffect,
  findClaim,
  findDate,
  judgeMending,
  NO_PROVENANCE,
  type Severity,
} from '@exemplar/core'
import { and, gte, inArray, isNotNull } from 'drizzle-orm'
import { isAnyOf } from '../availability/holdings.ts'
import type { Database } from '../foundation/database/database.ts'
import { faults, incidentUnits } from '../schema/bench-tables.ts'
import { units } from '../schema/kit-tables.ts'
import { entries } from '../schema/ledger-tables.ts'
import { loadUseLog, reckonWear } from './wear.ts'

interface OpenFault {
  id: string
  unitId: string
  severity: Severity
  reportedAt: number
  workAroundMinutes: number | null
}

/** Repairs of two years count against a new one. */
const REPAIR_DAYS = 730

/** How long faults stand open, how often their things failed within a year, what getting along cost, and whether to mend or replace. */
export function makeFaultStanding(db: Database, open: readonly OpenFault[], now: number, zone: string) {
  const today = findDate(now, zone)
  const ids = [...new Set(open.map((it) => it.unitId))]
  const log = loadUseLog(db, ids, now, zone)
  const inYear = groupBy(
    db
      .select({ unitId: faults.unitId, severity: faults.severity })
      .from(faults)
      .where(and(isAnyOf(faults.unitId, ids), gte(faults.reportedAt, now - YEAR_MS)))
      .all(),
  )
  const repairs = groupBy(
    db
      .select()
      .from(entries)
      .where(
        and(
          isAnyOf(entries.unitId, ids),
          inArray(entries.kind, ['repair', 'service', 'refund']),
          gte(entries.date, addDays(today, -REPAIR_DAYS)),
        ),
      )
      .all()
      // What came back of a repair that counts, and nothing else that came back.
      .filter((it, _, all) => it.kind !== 'refund' || all.some(({ id }) => id === it.refundOfId))
      .flatMap(({ unitId, ...it }) => (unitId === null ? [] : [{ unitId, minor: findBudgetEffect(it) }])),
  )
  const papers = new Map(
    db
      .select({ id: units.id, priceMinor: units.priceMinor, provenance: units.provenance })
      .from(units)
      .where(isAnyOf(units.id, ids))
      .all()
      .map((it) => [it.id, it]),
  )
  const accidents = new Set(
    db
      .select({ faultId: incidentUnits.faultId })
      .from(incidentUnits)
      .where(isNotNull(incidentUnits.faultId))
      .all()
      .map((it) => it.faultId),
  )
  return ({ id, unitId, reportedAt, workAroundMinutes }: OpenFault) => {
    const severities = (inYear.get(unitId) ?? []).map((it) => it.severity)
    const repairMinor = (repairs.get(unitId) ?? []).reduce((sum, it) => sum + it.minor, 0)
    const own = papers.get(unitId)
    const newMinor = own?.provenance.replacementMinor ?? own?.priceMinor ?? null
    const { claim, claimBy, isSure } = findClaim(
      own?.provenance ?? NO_PROVENANCE,
      findDate(reportedAt, zone),
      accidents.has(id),
    )
    const { uses } = reckonWear(log, unitId, reportedAt, null, today)
    return {
      timesInYear: severities.filter((it) => it !== 'cosmetic').length,
      days: Math.max(0, countDays(findDate(reportedAt, zone), today)),
      usesSince: uses,
      lostMinutes: workAroundMinutes === null ? null : workAroundMinutes * uses,
      advice: judgeMending({ inYear: severities, repairMinor, newMinor }),
      repairMinor,
      newMinor,
      claim,
      claimBy,
      isClaimSure: isSure,
      claimSteps: own?.provenance.claimSteps ?? '',
    }
  }
}

const YEAR_MS = 365 * 86_400_000

function groupBy<T extends { unitId: string }>(rows: readonly T[]): Map<string, T[]> {
  const found = new Map<string, T[]>()
  for (const it of rows) found.set(it.unitId, [...(found.get(it.unitId) ?? []), it])
  return found
}
