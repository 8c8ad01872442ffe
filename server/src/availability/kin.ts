import type { Model, Unit } from '@exemplar/core'
import { and, eq, isNull, or } from 'drizzle-orm'
import { controls, models, units } from '../schema/kit-tables.ts'
import { isAnyOf } from './holdings.ts'
import type { Reader } from './reference.ts'

/**
 * What goes with some things, with its model: its parts and the rest of its set, and whatever controls it as if it were a part of
 * it, once for each thing that it controls.
 */
export function loadKinWithModels(db: Reader, unitIds: readonly string[]): { unit: Unit; model: Model }[] {
  if (unitIds.length === 0) return []
  const rows = db
    .select({ unit: units, model: models, controlledId: controls.controlledId })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .leftJoin(controls, eq(controls.controllerId, units.id))
    .where(and(or(isAnyOf(units.parentId, unitIds), isAnyOf(controls.controlledId, unitIds)), isNull(units.archivedAt)))
    .orderBy(units.tag)
    .all()
  const wanted = new Set(unitIds)
  const parts = new Map(rows.flatMap((it) => (wanted.has(it.unit.parentId ?? '') ? [[it.unit.id, it] as const] : [])))
  return [
    ...[...parts.values()].map(({ unit, model }) => ({ unit, model })),
    ...rows.flatMap(({ unit, model, controlledId }) =>
      controlledId !== null && wanted.has(controlledId)
        ? [{ unit: { ...unit, parentId: controlledId, bond: 'controller' as const }, model }]
        : [],
    ),
  ]
}
