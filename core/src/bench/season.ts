import { listUncovered } from './cover.ts'
import type { Need, ShootAhead } from './outlook.ts'

/** What is simulated: the shoots of a season, in the order of time, and how things fail. */
export interface Season {
  shoots: readonly ShootAhead[]
  /** The chance that a thing fails at a use. */
  failsOf: ReadonlyMap<string, number>
  /** So many days a thing is out after it failed. */
  daysOut: number
}

/** What came of many seasons. */
export interface SeasonOutcome {
  seasons: number
  /** In how many seasons so many shoots were lost: none, one, two ... */
  lost: readonly number[]
  /** How often each shoot was lost, in the order of the shoots. */
  lostOf: readonly number[]
  /** For how many lost shoots each thing was to blame, the worst first. */
  blame: readonly { unitId: string; times: number }[]
}

/** So many seasons between two reports of how far it has come. */
const A_CHUNK = 250

/** A stream of numbers from 0 to under 1 that a seed decides: mulberry32, a public-domain generator of 32 bits. */
function makeRandom(seed: number): () => number {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let mixed = Math.imul(state ^ (state >>> 15), state | 1)
    mixed ^= mixed + Math.imul(mixed ^ (mixed >>> 7), mixed | 61)
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4_294_967_296
  }
}

const DAY = 86_400_000

/** The season with its things by number, as it is gone through ten thousand times. */
function numberThings({ shoots, failsOf: chances }: Season) {
  const ids: string[] = []
  const at = new Map<string, number>()
  const numberOf = (id: string) => {
    const known = at.get(id)
    if (known !== undefined) return known
    at.set(id, ids.length)
    ids.push(id)
    return ids.length - 1
  }
  const numbered = [...shoots.entries()]
    .map(([place, { start, needs }]) => ({
      place,
      start,
      needs: needs.map(({ unitId, standIns }: Need) => ({ unit: numberOf(unitId), standIns: standIns.map(numberOf) })),
    }))
    .sort((a, b) => a.start - b.start || a.place - b.place)
  return { ids, numbered, failsOf: ids.map((id) => chances.get(id) ?? 0) }
}

/**
 * Goes through a season again and again, by chance that a seed decides: at each shoot what it needs may fail, and is out for so
 * many days after it; what stands in may fail as well; a shoot for which nothing is left to stand in is lost. Yields how many
 * seasons are done, so that whoever waits sees it and may stop. The same seed gives the same outcome.
 */
export function* simulateSeasons(season: Season, seed: number, seasons: number): Generator<number, SeasonOutcome> {
  const { ids, numbered, failsOf } = numberThings(season)
  const random = makeRandom(seed)
  const lost: number[] = []
  const lostOf = new Array<number>(season.shoots.length).fill(0)
  const blame = new Array<number>(ids.length).fill(0)
  const backAt = new Float64Array(ids.length)
  const triedAt = new Int32Array(ids.length)
  const workedAt = new Uint8Array(ids.length)
  const outFor = season.daysOut * DAY
  let visit = 0
  for (let done = 0; done < seasons; done++) {
    if (done > 0 && done % A_CHUNK === 0) yield done
    backAt.fill(Number.NEGATIVE_INFINITY)
    let lostNow = 0
    for (const { place, start, needs } of numbered) {
      visit++
      // A thing is tried once at a shoot: it works or does not for whatever wants it.
      const works = (unit: number): boolean => {
        if (triedAt[unit] !== visit) {
          triedAt[unit] = visit
          const isHere = (backAt[unit] ?? 0) <= start
          const fails = isHere && random() < (failsOf[unit] ?? 0)
          if (fails && outFor > 0) backAt[unit] = start + outFor
          workedAt[unit] = isHere && !fails ? 1 : 0
        }
        return workedAt[unit] === 1
      }
      const failed = needs.filter((it) => !works(it.unit))
      const uncovered = failed.length === 0 ? failed : listUncovered(failed, works)
      for (const { unit } of uncovered) blame[unit] = (blame[unit] ?? 0) + 1
      if (uncovered.length === 0) continue
      lostNow++
      lostOf[place] = (lostOf[place] ?? 0) + 1
    }
    lost[lostNow] = (lost[lostNow] ?? 0) + 1
  }
  return {
    seasons,
    lost: Array.from(lost, (it) => it ?? 0),
    lostOf,
    blame: ids
      .map((unitId, at) => ({ unitId, times: blame[at] ?? 0 }))
      .filter((it) => it.times > 0)
      .sort((a, b) => b.times - a.times || (a.unitId < b.unitId ? -1 : 1)),
  }
}

/** The fewest shoots that are lost in at most so large a share of the seasons: 0.9 says what nine of ten seasons stay within. */
export function findLostAt({ lost, seasons }: SeasonOutcome, share: number): number {
  let sum = 0
  for (const [count, times] of lost.entries()) {
    sum += times
    if (sum >= share * seasons) return count
  }
  return lost.length
}
