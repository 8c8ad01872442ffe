import { z } from 'zod'
import type { Interface } from '../../../kit/model/interface.ts'
import { USUAL_HAND } from '../../../kit/model/usual-hand.ts'
import { findingLevelSchema } from '../../../studio/finding.ts'
import { trim } from '../../../units/quantity.ts'
import { listInWords } from '../../../units/wording.ts'
import type { Joint } from '../../joining/completeness.ts'
import { isItemOf, type PlacedItem } from '../../placed/placed-item.ts'
import { defineCheck, defineSum } from '../check.ts'
import { type FindingWords, kilograms, makeGauge, plain, type WorkingWords } from '../finding-words.ts'
import { listStandInsFor } from '../ideas.ts'
import { factOf, type Scene } from '../scene.ts'
import { judgeShare, listShared, type Share } from './shares.ts'
import { findUsualMass } from './usual-mass.ts'

export const riderSchema = z.object({
  key: z.string(),
  tag: z.string(),
  name: z.string(),
  /** Null where nobody recorded it. */
  massGrams: z.number().nullable(),
})
export type Rider = z.infer<typeof riderSchema>

/** Everything that rides on one end of a support, against what that end is good for. */
export const carriedLoadSchema = z.object({
  formula: z.literal('carried-load'),
  key: z.string(),
  tag: z.string(),
  name: z.string(),
  /** What is joined to it first, then what rides on that. */
  riders: z.array(riderSchema),
  totalGrams: z.number(),
  ratedGrams: z.number(),
  level: findingLevelSchema,
})
export type CarriedLoad = z.infer<typeof carriedLoadSchema>

export interface Carriage {
  /** What is worth telling: several riders on one end, or too much. */
  loads: CarriedLoad[]
  /** Every rated end that carries something and of which it can be told, also one rider that is borne. */
  every: CarriedLoad[]
  /** What each thing rides on, down to the floor: keys, the nearest first. */
  below: ReadonlyMap<string, readonly string[]>
  /** What rides on each thing, however far up: keys. */
  above: ReadonlyMap<string, readonly string[]>
  /** Of each thing that carries: what above it rests on other supports as well. */
  sharedOn: ReadonlyMap<string, ReadonlySet<string>>
  /** Supports of which nobody can tell how much of what several of them bear comes on each. */
  shares: readonly Share[]
}

interface Overload {
  code: 'carried-load'
  working: CarriedLoad
}

/** What bears too much, or of which nobody can tell. Of what sits on the support itself the joint says so already. */
export const carriedLoad = defineCheck<Overload>({
  shownIn: 'rig',
  find: (scene) =>
    factOf(scene, computeCarriedLoads).loads.flatMap((working) => {
      const [first] = working.riders
      if (working.level === 'ok' || (working.level === 'unknown' && first?.massGrams === null)) return []
      const roleId = scene.itemOf.get(working.key)?.roleId ?? null
      return [{ about: [working.key, first?.key ?? ''], level: working.level, roleId, code: 'carried-load', working }]
    }),
  codes: {
    'carried-load': {
      couldStop: true,
      isHazard: true,
      say: ({ working }) => sayLoad(working),
      sayPlainly: ({ working }) =>
        working.level === 'stop'
          ? `Too much rides on ${working.tag}: it may give way. Take a stronger one, or less on it.`
          : sayLoad(working).text,
      deciding: ({ working }) => [working.totalGrams, working.ratedGrams],
      ideas: ({ working }, context) => (working.level === 'stop' ? listStandInsFor([working.key], context) : []),
      replaceable: ({ working }) => [working.key],
    },
  },
})

export const carriedLoadSum = defineSum<CarriedLoad>({
  formula: 'carried-load',
  // What cannot be told is a finding, and no sum that comes out.
  list: (scene) => factOf(scene, computeCarriedLoads).loads.filter((it) => it.level !== 'unknown'),
  say: sayWorking,
  follows: () => [],
})

const FLOWS: ReadonlySet<Interface['kind']> = new Set(['signal', 'mains'])

/**
 * Sums what each support bears along the joints that were made: a rider brings all that rides on it. Masses in grams, equality passes.
 */
export function computeCarriedLoads({ items, itemOf, joints, interfaces }: Scene): Carriage {
  const carrying = joints.filter(({ interfaceCode }) => !FLOWS.has(interfaces.get(interfaceCode)?.kind ?? 'carry'))
  const guestsOf = groupKeys(carrying.map(({ host, guest }) => [host.key, guest.key]))
  const hostsOf = groupKeys(carrying.map(({ host, guest }) => [guest.key, host.key]))
  const above = new Map(items.map(({ key }) => [key, reach(key, guestsOf)]))
  const below = new Map(items.map(({ key }) => [key, reach(key, hostsOf)]))
  const sharedOn = listShared(above, below, hostsOf)
  const all = groupByEnd(carrying, itemOf).flatMap(({ host, guests }): CarriedLoad[] => {
    const carrier = itemOf.get(host.key)
    const rating = findRating(host, carrier)
    if (!carrier || rating?.quantity !== 'loadGrams') return []
    // A bar that lies on two ends of it with what is on it is there once.
    const keys = new Set(guests.flatMap((key) => [key, ...(above.get(key) ?? [])]))
    const riders = [...keys].flatMap((key) => itemOf.get(key) ?? [])
    return [sumLoad(carrier, riders, new Set(guests), rating.value)]
  })
  const shares = all.flatMap((load) => judgeShare(load, all, { sharedOn, below, hostsOf, itemOf }) ?? [])
  const unsure = new Set<unknown>(shares.map((it) => it.load))
  // What sits on it alone and is borne is nothing to tell.
  const every = all.filter((it) => !unsure.has(it))
  const loads = every.filter((it) => it.riders.length > 1 || it.level === 'stop')
  return { loads, every, below, above, sharedOn, shares }
}

/** `direct`: which of the riders sit on the support itself; of those that nobody weighed the joint asks. */
function sumLoad(
  { key, tag, name }: PlacedItem,
  riders: readonly PlacedItem[],
  direct: ReadonlySet<string>,
  ratedGrams: number,
): CarriedLoad {
  const totalGrams = riders.reduce((sum, it) => sum + (it.massGrams ?? 0), 0)
  // Of what was not weighed twice what such a thing usually weighs has to be borne as well.
  const unweighed = riders.filter((it) => !direct.has(it.key) && it.massGrams === null)
  const usual = unweighed.map(findUsualMass)
  const most = usual.reduce<number>((sum, it) => sum + USUAL_HAND * (it ?? 0), totalGrams)
  const isUnknown = usual.includes(null) || most > ratedGrams
  return {
    formula: 'carried-load',
    key,
    tag,
    name,
    riders: riders.map((it) => ({ key: it.key, tag: it.tag, name: it.name, massGrams: it.massGrams })),
    totalGrams,
    ratedGrams,
    level: totalGrams > ratedGrams ? 'stop' : isUnknown ? 'unknown' : 'ok',
  }
}

const isOneBody = (carrier: PlacedItem) => isItemOf(carrier, 'furniture') || carrier.category === 'cage'

/** What an end is good for; where all ends hang on one body, what that is good for. */
function findRating({ portId }: Joint['host'], carrier: PlacedItem | undefined) {
  const own = carrier?.ports.find((it) => it.id === portId)?.rating
  if (own || !carrier || !isOneBody(carrier)) return own
  return carrier.ports.find((it) => it.rating?.quantity === 'loadGrams')?.rating
}

/** What bears so much in all and not at each end: a bar however many clamps are on it, a table with what holds to its edge. */
function findWhole({ key, portId }: Joint['host'], carrier: PlacedItem | undefined): string | null {
  if (!carrier) return null
  if (isOneBody(carrier)) return key
  return carrier.category === 'room' || carrier.category === 'crossbar' ? `${key}/${portId}` : null
}

/** What is joined to each end, or to all ends together where they bear so much in all. */
function groupByEnd(
  carrying: readonly Joint[],
  itemOf: ReadonlyMap<string, PlacedItem>,
): { host: Joint['host']; guests: string[] }[] {
  const bars = new Map<string, { host: Joint['host']; guests: string[] }>()
  return carrying.flatMap(({ host, guest }) => {
    const end = findWhole(host, itemOf.get(host.key))
    if (end === null) return [{ host, guests: [guest.key] }]
    const known = bars.get(end)
    if (known) {
      known.guests.push(guest.key)
      return []
    }
    const group = { host, guests: [guest.key] }
    bars.set(end, group)
    return [group]
  })
}

function groupKeys(pairs: readonly (readonly [string, string])[]): Map<string, string[]> {
  const groups = new Map<string, string[]>()
  for (const [key, value] of pairs) {
    const known = groups.get(key)
    if (known) known.push(value)
    else groups.set(key, [value])
  }
  return groups
}

const NOTHING: readonly string[] = []

/** Everything reached from a key, nearest first, each once. */
function reach(key: string, next: ReadonlyMap<string, string[]>): readonly string[] {
  if (!next.has(key)) return NOTHING
  const seen = new Set([key])
  const found: string[] = []
  const queue = [key]
  for (let at = queue.shift(); at !== undefined; at = queue.shift()) {
    for (const other of next.get(at) ?? []) {
      if (seen.has(other)) continue
      seen.add(other)
      found.push(other)
      queue.push(other)
    }
  }
  return found
}

function sayLoad({ tag, name, riders, totalGrams, ratedGrams, level }: CarriedLoad): FindingWords {
  const list = listInWords(riders.map((it) => it.tag))
  if (level === 'unknown') {
    const unknown = listInWords(riders.flatMap((it) => (it.massGrams === null ? it.tag : [])))
    return plain(
      `Cannot tell whether ${tag} bears what rides on it`,
      `The mass of ${unknown} is not recorded. Without it ${list} come to ${kilograms(totalGrams)} of ${kilograms(ratedGrams)}.`,
    )
  }
  return {
    title: `Too much rides on ${tag}`,
    text: `${name} holds ${kilograms(ratedGrams)}; ${list}${riders.length > 1 ? ' together weigh' : ' weighs'} ${kilograms(totalGrams)}. A competent rigger decides about anything overhead.`,
    gauge: makeGauge(totalGrams, ratedGrams, `${trim(totalGrams / 1000, 2)} of ${kilograms(ratedGrams)}`),
  }
}

function sayWorking({ tag, riders, totalGrams, ratedGrams }: CarriedLoad): WorkingWords {
  return {
    title: `What ${tag} carries`,
    summary: `${riders.some((it) => it.massGrams === null) ? 'at least ' : ''}${trim(totalGrams / 1000, 2)} of ${kilograms(ratedGrams)}`,
    lines: [
      ...riders.map((it) => ({
        label: it.tag,
        sum: it.massGrams === null ? 'not recorded' : kilograms(it.massGrams),
      })),
      { label: 'together', sum: `${kilograms(totalGrams)}; good for ${kilograms(ratedGrams)}` },
      ...(totalGrams <= ratedGrams && !riders.some((it) => it.massGrams === null)
        ? [{ label: 'in hand', sum: kilograms(ratedGrams - totalGrams) }]
        : []),
    ],
    assumptions: [
      'A rider brings all that rides on it. Cards, cells, filters and gels that nobody weighed are left out; of packs there is room for twice what they usually weigh.',
      'What rests on other supports as well is counted wholly on each of them.',
      'Cables hanging down, and the lever of an arm, are not in this sum.',
    ],
    source: 'Σ mass ≤ rating of the support',
  }
}
