import type { ChangeSubject } from '@exemplar/core'
import { eq } from 'drizzle-orm'
import type { TrackedTable } from '../../foundation/database/change-capture.ts'
import type { Database } from '../../foundation/database/database.ts'
import { rowChanges } from '../../schema/studio-tables.ts'

/** What pages call the subject of each table that is tracked row by row. */
export const SUBJECT_OF: Readonly<Record<TrackedTable, ChangeSubject>> = {
  studio: 'studio',
  people: 'people',
  parties: 'parties',
  places: 'places',
  films: 'films',
  attachments: 'attachments',
  interfaces: 'interfaces',
  models: 'models',
  units: 'units',
  stock: 'stock',
  controls: 'units',
  saved_views: 'views',
  column_maps: 'views',
  stocktakes: 'stocktakes',
  snapshots: 'snapshots',
  setups: 'setups',
  setup_units: 'setups',
  setup_stock: 'setups',
  bookings: 'bookings',
  faults: 'faults',
  service_plans: 'services',
  services: 'services',
  unit_uses: 'services',
  incidents: 'incidents',
  incident_units: 'incidents',
  repairs: 'repairs',
  capacity_runs: 'units',
  readings: 'readings',
  stock_uses: 'stock',
  entries: 'entries',
  budgets: 'entries',
  shopping_lines: 'shopping',
  wishes: 'shopping',
  decisions: 'shopping',
  kit_plans: 'shopping',
}

/** What a change touched; what is not tracked row by row may be anything. */
export function listChangedSubjects(db: Database, changeId: number): ChangeSubject[] {
  const rows = db
    .selectDistinct({ table: rowChanges.table })
    .from(rowChanges)
    .where(eq(rowChanges.changeId, changeId))
    .all()
  const subjects = rows.map((it) => SUBJECT_OF[it.table as TrackedTable])
  return subjects.length > 0 ? [...new Set(subjects)] : ['rest']
}
