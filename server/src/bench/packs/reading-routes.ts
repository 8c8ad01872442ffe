import { findDate, judgeReading, type NewReading, nameModel, type Reading } from '@exemplar/core'
import { and, desc, eq } from 'drizzle-orm'
import { refuseField } from '../../foundation/base/problem.ts'
import { type Writer, write } from '../../foundation/database/app-context.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { readings, unitUses } from '../../schema/bench-tables.ts'
import { models, units } from '../../schema/kit-tables.ts'
import { requirePast } from '../../studio/settings/past.ts'
import { loadStudio } from '../../studio/settings/settings-routes.ts'
import { loadCapacityRuns, recordCapacity } from './capacity-writing.ts'

const MOST_SHOWN = 100

export const readingRoutes = [
  defineRoute('post /units/:id/capacity', ({ params, body, actor }, app) =>
    write(app, actor, (writer) => {
      requirePast(writer, body.on)
      return recordCapacity(writer, params.id ?? '', body, 'run')
    }),
  ),
  defineRoute('get /readings', (_, { db }) =>
    db
      .select({ reading: readings, tag: units.tag, maker: models.maker, name: models.name })
      .from(readings)
      .innerJoin(units, eq(units.id, readings.unitId))
      .innerJoin(models, eq(models.id, units.modelId))
      .orderBy(desc(readings.receivedAt), desc(readings.id))
      .limit(MOST_SHOWN)
      .all()
      .map(({ reading: { receivedAt: _, ...it }, tag, maker, name }) => ({
        ...it,
        tag,
        name: nameModel({ maker, name }),
      })),
  ),
  defineRoute('post /readings', ({ body, actor }, app) => write(app, actor, (writer) => takeReading(writer, body))),
]

/** Takes a reading in: once, however often it comes, and only what it can mean. What became of it is kept with it. */
function takeReading(writer: Writer, { deviceId, number, tag, at, reading }: NewReading) {
  const { tx, now, newId, log } = writer
  const row = tx
    .select({ unit: units, model: models })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(eq(units.tag, tag))
    .get()
  if (!row) throw refuseField('/tag', 'No thing has this tag.')
  const { unit, model } = row
  const isSame = and(eq(readings.deviceId, deviceId), eq(readings.number, number), eq(readings.unitId, unit.id))
  const known = tx.select().from(readings).where(isSame).get()
  if (known) return { outcome: known.outcome, isKnown: true }
  if (reading.kind === 'charger' && model.category !== 'pack')
    throw refuseField('/tag', 'A charger tells of packs, and this is none.')
  const own = and(eq(readings.unitId, unit.id), eq(readings.outcome, 'taken'))
  const newest = tx.select().from(readings).where(own).orderBy(desc(readings.at)).limit(1).get()
  const ofDevice = and(own, eq(readings.deviceId, deviceId))
  const last = tx.select().from(readings).where(ofDevice).orderBy(desc(readings.at)).limit(1).get()?.told
  const outcome = judgeReading(reading, {
    at,
    now,
    newestAt: newest?.at ?? null,
    ratedMilliwattHours: model.specs.energyMilliwattHours,
    knownCycles: loadCapacityRuns(tx, unit.id).reduce<number | null>(
      (most, { cycles }) => (cycles === null ? most : Math.max(most ?? 0, cycles)),
      null,
    ),
  })
  tx.insert(readings)
    .values({ id: newId(), deviceId, number, unitId: unit.id, at, receivedAt: now, told: reading, outcome })
    .run()
  log('measured', 'unit', unit.id, { reading, outcome })
  if (outcome === 'taken') heed(writer, unit, reading, at, last?.kind === 'socket' ? last.onSeconds : null)
  return { outcome, isKnown: false }
}

/** What a reading that counts changes: charge and health of a pack, hours of what is on a socket. */
function heed(
  writer: Writer,
  unit: { id: string; version: number },
  reading: Reading,
  at: number,
  lastOnSeconds: number | null,
): void {
  const { tx, log } = writer
  const on = findDate(at, loadStudio(tx).zone)
  if (reading.kind === 'socket') {
    addHours(writer, unit.id, on, reading.onSeconds, lastOnSeconds)
    return
  }
  if (reading.state === 'full' && reading.milliwattHours !== null) {
    const { milliwattHours, cycles } = reading
    recordCapacity(writer, unit.id, { on, milliwattHours, cycles, note: '' }, 'charger')
  }
  if (reading.state !== 'full') return
  const fresh = tx.select().from(units).where(eq(units.id, unit.id)).get()
  if (!fresh || (fresh.charge !== null && fresh.charge.on > on)) return
  tx.update(units)
    .set({ charge: { state: 'full', on }, version: fresh.version + 1 })
    .where(eq(units.id, unit.id))
    .run()
  log('charged', 'unit', unit.id, { state: 'full', on })
}

const BY_SOCKET = 'Told by its socket'

/** One line a day: what the socket counts since it was plugged in grows, and begins anew when it is unplugged. */
function addHours(
  { tx, now, newId }: Writer,
  unitId: string,
  on: string,
  onSeconds: number,
  last: number | null,
): void {
  const isSamePlug = last !== null && onSeconds >= last
  const hours = (isSamePlug ? onSeconds - last : onSeconds) / 3600
  const isDay = and(eq(unitUses.unitId, unitId), eq(unitUses.on, on), eq(unitUses.note, BY_SOCKET))
  const day = tx.select().from(unitUses).where(isDay).get()
  if (day) {
    tx.update(unitUses)
      .set({ hours: day.hours + hours, uses: day.uses + (isSamePlug ? 0 : 1) })
      .where(eq(unitUses.id, day.id))
      .run()
  } else if (hours > 0) {
    const uses = isSamePlug ? 0 : 1
    tx.insert(unitUses).values({ id: newId(), unitId, on, uses, hours, note: BY_SOCKET, recordedAt: now }).run()
  }
}
