import { type Season, simulateSeasons } from '@exemplar/core'
import { routes } from '../server/src/api.ts'
import { fillLargeStudio, makeSequence } from '../server/src/demo/large-studio.fixture.ts'
import { startApi, type TestApi } from '../server/src/foundation/api.fixture.ts'
import { makeSystemActor, write } from '../server/src/foundation/database/app-context.ts'
import { faults, services, unitUses } from '../server/src/schema/bench-tables.ts'
import { units } from '../server/src/schema/kit-tables.ts'
import type { LargeRow } from './large-studio.ts'

const ROUNDS = 7
const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1] ?? Number.NaN
const time = async (work: () => unknown): Promise<number> => {
  const start = performance.now()
  await work()
  return performance.now() - start
}

const EVENTS = 200_000
const WEAR = 12_000

/** Services, faults and uses of a long life, by a seeded sequence. */
function wear(api: TestApi): void {
  const random = makeSequence(7)
  write(
    api.app,
    makeSystemActor(),
    ({ tx, now }) => {
      const ids = tx
        .select({ id: units.id })
        .from(units)
        .all()
        .map((it) => it.id)
      const pick = () => ids[Math.floor(random() * ids.length)] ?? ''
      const ago = () => now - Math.floor(random() * 1_400) * 86_400_000
      const dayOf = (at: number) => new Date(at).toISOString().slice(0, 10)
      for (let n = 0; n < WEAR; n++) {
        const at = ago()
        const base = { id: `w-${n}`, unitId: pick(), note: 'as it was' }
        if (n % 12 === 0) {
          const severity = n % 24 === 0 ? ('unusable' as const) : ('usable' as const)
          tx.insert(faults)
            .values({ ...base, severity, bookingId: null, reportedAt: at, mendedAt: at + 5 * 86_400_000 })
            .run()
        } else if (n % 2 === 0) {
          tx.insert(services)
            .values({ ...base, planId: null, on: dayOf(at), recordedAt: at, personId: null })
            .run()
        } else {
          tx.insert(unitUses)
            .values({ ...base, on: dayOf(at), uses: 1, hours: 2, recordedAt: at })
            .run()
        }
      }
    },
    { isTracked: false },
  )
}

type Run = () => unknown

/** Answers a request without the wire between: what it takes is the request's own. */
function answer({ app }: TestApi, path: string, id = ''): unknown {
  const route = routes.find((it) => it.key === `get ${path}`)
  if (!route) throw new Error(`There is no ${path}.`)
  const actor = { personId: null, role: 'manager' as const }
  return route.handle({ params: { id }, query: {}, body: undefined, version: 0, actor } as never, app)
}

/** The statements of a request with what they were asked with, to be run again by themselves. */
function record(api: TestApi, work: Run): Run[] {
  const prototype = Object.getPrototypeOf(api.app.db.$client.prepare('SELECT 1'))
  const names = ['all', 'get', 'run'] as const
  const own = names.map((name) => [name, prototype[name]] as const)
  const runs: Run[] = []
  for (const [name, run] of own) {
    prototype[name] = function (this: unknown, ...given: unknown[]) {
      runs.push(() => run.apply(this, given))
      return run.apply(this, given)
    }
  }
  api.app.db.cache.clear()
  work()
  for (const [name, run] of own) prototype[name] = run
  return runs
}

/** Pages of the bench in a house of 200,000 events, each against its own statements alone, in turn with it. */
async function measureEvents(): Promise<LargeRow[]> {
  const api = await startApi()
  fillLargeStudio(api.app, { things: 1_500, setups: 27, bookings: 365, events: EVENTS })
  wear(api)
  const rows: LargeRow[] = []
  for (const [name, path] of [
    ["a thing's page", '/units/:id'],
    ["a thing's upkeep", '/units/:id/upkeep'],
    ['the due list', '/services'],
    ['reliability per model', '/reliability'],
  ] as const) {
    const ask = () => answer(api, path, 'CAM-01')
    const bare = record(api, ask)
    const [ours, theirs]: number[][] = [[], []]
    for (let round = -2; round < ROUNDS; round++) {
      api.app.db.cache.clear()
      const a = await time(ask)
      const b = await time(() => {
        for (const run of bare) run()
      })
      if (round < 0) continue
      ours?.push(a)
      theirs?.push(b)
    }
    const [ms, reference] = [median(ours ?? []), median(theirs ?? [])]
    const note = `${bare.length} statements alone take ${reference.toFixed(1)} ms`
    rows.push({ name: `${name}, 200,000 events`, ms, ratio: ms / reference, target: 3, note })
  }
  api.close()
  return rows
}

/** A season of so many bookings of 27 setups, each with a dozen things that it stops without, some with something to stand in. */
function makeSeason(bookings: number): Season {
  const random = makeSequence(11)
  const setups = Array.from({ length: 27 }, (_, setup) =>
    Array.from({ length: 12 }, (_, at) => ({
      unitId: `u-${setup}-${at}`,
      standIns: random() < 0.4 ? [`s-${setup % 9}-${at}`] : [],
    })),
  )
  const failsOf = new Map<string, number>()
  for (const { unitId, standIns } of setups.flat())
    for (const it of [unitId, ...standIns]) failsOf.set(it, 0.002 + random() * 0.02)
  const day = 86_400_000
  const shoots = Array.from({ length: bookings }, (_, at) => ({
    id: `b-${at}`,
    setupId: `${at % 27}`,
    start: at * 3 * day,
    end: at * 3 * day + day / 4,
    needs: setups[at % 27] ?? [],
  }))
  return { shoots, failsOf, daysOut: 10 }
}

function simulate(seasons: number): number {
  const season = makeSeason(120)
  const start = performance.now()
  const steps = simulateSeasons(season, 1, seasons)
  while (!steps.next().done);
  return performance.now() - start
}

/** Ten thousand seasons, and how much longer twice as many take. */
function measureSeasons(): LargeRow[] {
  const times = [5_000, 10_000, 20_000].map((seasons) => median([1, 2, 3].map(() => simulate(seasons))))
  return [1, 2].map((at) => ({
    name: `${5_000 * 2 ** at} seasons of 120 bookings of 27 setups`,
    ms: times[at] ?? 0,
    ratio: (times[at] ?? 0) / (times[at - 1] ?? 1),
    target: 2.2,
    note: `${(times[at - 1] ?? 0).toFixed(0)} ms for half as many`,
  }))
}

export const measureBench = async (): Promise<LargeRow[]> => [...(await measureEvents()), ...measureSeasons()]
