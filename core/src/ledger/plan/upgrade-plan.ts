/** A wish as a plan sees it: what it costs, what is sold once it is here, and what goes with it or against it. */
export interface PlanOption {
  id: string
  costMinor: number
  /** What comes back in the same quarter. */
  saleMinor: number
  needsIds: readonly string[]
  insteadIds: readonly string[]
  /** What it is worth where nothing has to be cured first: points in each quarter from which it is there. */
  gains: readonly PlanGain[]
}

/** A setup that is better by a wish, in points for each quarter; only while nothing stops that setup. */
export interface PlanGain {
  setupId: string
  points: readonly number[]
}

/** A setup as a plan sees it: as it is at one time, with an id of that. */
export interface PlanSetup {
  id: string
  /** Nothing stops it as it is. */
  runs: boolean
  /** Points of each quarter in which nothing stops it, by the wishes that it takes; see `SetupCures`. */
  cures: readonly { wishIds: readonly string[]; points: readonly number[] }[]
  /** It has to run in the end. */
  isPromised: boolean
}

/** What is to be planned: money of each quarter, of which what is left goes on into the next. */
export interface PlanQuestion {
  budgets: readonly number[]
  options: readonly PlanOption[]
  setups: readonly PlanSetup[]
}

/** What is bought when, and what it is worth. */
export interface PlanAnswer {
  /** Wishes of each quarter, in the order of the question. */
  bought: string[][]
  points: number
  /** What is paid over all quarters, sales taken off. */
  costMinor: number
  /** Setups that ran not and do: by which wishes, from which quarter on. */
  cured: { setupId: string; wishIds: string[]; quarter: number }[]
}

/** What buying this, quarter by quarter, is worth and costs; what may not be bought so is not looked at. */
export function weighPlan(
  { options, setups, budgets }: PlanQuestion,
  bought: readonly (readonly string[])[],
): Omit<PlanAnswer, 'bought'> {
  const there = new Set<string>()
  const cured = new Map<string, PlanAnswer['cured'][number]>()
  let points = 0
  let costMinor = 0
  for (const quarter of budgets.keys()) {
    for (const id of bought[quarter] ?? []) there.add(id)
    for (const { id, costMinor: cost, saleMinor } of options) {
      if (bought[quarter]?.includes(id)) costMinor += cost - saleMinor
    }
    const running = new Set(setups.flatMap((it) => (it.runs ? [it.id] : [])))
    for (const { id, runs, cures } of setups) {
      if (runs) continue
      const open = cures.filter((it) => it.wishIds.every((wish) => there.has(wish)))
      const worth = (it: (typeof open)[number]) => it.points[quarter] ?? 0
      const [best] = [...open].sort((a, b) => worth(b) - worth(a) || a.wishIds.length - b.wishIds.length)
      if (!best) continue
      running.add(id)
      points += worth(best)
      if (!cured.has(id)) cured.set(id, { setupId: id, wishIds: [...best.wishIds], quarter })
    }
    for (const { id, gains } of options) {
      if (!there.has(id)) continue
      for (const it of gains) if (running.has(it.setupId)) points += it.points[quarter] ?? 0
    }
  }
  return { points, costMinor, cured: [...cured.values()] }
}
