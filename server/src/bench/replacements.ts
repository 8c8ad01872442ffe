import { findDate, nameModel, type ReplacementReason } from '@exemplar/core'
import { and, eq, isNull, notInArray } from 'drizzle-orm'
import type { Database } from '../foundation/database/database.ts'
import { models, units } from '../schema/kit-tables.ts'
import { shoppingLines } from '../schema/ledger-tables.ts'
import type { listFaults } from './open-faults.ts'

/** A pack at so much of its energy is at its end. Common practice of makers. */
const SPENT_PERCENT = 80

type Fault = ReturnType<typeof listFaults>[number]

/** What is due for replacement, each with why, and why it is kept all the same where somebody said so. */
export function listReplacements(db: Database, faults: readonly Fault[], now: number, zone: string) {
  const today = findDate(now, zone)
  const rows = db
    .select({ unit: units, model: models })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(
      and(
        isNull(units.archivedAt),
        notInArray(units.state, ['wished', 'ordered', 'sold', 'returned', 'lost', 'written-off']),
      ),
    )
    .orderBy(units.tag)
    .all()
  const wished = db
    .select({ reason: shoppingLines.reason })
    .from(shoppingLines)
    .where(isNull(shoppingLines.boughtAt))
    .all()
  return rows.flatMap(({ unit, model }) => {
    const found = findReason(
      faults.filter((it) => it.unitId === unit.id),
      model.category === 'pack' ? unit.healthPercent : null,
    )
    const { keptBecause, keptUntil, replacementMinor } = unit.provenance
    if (!found) return []
    return [
      {
        unitId: unit.id,
        tag: unit.tag,
        name: nameModel(model),
        ...found,
        newMinor: replacementMinor ?? unit.priceMinor,
        keptBecause,
        keptUntil,
        isKept: keptBecause !== '' && (keptUntil === null || keptUntil >= today),
        isPlanned: wished.some((it) => it.reason.startsWith(`${unit.tag}:`)),
      },
    ]
  })
}

function findReason(
  faults: readonly Fault[],
  healthPercent: number | null,
): { why: ReplacementReason; note: string } | null {
  const worst = faults.find((it) => it.advice === 'replace-faults' || it.advice === 'replace-cost')
  if (worst) return { why: worst.advice === 'replace-faults' ? 'faults' : 'repairs', note: worst.note }
  if (healthPercent !== null && healthPercent <= SPENT_PERCENT)
    return { why: 'spent', note: `${healthPercent} % of its energy is left` }
  const symptom = faults.find((it) => it.severity === 'symptom')
  return symptom ? { why: 'symptom', note: symptom.note } : null
}
