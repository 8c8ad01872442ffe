import { fillLargeStudio, type StudioSize } from '../server/src/demo/large-studio.fixture.ts'
import { CLIENT, startApi } from '../server/src/foundation/api.fixture.ts'
import type { LargeRow } from './large-studio.ts'

/** Every list that grows with what there is. */
const LISTS = [
  '/units?limit=500',
  '/things',
  '/stock',
  '/models',
  '/models/questions',
  '/places',
  '/people',
  '/parties',
  '/setups',
  '/setup-names',
  '/bookings?from=2026-11-01&days=60',
  '/bench',
  '/ledger/entries?year=2026',
  '/shopping',
  '/changes?limit=100',
  '/find?q=lamp',
  '/photos',
  '/kit-schedule',
  '/systems',
  '/today',
  '/export/inventory.csv',
] as const

/** Under so much the time is the request's own, and says nothing about what grows. */
const LEAST_MS = 15
const ROUNDS = 5

const median = (values: number[]) => [...values].sort((a, b) => a - b)[values.length >> 1] ?? Number.NaN

async function timeLists(size: StudioSize): Promise<Map<string, number>> {
  const api = await startApi()
  fillLargeStudio(api.app, size)
  const headers = { ...CLIENT, cookie: api.cookieOf('manager') }
  const times = new Map<string, number>()
  for (const path of LISTS) {
    const taken: number[] = []
    for (let round = -1; round < ROUNDS; round++) {
      api.app.db.cache.clear()
      const start = performance.now()
      const reply = await fetch(`${api.url}/api${path}`, { headers })
      await reply.arrayBuffer()
      if (reply.status !== 200) throw new Error(`${path} answered ${reply.status}`)
      if (round >= 0) taken.push(performance.now() - start)
    }
    times.set(path, median(taken))
  }
  api.close()
  return times
}

/** What each list takes in a studio twice as large against one half as large: at most a little more than twice. */
export async function measureDoubling(): Promise<LargeRow[]> {
  const half = await timeLists({ things: 1_000, setups: 18, bookings: 240, events: 20_000 })
  const whole = await timeLists({ things: 2_000, setups: 36, bookings: 480, events: 40_000 })
  return LISTS.map((path) => {
    const [small, large] = [half.get(path) ?? 0, whole.get(path) ?? 0]
    const isTelling = large >= LEAST_MS
    const note = isTelling ? `${small.toFixed(1)} ms in half the studio` : 'too short to tell'
    return { name: `twice the studio: ${path}`, ms: large, ratio: isTelling ? large / small : null, target: 2.6, note }
  })
}
