import { monitorEventLoopDelay } from 'node:perf_hooks'
import { assessSetup } from '@exemplar/core'
import { loadBookings } from '../server/src/availability/holds.ts'
import { fillLargeStudio, LARGE, type StudioSize } from '../server/src/demo/large-studio.fixture.ts'
import { computeAllFigures } from '../server/src/diary/stock-demand.ts'
import { startApi, type TestApi } from '../server/src/foundation/api.fixture.ts'
import { askToTheEnd } from '../server/src/foundation/call.fixture.ts'
import { countStatements } from '../server/src/foundation/statements.fixture.ts'
import { makeBookingContext, makePresentContext } from '../server/src/setups/assessment-context.ts'
import { loadAssessments } from '../server/src/setups/assessment-store.ts'
import { loadAllSetups, loadNextBookings } from '../server/src/setups/setup-store.ts'
import { loadStudio } from '../server/src/studio/settings/settings-routes.ts'

const ROUNDS = 5
const DAY_MS = 86_400_000

export interface LargeRow {
  name: string
  ms: number
  /** Times the reference of the same run; null where it is only reported. */
  ratio: number | null
  target: number | null
  note: string
}

const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1] ?? Number.NaN

async function timed(work: () => unknown): Promise<number> {
  const times: number[] = []
  for (let round = -1; round < ROUNDS; round++) {
    const start = performance.now()
    await work()
    if (round >= 0) times.push(performance.now() - start)
  }
  return median(times)
}

/** A request that nothing is known for yet. */
function cold(api: TestApi, path: string) {
  return async () => {
    api.app.db.cache.clear()
    const { status } = await api.call('GET', path)
    if (status !== 200) throw new Error(`${path} answered ${status}`)
  }
}

/** What Today and the list of setups take cold, against judging the same setups in core alone in the same run. */
async function measurePages(api: TestApi): Promise<LargeRow[]> {
  const { app } = api
  const settings = loadStudio(app.db)
  const now = app.now()
  const all = loadAllSetups(app.db, 'name')
  const setupOf = new Map(all.map((it) => [it.id, it]))
  const ahead = loadBookings(app.db, { start: now, end: now + 14 * DAY_MS }).flatMap((row) => {
    const setup = setupOf.get(row.setupId ?? '')
    return setup ? [{ setup, context: makeBookingContext(now, row) }] : []
  })
  const nextOf = loadNextBookings(app, [...setupOf.keys()])
  const standing = all.map((setup) => {
    const next = nextOf.get(setup.id)
    return { setup, context: next ? makeBookingContext(now, next) : makePresentContext(now, setup) }
  })
  const rows: LargeRow[] = []
  for (const [name, path, requests] of [
    ['Today, cold', '/today', ahead],
    ['the list of setups, cold', '/setups', standing],
  ] as const) {
    const inputs = loadAssessments(app.db, requests, settings).map((it) => it.input)
    const core = await timed(() => inputs.map(assessSetup))
    const ms = await timed(cold(api, path))
    const statements = await countStatements(app, cold(api, path))
    const note = `${requests.length} setups judged in core take ${core.toFixed(0)} ms; ${statements} statements`
    rows.push({ name, ms, ratio: ms / core, target: 3, note })
  }
  return rows
}

/** How much longer figures over all things take with twice as many. */
async function measureFigures(): Promise<LargeRow[]> {
  const times: number[] = []
  for (const things of [2_000, 4_000, 8_000]) {
    const api = await startApi()
    const size: StudioSize = { ...LARGE, things, events: things * 10 }
    fillLargeStudio(api.app, size)
    times.push(await timed(() => computeAllFigures(api.app, { sharing: 'full' })))
    api.close()
  }
  return [1, 2].map((at) => ({
    name: `figures over ${2_000 * 2 ** at} things against ${1_000 * 2 ** at}`,
    ms: times[at] ?? 0,
    ratio: (times[at] ?? 0) / (times[at - 1] ?? 1),
    target: 2.3,
    note: `${(times[at - 1] ?? 0).toFixed(0)} ms for half as many`,
  }))
}

/** How long the thread that answers is held up while ten people look at pages and single points of failure are sought. */
async function measureDelay(api: TestApi): Promise<LargeRow> {
  const paths = ['/today', '/setups', '/units?limit=100', '/bookings?from=2026-11-24&days=14', '/bench']
  const delay = monitorEventLoopDelay({ resolution: 5 })
  const long = api.call('GET', '/resilience')
  delay.enable()
  await Promise.all(
    Array.from({ length: 10 }, async (_, user) => {
      for (let turn = 0; turn < 6; turn++) {
        const { status } = await api.call('GET', paths[(user + turn) % paths.length] ?? '/today')
        if (status !== 200) throw new Error(`A page answered ${status}`)
      }
    }),
  )
  delay.disable()
  await long
  const [p50, p99] = [delay.percentile(50) / 1e6, delay.percentile(99) / 1e6]
  const note = `median ${p50.toFixed(1)} ms, longest ${(delay.max / 1e6).toFixed(0)} ms; aim 50 ms`
  return { name: 'event loop, 99th percentile of its delay', ms: p99, ratio: null, target: null, note }
}

/** The studio of 1,500 things, 27 setups, 365 bookings and 50,000 events. */
export async function measureLargeStudio(): Promise<LargeRow[]> {
  const api = await startApi()
  fillLargeStudio(api.app, LARGE)
  const pages = await measurePages(api)
  const points = await timed(() => askToTheEnd(async () => (await api.call('GET', '/resilience')).body))
  const delay = await measureDelay(api)
  api.close()
  return [
    ...pages,
    { name: 'single points of failure, in their thread', ms: points, ratio: null, target: null, note: '27 setups' },
    delay,
    ...(await measureFigures()),
  ]
}
