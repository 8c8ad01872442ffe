import { answerWants, findWants, makeAssignment, makeModelFilter, type NewSetup, SETUP_DEFAULTS } from '@exemplar/core'
import { and, eq, isNull } from 'drizzle-orm'
import { refuseMissing } from '../../foundation/base/problem.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { units } from '../../schema/kit-tables.ts'
import { loadStudio } from '../../studio/settings/settings-routes.ts'
import { makePresentContext } from '../assessment-context.ts'
import { loadAssessment } from '../assessment-store.ts'
import { loadFreeStore } from '../free-store.ts'

/** What is gone wants nothing any more. */
const GONE: ReadonlySet<string> = new Set(['sold', 'returned', 'lost', 'written-off', 'retired', 'for-sale'])

export const wantRoutes = [
  defineRoute('get /units/:id/wants', ({ params }, { db, now }) => {
    const id = params.id ?? ''
    const own = db.select({ state: units.state }).from(units).where(eq(units.id, id)).get()
    if (!own) throw refuseMissing('thing')
    if (GONE.has(own.state)) return []
    // What came with it and belongs to it is no want of it any more.
    const parts = db
      .select({ id: units.id })
      .from(units)
      .where(and(eq(units.parentId, id), isNull(units.archivedAt)))
      .all()
    const setup = makeSetupOf([id, ...parts.map((it) => it.id)])
    const request = { setup, context: makePresentContext(now(), setup) }
    const loaded = loadAssessment(db, request, loadStudio(db))
    const wants = findWants(loaded.input)
    const { units: things, models } = loaded.input.holdings
    const modelOf = new Map([...things.values()].flatMap((it) => [[it.id, models.get(it.modelId)] as const]))
    const known = new Map([...modelOf].flatMap(([key, model]) => (model ? [[key, model] as const] : [])))
    return answerWants(wants, loadFreeStore(db, loaded, makeModelFilter(loaded.input, wants)), known)
  }),
]

const makeSetupOf = (unitIds: readonly string[]): NewSetup => ({
  ...SETUP_DEFAULTS,
  code: 'X',
  name: '',
  tape: 'fern',
  purpose: '',
  placeId: null,
  circuitId: null,
  plannedMinutes: 1,
  note: '',
  roles: [
    {
      id: 'thing',
      group: 'camera',
      name: '',
      importance: 'essential',
      wants: null,
      detail: '',
      intentionallyEmpty: false,
      things: unitIds.map((unitId) => makeAssignment({ unitId })),
    },
  ],
})
