import { addDays, findInstant, isPlanFor, listUsualPlans, type Model, type Unit } from '@exemplar/core'
import type { Writer } from '../foundation/database/app-context.ts'
import { incidents, incidentUnits, servicePlans, services } from '../schema/bench-tables.ts'

/** Which of the usual plans Larkmoor took on. */
const TAKEN = new Set([
  'Clean glass and contacts',
  'Clean, and look over the lead',
  'Clean and listen',
  'Adjust springs and knobs',
  'Calibrate the screen',
])

/** So many days ago a thing was seen to, one after the other; a few a little too long ago. */
const DAYS_AGO = [20, 34, 48, 61, 75, 90, 104, 118, 132, 178]

/** The plans of the studio, with what was done by them. */
export function fillServices(
  { tx, log }: Writer,
  today: string,
  zone: string,
  things: readonly { unit: Pick<Unit, 'id' | 'modelId'>; model: Pick<Model, 'category'> }[],
): void {
  const kinds = [...new Set(things.map((it) => it.model.category))]
  const plans = listUsualPlans(kinds, []).filter((it) => TAKEN.has(it.name))
  for (const [at, plan] of plans.entries()) {
    const id = `plan-${at + 1}`
    tx.insert(servicePlans)
      .values({ ...plan, id, graceDays: 14 })
      .run()
    log('created', 'service-plan', id, { after: { ...plan, id } })
    const own = things.filter(({ unit, model }) => isPlanFor(plan, unit, model))
    for (const [index, { unit }] of own.entries()) {
      const on = addDays(today, -(DAYS_AGO[(index + 3 * at) % DAYS_AGO.length] ?? 30))
      tx.insert(services)
        .values({
          id: `${id}-${unit.id}`,
          unitId: unit.id,
          planId: id,
          on,
          note: plan.name === 'Calibrate the screen' ? 'white 6480 K, largest error 1.6' : '',
          recordedAt: findInstant(`${on}T17:30`, zone).epochMs,
          personId: null,
        })
        .run()
    }
  }
}

/** What went wrong at Larkmoor, and what is done otherwise since. */
export function fillIncidents({ tx, log }: Writer, today: string): void {
  const row = {
    id: 'i-wind',
    on: addDays(today, -34),
    what: 'A gust took the gimbal off the wall it was put down on',
    cause: 'put down upright while the sound was set',
    saved: 'the strap around the wrist',
    lesson: 'Gimbal lies down, or somebody holds it',
    lessonFor: { kind: 'category' as const, category: 'gimbal' as const },
    personId: null,
  }
  tx.insert(incidents).values(row).run()
  tx.insert(incidentUnits).values({ incidentId: row.id, unitId: 'GIM-01', faultId: null }).run()
  log('created', 'incident', row.id, { after: row })
  log('hit', 'unit', 'GIM-01', { what: row.what, on: row.on })
}
