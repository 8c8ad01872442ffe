import {
  LIFE_STATES,
  listMissingParts,
  listWithParts,
  nameModel,
  RECORDABLE,
  sayDisclosure,
  scoreRecorded,
} from '@exemplar/core'
import { and, desc, eq, inArray, isNull } from 'drizzle-orm'
import { faults } from '../bench/tables.ts'
import type { Database } from '../foundation/database.ts'
import type { House } from '../foundation/house.ts'
import { refuseMissing } from '../foundation/problem.ts'
import { entries } from '../ledger/tables.ts'
import { attachments, parties, people, places } from '../studio/tables.ts'
import { models, units } from './tables.ts'
import { loadServes } from './unit-list.ts'

/** What goes with a thing: its parts, the rest of its set, and what it goes with itself. */
function loadKin(db: Database, unit: typeof units.$inferSelect) {
  const kin = db
    .select({ id: units.id, parentId: units.parentId })
    .from(units)
    .where(isNull(units.archivedAt))
    .all()
    .filter((it) => it.parentId !== null)
  const ids = listWithParts(unit.id, kin).slice(1)
  const ofIds = (wanted: string[]) =>
    db
      .select({ unit: units, model: models, place: places.name })
      .from(units)
      .innerJoin(models, eq(models.id, units.modelId))
      .leftJoin(places, eq(places.id, units.placeId))
      .where(inArray(units.id, wanted))
      .orderBy(units.tag)
      .all()
  const parts = ofIds(ids)
  const unusable = db
    .select({ unitId: faults.unitId })
    .from(faults)
    .where(and(inArray(faults.unitId, ids), isNull(faults.mendedAt), eq(faults.severity, 'unusable')))
    .all()
  const missing = listMissingParts(
    unit.id,
    parts.map((it) => it.unit),
    new Set(unusable.map((it) => it.unitId)),
  )
  const [parent] = unit.parentId ? ofIds([unit.parentId]) : []
  return {
    parent: parent ? { id: parent.unit.id, tag: parent.unit.tag, name: nameModel(parent.model) } : null,
    parts: parts.map(({ unit: it, model, place }) => ({
      id: it.id,
      tag: it.tag,
      name: nameModel(model),
      bond: it.bond,
      state: LIFE_STATES[it.state].label,
      place,
      isMissing: missing.some((lost) => lost.id === it.id),
      massGrams: model.specs.massGrams,
      version: it.version,
    })),
  }
}

export function loadUnitPage(house: House, id: string) {
  const { db } = house
  const row = db
    .select({ unit: units, model: models, place: places.name, party: parties.name, owner: people.name })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .leftJoin(places, eq(places.id, units.placeId))
    .leftJoin(parties, eq(parties.id, units.partyId))
    .leftJoin(people, eq(people.id, units.ownerId))
    .where(eq(units.id, id))
    .get()
  if (!row) throw refuseMissing('thing')
  const { unit, model } = row
  const nowPlace = unit.nowPlaceId ? db.select().from(places).where(eq(places.id, unit.nowPlaceId)).get() : null
  const photo = db
    .select({ id: attachments.id })
    .from(attachments)
    .where(and(eq(attachments.subjectType, 'unit'), eq(attachments.subjectId, id), isNull(attachments.archivedAt)))
    .get()
  const recorded = scoreRecorded(unit, model, photo !== undefined)
  const successor = model.successorId ? db.select().from(models).where(eq(models.id, model.successorId)).get() : null
  return {
    ...row,
    version: unit.version,
    name: nameModel(model),
    nowPlace: nowPlace?.name ?? null,
    recorded: { percent: recorded.percent, missing: recorded.missing.map((it) => RECORDABLE[it]) },
    disclosure: sayDisclosure(unit, nameModel(model), row.party),
    successor: successor ? nameModel(successor) : null,
    ...loadKin(db, unit),
    serves: loadServes(db, [id]).get(id) ?? [],
    faults: db.select().from(faults).where(eq(faults.unitId, id)).orderBy(desc(faults.reportedAt)).all(),
    entries: db.select().from(entries).where(eq(entries.unitId, id)).orderBy(desc(entries.date)).all(),
  }
}
