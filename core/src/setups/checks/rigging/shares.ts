import type { PlacedItem } from '../../placed/placed-item.ts'

/** What rides on one end of a support, against what that end is good for. Grams. */
export interface Load {
  key: string
  riders: readonly { key: string; tag: string; massGrams: number | null }[]
  ratedGrams: number
  level: string
}

/** A support that would not bear alone what it bears with others. */
export interface Share {
  load: Load
  /** Tags of what it bears with others. */
  shared: string[]
}

type KeysOf = ReadonlyMap<string, readonly string[]>

/**
 * Of each thing that carries: what above it rests on something else as well, and what rides on that. All of whose supports lead
 * through the same thing is borne by it alone.
 */
export function listShared(above: KeysOf, below: KeysOf, hostsOf: KeysOf): ReadonlyMap<string, ReadonlySet<string>> {
  const bridges = [...hostsOf].filter(([, hosts]) => new Set(hosts).size > 1)
  const shared = new Map<string, ReadonlySet<string>>()
  for (const [key, riders] of above) {
    const found = new Set<string>()
    for (const [bridge, hosts] of bridges) {
      if (!riders.includes(bridge) || hosts.every((host) => isOnWay(key, host, below))) continue
      for (const it of [bridge, ...(above.get(bridge) ?? [])]) found.add(it)
    }
    if (found.size > 0) shared.set(key, found)
  }
  return shared
}

const isOnWay = (key: string, from: string, below: KeysOf) => key === from || (below.get(from) ?? []).includes(key)

/**
 * Whether nobody can tell what of a load comes here: it is too much for this support alone, and not for all that bear it
 * together. Null where it can be told.
 */
export function judgeShare(
  load: Load,
  all: readonly Load[],
  rig: {
    sharedOn: ReadonlyMap<string, ReadonlySet<string>>
    below: KeysOf
    hostsOf: KeysOf
    itemOf: ReadonlyMap<string, PlacedItem>
  },
): Share | null {
  const shared = rig.sharedOn.get(load.key)
  const common = load.riders.filter((it) => shared?.has(it.key))
  if (load.level !== 'stop' || common.length === 0) return null
  const weigh = (riders: Load['riders']) => riders.reduce((sum, it) => sum + (it.massGrams ?? 0), 0)
  const spareOf = ({ ratedGrams, riders, key }: Load) =>
    ratedGrams - weigh(riders.filter((it) => !rig.sharedOn.get(key)?.has(it.key)))
  /** What a way down still bears: as much as its weakest support. Unrated, nobody knows, and it is not held against it. */
  const spareOfWay = (host: string) =>
    Math.min(
      ...all
        .filter((it) => isOnWay(it.key, host, rig.below) && it.riders.some(({ key }) => shared?.has(key)))
        .map(spareOf),
    )
  const others = new Set(
    common.flatMap(({ key }) => rig.hostsOf.get(key) ?? []).filter((host) => host !== load.key && isOther(host)),
  )
  function isOther(host: string): boolean {
    return !shared?.has(host) && !isOnWay(load.key, host, rig.below)
  }
  const spare = [...others].reduce((sum, host) => sum + Math.max(0, spareOfWay(host)), spareOf(load))
  if (spareOf(load) < 0 || weigh(common) > spare) return null
  return { load, shared: common.map((it) => it.tag) }
}
