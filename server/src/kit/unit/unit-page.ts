import {
  findDate,
  forecastSpace,
  isKindOf,
  judgeSoftware,
  LIFE_STATES,
  listMissingParts,
  listWithParts,
  type Machine,
  type Model,
  nameModel,
  RECORDABLE,
  type SoftwareFinding,
  sayDisclosure,
  scoreRecorded,
  type Unit,
  type UnitReply,
} from '@exemplar/core'
import { and, desc, eq, inArray, isNull, like } from 'drizzle-orm'
import { refuseMissing } from '../../foundation/base/problem.ts'
import type { AppContext } from '../../foundation/database/app-context.ts'
import type { Database } from '../../foundation/database/database.ts'
import { faults } from '../../schema/bench-tables.ts'
import { controls, models, units } from '../../schema/kit-tables.ts'
import { entries, shoppingLines } from '../../schema/ledger-tables.ts'
import { attachments, parties, people, places } from '../../schema/studio-tables.ts'
import { loadStudio } from '../../studio/settings/settings-routes.ts'
import { loadUsedIn } from './unit-list.ts'

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
  const controllerIds = db
    .select()
    .from(controls)
    .where(eq(controls.controlledId, unit.id))
    .all()
    .map((it) => it.controllerId)
  const controlledIds = db
    .select()
    .from(controls)
    .where(eq(controls.controllerId, unit.id))
    .all()
    .map((it) => it.controlledId)
  const own = ofIds(ids)
  // What controls it from elsewhere is told with its parts, and is missed like one.
  const others = ofIds(controllerIds.filter((it) => !ids.includes(it))).filter((it) => it.unit.archivedAt === null)
  const parts = [
    ...own,
    ...others.map((it) => ({ ...it, unit: { ...it.unit, parentId: unit.id, bond: 'controller' as const } })),
  ]
  const unusable = db
    .select({ unitId: faults.unitId })
    .from(faults)
    .where(
      and(inArray(faults.unitId, [...ids, ...controllerIds]), isNull(faults.mendedAt), eq(faults.severity, 'unusable')),
    )
    .all()
  const missing = listMissingParts(
    unit.id,
    parts.map((it) => it.unit),
    new Set(unusable.map((it) => it.unitId)),
  )
  const [parent] = unit.parentId ? ofIds([unit.parentId]) : []
  return {
    controls: ofIds(controlledIds)
      .filter((it) => it.unit.archivedAt === null)
      .map(({ unit: it, model }) => ({ id: it.id, tag: it.tag, name: nameModel(model) })),
    parent: parent ? { id: parent.unit.id, tag: parent.unit.tag, name: nameModel(parent.model) } : null,
    parts: parts.map(({ unit: it, model, place }) => ({
      id: it.id,
      tag: it.tag,
      name: nameModel(model),
      bond: it.bond,
      isElsewhere: controllerIds.includes(it.id) && !ids.includes(it.id),
      state: LIFE_STATES[it.state].label,
      place,
      isMissing: missing.some((lost) => lost.id === it.id),
      massGrams: model.specs.massGrams,
      version: it.version,
    })),
  }
}

/** What is wrong with the programs of a thing, and with those that run on it. */
function judgeAllSoftware(db: Database, unit: typeof units.$inferSelect, model: Model): SoftwareFinding[] {
  const machineOf = (id: string | null): Machine | null => {
    const row = id
      ? db
          .select({ tag: units.tag, specs: models.specs })
          .from(units)
          .innerJoin(models, eq(models.id, units.modelId))
          .where(eq(units.id, id))
          .get()
      : undefined
    return row ? { tag: row.tag, more: row.specs.more } : null
  }
  const own = { tag: unit.tag, more: model.specs.more }
  // What is written down on the page of a computer, and on no other, runs on that computer.
  const runsIt = isKindOf(model.category, 'computer') ? own : null
  const findings = unit.software.flatMap((it) =>
    judgeSoftware(it, own, it.onUnitId === null && it.where === '' ? runsIt : machineOf(it.onUnitId)),
  )
  const guests = db
    .select({ unit: units, specs: models.specs })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(and(isNull(units.archivedAt), like(units.software, `%${JSON.stringify(unit.id)}%`)))
    .all()
  const ofGuests = guests.flatMap(({ unit: guest, specs }) =>
    guest.software
      .filter((it) => it.onUnitId === unit.id && guest.id !== unit.id)
      .flatMap((it) => judgeSoftware(it, { tag: guest.tag, more: specs.more }, own)),
  )
  return [...findings, ...ofGuests]
}

export function loadUnitPage(app: AppContext, id: string) {
  const { db } = app
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
  const { zone } = loadStudio(db)
  const capacity = model.specs.capacityMegabytes
  const successor = model.successorId ? db.select().from(models).where(eq(models.id, model.successorId)).get() : null
  return {
    ...row,
    version: unit.version,
    name: nameModel(model),
    nowPlace: nowPlace?.name ?? null,
    recorded: { percent: recorded.percent, missing: recorded.missing.map((it) => RECORDABLE[it]) },
    disclosure: sayDisclosure(unit, { name: nameModel(model), giver: row.party, on: findDate(app.now(), zone) }),
    remake: findRemake(db, unit, model),
    askedFor: db
      .select({ id: shoppingLines.id, item: shoppingLines.item, reason: shoppingLines.reason })
      .from(shoppingLines)
      .where(and(eq(shoppingLines.partOfId, model.id), isNull(shoppingLines.boughtAt)))
      .orderBy(shoppingLines.id)
      .all(),
    successor: successor ? nameModel(successor) : null,
    space: capacity === null ? null : forecastSpace(capacity, unit.fills, findDate(app.now(), zone)),
    software: judgeAllSoftware(db, unit, model),
    ...loadKin(db, unit),
    usedIn: loadUsedIn(db, [id]).get(id) ?? [],
    faults: db.select().from(faults).where(eq(faults.unitId, id)).orderBy(desc(faults.reportedAt)).all(),
    entries: db.select().from(entries).where(eq(entries.unitId, id)).orderBy(desc(entries.date)).all(),
  }
}

/** Another of what was made by hand is made, not bought: that wants its drawing, a link or a paper on its page. */
function findRemake(db: Database, unit: Unit, model: Pick<Model, 'link'>): UnitReply['remake'] {
  if (unit.acquisition !== 'hand-made') return null
  const paper = db
    .select({ id: attachments.id })
    .from(attachments)
    .where(
      and(
        eq(attachments.subjectType, 'unit'),
        eq(attachments.subjectId, unit.id),
        eq(attachments.mime, 'application/pdf'),
        isNull(attachments.archivedAt),
      ),
    )
    .get()
  return model.link !== '' || paper ? 'from-drawing' : 'no-drawing'
}
