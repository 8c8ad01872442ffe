import {
  assessSetup,
  type FindingHelp,
  findRemedies,
  makeModelFilter,
  type NewSetup,
  type Readiness,
  type StudioSettings,
} from '@exemplar/core'
import type { HoldBook } from '../availability/holds.ts'
import { minuteOf, remember } from '../foundation/database/cache.ts'
import type { Database } from '../foundation/database/database.ts'
import type { AssessmentContext } from './assessment-context.ts'
import { type AssessmentRequest, loadAssessment, loadAssessments } from './assessment-store.ts'
import { loadFreeStore } from './free-store.ts'

/** Under which a judgement is kept: the setup as it is, for its time, to the minute. */
function nameRequest({ setup, context: { now, interval, ...rest } }: AssessmentRequest): string {
  const time = [now, interval.start, interval.end].map(minuteOf)
  return `assess/${JSON.stringify([time, rest, setup])}`
}

/**
 * Judges setups, each at its time; kept until something changes or the minute passes, as many pages ask the same. What is
 * not known yet is read for all of them at once.
 */
export function assessAll(
  db: Database,
  requests: readonly AssessmentRequest[],
  settings: StudioSettings,
  book?: HoldBook,
): Readiness[] {
  const names = requests.map(nameRequest)
  const unknown = [...names.keys()].filter((at) => !db.cache.has(names[at] ?? ''))
  const asked = unknown.flatMap((at) => requests[at] ?? [])
  const loaded = new Map(
    loadAssessments(db, asked, settings, book ? { book } : {}).map(({ input }, nth) => [
      names[unknown[nth] ?? -1],
      input,
    ]),
  )
  return names.map((name) =>
    remember(db, name, () => {
      const input = loaded.get(name)
      if (!input) throw new Error('A setup was not loaded for judging.')
      return assessSetup(input)
    }),
  )
}

/** Judges one setup at one time. */
export function assessOne(
  db: Database,
  setup: NewSetup,
  context: AssessmentContext,
  settings: StudioSettings,
): Readiness {
  const [readiness] = assessAll(db, [{ setup, context }], settings)
  if (!readiness) throw new Error('A setup was not judged.')
  return readiness
}

/** What could be done about one finding; null where the setup has no such finding. Outside any write. */
export function findHelp(
  db: Database,
  request: AssessmentRequest,
  settings: StudioSettings,
  key: string,
): FindingHelp | null {
  return remember(db, `help/${key}/${nameRequest(request)}`, () => {
    const loaded = loadAssessment(db, request, settings)
    const finding = assessOne(db, request.setup, request.context, settings).findings.find((it) => it.key === key)
    if (!finding) return null
    const store = loadFreeStore(db, loaded, makeModelFilter(loaded.input, [finding]))
    return findRemedies(loaded.input, store, key)
  })
}
