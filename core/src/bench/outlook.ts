import { reckonSurvival } from '../formulas/reliability/mean-between-failures.ts'
import { listUncovered } from './cover.ts'

/** A thing without which a setup stops, and what could take its place: what stands by in it, and what is free in the store. */
export interface Need {
  unitId: string
  standIns: readonly string[]
}

/** How likely a shoot can run. */
export interface Outlook {
  /** With nothing to take the place of anything. */
  alone: number
  withStandIns: number
  /** The second is at least so much: too much hangs together to be reckoned exactly. */
  isAtLeast: boolean
}

/** Up to so many things that hang together every way in which they may fail is tried. */
const MOST_TOGETHER = 14

/**
 * The chance that a shoot can run: everything that it stops without works, or something that works takes its place. What could
 * stand in for two takes the place of one only; what hangs together like that is tried in every way. A thing fails with a chance
 * of its own, whatever the others do.
 */
export function reckonOutlook(needs: readonly Need[], readyOf: (unitId: string) => number): Outlook {
  let [alone, withStandIns, isAtLeast] = [1, 1, false]
  for (const { unitId } of needs) alone *= readyOf(unitId)
  for (const group of listGroups(needs)) {
    const pool = [...new Set(group.flatMap((it) => it.standIns))]
    if (group.length + pool.length > MOST_TOGETHER && group.length > 1) {
      isAtLeast = true
      withStandIns *= reckonApart(group, readyOf)
    } else if (group.length === 1) {
      withStandIns *= reckonOne(group[0] as Need, group[0]?.standIns ?? [], readyOf)
    } else withStandIns *= reckonTogether(group, pool, readyOf)
  }
  return { alone, withStandIns, isAtLeast }
}

const reckonOne = ({ unitId }: Need, standIns: readonly string[], readyOf: (unitId: string) => number) =>
  1 - (1 - readyOf(unitId)) * [...new Set(standIns)].reduce((all, it) => all * (1 - readyOf(it)), 1)

/** Each stand-in kept for the first that could use it: fewer ways to be saved than there are. */
function reckonApart(group: readonly Need[], readyOf: (unitId: string) => number): number {
  const taken = new Set<string>()
  let chance = 1
  for (const need of group) {
    const own = need.standIns.find((it) => !taken.has(it))
    if (own !== undefined) taken.add(own)
    chance *= reckonOne(need, own === undefined ? [] : [own], readyOf)
  }
  return chance
}

/** Needs that share a stand-in, directly or by others. */
function listGroups(needs: readonly Need[]): Need[][] {
  const groups: { needs: Need[]; pool: Set<string> }[] = []
  for (const need of needs) {
    const joined = groups.filter((it) => need.standIns.some((standIn) => it.pool.has(standIn)))
    for (const it of joined) groups.splice(groups.indexOf(it), 1)
    groups.push({
      needs: [...joined.flatMap((it) => it.needs), need],
      pool: new Set([...joined.flatMap((it) => [...it.pool]), ...need.standIns]),
    })
  }
  return groups.map((it) => it.needs)
}

/** Every way in which the things and their stand-ins may fail, and whether the ones that work are enough. */
function reckonTogether(group: readonly Need[], pool: readonly string[], readyOf: (unitId: string) => number): number {
  const things = [...group.map((it) => it.unitId), ...pool]
  const ready = things.map(readyOf)
  let chance = 0
  for (let state = 0; state < 1 << things.length; state++) {
    const works = (at: number) => (state & (1 << at)) !== 0
    const failed = group.filter((_, at) => !works(at))
    const left = new Set(pool.filter((_, at) => works(group.length + at)))
    if (listUncovered(failed, (it: string) => left.has(it)).length > 0) continue
    chance += ready.reduce((share, it, at) => share * (works(at) ? it : 1 - it), 1)
  }
  return chance
}

/** A booking of a setup, with what it stops without. */
export interface ShootAhead {
  id: string
  setupId: string
  start: number
  end: number
  needs: readonly Need[]
}

/** What one more of a model would be worth. */
export interface SpareWorth {
  modelId: string
  /** So many shoots more would run, of those that are looked at. */
  shoots: number
  /** The shoots that it would help, the one that it helps most first. */
  helps: readonly string[]
  priceMinor: number | null
  /** What a shoot saved costs by it; null without a price. */
  perShootMinor: number | null
}

/**
 * Which spare helps most: for each model that some shoot stops without, how many shoots more would run with one more of it there
 * to stand in, and what each of them costs by it. The cheapest help first; what has no price comes last, as nobody can tell.
 */
export function rankSpares(
  shoots: readonly ShootAhead[],
  things: {
    readyOf(unitId: string): number
    modelOf(unitId: string): string | undefined
    priceOf(modelId: string): number | null
    /** How often one more of a model works, when it is wanted. */
    spareReadyOf(modelId: string): number
  },
): SpareWorth[] {
  const { readyOf, modelOf, priceOf, spareReadyOf } = things
  const gains = new Map<string, { shoots: number; helps: { id: string; gain: number }[] }>()
  for (const { id, needs } of shoots) {
    const before = reckonOutlook(needs, readyOf).withStandIns
    for (const modelId of new Set(needs.flatMap((it) => modelOf(it.unitId) ?? []))) {
      const spare = `spare of ${modelId}`
      const more = needs.map((it) =>
        modelOf(it.unitId) === modelId ? { ...it, standIns: [...it.standIns, spare] } : it,
      )
      const after = reckonOutlook(more, (it) => (it === spare ? spareReadyOf(modelId) : readyOf(it))).withStandIns
      const gain = Math.max(0, after - before)
      const known = gains.get(modelId) ?? { shoots: 0, helps: [] }
      gains.set(modelId, { shoots: known.shoots + gain, helps: [...known.helps, { id, gain }] })
    }
  }
  return [...gains]
    .map(([modelId, { shoots: saved, helps }]): SpareWorth => {
      const priceMinor = priceOf(modelId)
      return {
        modelId,
        shoots: saved,
        helps: helps.sort((a, b) => b.gain - a.gain).map((it) => it.id),
        priceMinor,
        perShootMinor: priceMinor === null || saved === 0 ? null : Math.round(priceMinor / saved),
      }
    })
    .sort(
      (a, b) =>
        (a.perShootMinor ?? Number.MAX_VALUE) - (b.perShootMinor ?? Number.MAX_VALUE) ||
        b.shoots - a.shoots ||
        (a.modelId < b.modelId ? -1 : 1),
    )
}

/** How likely a thing gets through one use. */
export const reckonReady = (perUse: number): number => reckonSurvival(1, 1 / perUse)
