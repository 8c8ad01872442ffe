import {
  AWAY_STAGES,
  ENDED_STAGES,
  findClaim,
  findDate,
  listNextStages,
  nameModel,
  REPAIR_STAGES,
  type Repair,
  type RepairChange,
} from '@exemplar/core'
import { and, asc, desc, eq, gte, isNull, or } from 'drizzle-orm'
import { refuseField, refuseMissing } from '../foundation/base/problem.ts'
import { requireVersion, type Writer, write } from '../foundation/database/app-context.ts'
import type { Database } from '../foundation/database/database.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { faults, incidentUnits, repairs } from '../schema/bench-tables.ts'
import { models, units } from '../schema/kit-tables.ts'
import { entries } from '../schema/ledger-tables.ts'
import { parties } from '../schema/studio-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { requireSafe } from './fault-writing.ts'

export const repairRoutes = [
  defineRoute('get /repairs', (_, { db, now }) => {
    const today = findDate(now(), loadStudio(db).zone)
    return { today, repairs: listRepairs(db, today) }
  }),
  defineRoute('post /units/:id/repairs', ({ params, body, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx, now, newId, log } = writer
      const unitId = params.id ?? ''
      const unit = tx.select().from(units).where(eq(units.id, unitId)).get()
      if (!unit) throw refuseMissing('thing')
      requireParty(writer, body.partyId)
      if (
        tx
          .select({ id: repairs.id })
          .from(repairs)
          .where(and(eq(repairs.unitId, unitId), isNull(repairs.endedOn)))
          .get()
      )
        throw refuseField('/unitId', 'It has a repair that goes on already.')
      const fault = body.faultId ? tx.select().from(faults).where(eq(faults.id, body.faultId)).get() : null
      if (body.faultId && fault?.unitId !== unitId) throw refuseField('/faultId', 'This thing has no such fault.')
      const { zone } = loadStudio(tx)
      const today = findDate(now, zone)
      const wasAccident = fault
        ? tx.select().from(incidentUnits).where(eq(incidentUnits.faultId, fault.id)).get() !== undefined
        : false
      const { claimBy } = findClaim(unit.provenance, fault ? findDate(fault.reportedAt, zone) : today, wasAccident)
      const row = tx
        .insert(repairs)
        .values({
          ...body,
          id: newId(),
          unitId,
          stage: 'asked',
          askedOn: today,
          claimBy: body.claim === 'own' ? null : claimBy,
        })
        .returning()
        .get()
      log('repaired', 'unit', unitId, { stage: 'asked', after: row })
      return row
    }),
  ),
  defineRoute('put /repairs/:id', ({ params, body, version, actor }, app) =>
    write(app, actor, (writer) => {
      const { tx, log } = writer
      const id = params.id ?? ''
      const before = requireVersion(tx.select().from(repairs).where(eq(repairs.id, id)).get(), version, 'repair')
      requireParty(writer, body.partyId)
      requireStep(before, body, findDate(writer.now, loadStudio(tx).zone))
      const { on, taxMinor, ...kept } = body
      if (body.stage !== before.stage) {
        takeStep(writer, before, body)
        if (body.stage === 'done' && (body.costMinor ?? 0) > 0) spend(writer, before, body)
      }
      log('repaired', 'unit', before.unitId, { stage: body.stage, before, after: body })
      return tx
        .update(repairs)
        .set({
          ...kept,
          sentOn: AWAY_STAGES.has(body.stage) ? (before.sentOn ?? on) : before.sentOn,
          backOn: body.stage === 'back' ? on : before.backOn,
          endedOn: ENDED_STAGES.has(body.stage) ? (before.endedOn ?? on) : null,
          version: before.version + 1,
        })
        .where(eq(repairs.id, id))
        .returning()
        .get()
    }),
  ),
]

function listRepairs(db: Database, today: string) {
  const yearAgo = `${Number(today.slice(0, 4)) - 1}${today.slice(4)}`
  const rows = db
    .select({
      repair: repairs,
      tag: units.tag,
      maker: models.maker,
      name: models.name,
      fault: faults.note,
      party: parties,
      provenance: units.provenance,
    })
    .from(repairs)
    .innerJoin(units, eq(units.id, repairs.unitId))
    .innerJoin(models, eq(models.id, units.modelId))
    .leftJoin(faults, eq(faults.id, repairs.faultId))
    .leftJoin(parties, eq(parties.id, repairs.partyId))
    .where(or(isNull(repairs.endedOn), gte(repairs.endedOn, yearAgo)))
    .orderBy(desc(isNull(repairs.endedOn)), desc(repairs.endedOn), asc(repairs.askedOn), asc(repairs.id))
    .limit(200)
    .all()
  return rows.map(({ repair, maker, name, party, provenance, ...it }) => ({
    ...repair,
    ...it,
    name: nameModel({ maker, name }),
    party: party?.name ?? null,
    contacts: party?.contacts ?? [],
    claimSteps: provenance.claimSteps,
  }))
}

function requireParty({ tx }: Writer, partyId: string | null): void {
  if (partyId && !tx.select({ id: parties.id }).from(parties).where(eq(parties.id, partyId)).get())
    throw refuseField('/partyId', 'There is no such repairer or vendor.')
}

function requireStep(
  before: Pick<Repair, 'stage' | 'askedOn' | 'sentOn'>,
  { stage, on, partyId }: RepairChange,
  today: string,
): void {
  if (stage !== before.stage && !listNextStages(before.stage).includes(stage))
    throw refuseField('/stage', `From “${REPAIR_STAGES[before.stage]}” it does not come to “${REPAIR_STAGES[stage]}”.`)
  if (on > today) throw refuseField('/on', 'This day is still to come.')
  const least = before.sentOn ?? before.askedOn
  if (on < least) throw refuseField('/on', `It was ${before.sentOn ? 'sent' : 'asked for'} on ${least}.`)
  if (AWAY_STAGES.has(stage) && partyId === null) throw refuseField('/partyId', 'Who has it?')
}

/** The thing leaves with its repair and comes back with it; its fault is mended when it was tried, and not before. */
function takeStep(writer: Writer, { unitId, faultId }: Pick<Repair, 'unitId' | 'faultId'>, change: RepairChange): void {
  const { tx, now, log } = writer
  const unit = tx.select().from(units).where(eq(units.id, unitId)).get()
  if (!unit) throw refuseMissing('thing')
  const fault = faultId ? tx.select().from(faults).where(eq(faults.id, faultId)).get() : null
  const state = findState(change.stage, unit.state, fault ? fault.severity === 'unusable' : unit.state === 'in-repair')
  const dueOn = AWAY_STAGES.has(change.stage) ? change.dueOn : null
  if (state !== unit.state || dueOn !== unit.dueOn) {
    tx.update(units)
      .set({ state, dueOn, version: unit.version + 1 })
      .where(eq(units.id, unitId))
      .run()
    if (state !== unit.state) log('state-changed', 'unit', unitId, { before: { state: unit.state }, after: { state } })
  }
  if (change.stage !== 'done' || !fault || fault.mendedAt !== null) return
  requireSafe(tx, fault, change.note)
  tx.update(faults)
    .set({ mendedAt: now, mendNote: change.note, version: fault.version + 1 })
    .where(eq(faults.id, fault.id))
    .run()
  log('fault-mended', 'unit', unitId, { faultId: fault.id, note: change.note })
}

type State = (typeof units.$inferSelect)['state']

function findState(stage: RepairChange['stage'], now: State, isUseless: boolean): State {
  if (AWAY_STAGES.has(stage)) return 'in-repair'
  if (stage === 'given-up') return isUseless ? 'retired' : now === 'in-repair' ? 'in-service' : now
  return now === 'in-repair' ? 'in-service' : now
}

/** What it cost stands in the ledger from then on. */
function spend({ tx, newId, log }: Writer, { unitId }: Pick<Repair, 'unitId'>, change: RepairChange): void {
  const row = tx
    .select({ tag: units.tag, category: models.category })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(eq(units.id, unitId))
    .get()
  if (!row) return
  const entry = tx
    .insert(entries)
    .values({
      id: newId(),
      date: change.on,
      kind: 'repair',
      category: row.category,
      description: `Repair of ${row.tag}`,
      netMinor: change.costMinor ?? 0,
      taxMinor: change.taxMinor ?? 0,
      partyId: change.partyId,
      unitId,
    })
    .returning()
    .get()
  log('spent', 'entry', entry.id, { after: entry })
}
