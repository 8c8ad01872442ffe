import { addDays, NO_SUPPLY, type Supply } from '@exemplar/core'
import type { Writer } from '../foundation/database/app-context.ts'
import { capacityRuns, repairs } from '../schema/bench-tables.ts'

/** How more of what Larkmoor uses up is come by. */
export const DEMO_SUPPLIES: Readonly<Record<string, Supply>> = {
  'CEL-01': { ...NO_SUPPLY, perUse: 4, leadDays: 3, source: 'Sedge & Sons, the village', secondSource: 'by post' },
  'CON-01': { ...NO_SUPPLY, perUse: 0.2, leadDays: 6, source: 'by post' },
}

/** Per cent of its rating that a pack gave after so many charges, so many days ago. */
const MEASURED: readonly (readonly [pack: string, daysAgo: number, cycles: number, percent: number])[] = [
  ['PAK-A1', 560, 4, 99],
  ['PAK-A1', 420, 61, 96],
  ['PAK-A1', 260, 128, 92],
  ['PAK-A1', 120, 190, 87],
  ['PAK-A1', 14, 236, 82],
  ['PAK-A2', 400, 70, 95],
  ['PAK-A2', 200, 160, 90],
  ['PAK-A2', 20, 240, 85],
]
const RATED_MILLIWATT_HOURS = 48_000

/** What was measured of packs, and what is out to be mended. */
export function fillWear({ tx, log, now }: Writer, today: string): void {
  for (const [at, [unitId, daysAgo, cycles, percent]] of MEASURED.entries()) {
    const run = {
      id: `run-${at + 1}`,
      unitId,
      on: addDays(today, -daysAgo),
      milliwattHours: (RATED_MILLIWATT_HOURS * percent) / 100,
      cycles,
      source: 'charger' as const,
      note: '',
    }
    tx.insert(capacityRuns)
      .values({ ...run, recordedAt: now })
      .run()
    log('measured', 'unit', unitId, { after: run })
  }
  const repair = {
    id: 'repair-zoom',
    unitId: 'LEN-05',
    stage: 'mending' as const,
    claim: 'own' as const,
    partyId: 'repairer',
    reference: 'FR-2218',
    askedOn: addDays(today, -19),
    sentOn: addDays(today, -18),
    dueOn: addDays(today, 12),
    quoteMinor: 4_000,
    note: 'Zoom sticks at the long end',
  }
  tx.insert(repairs).values(repair).run()
  log('repaired', 'unit', 'LEN-05', { stage: 'mending', after: repair })
}
