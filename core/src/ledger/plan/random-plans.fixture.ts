import type { PlanOption, PlanQuestion, PlanSetup } from './upgrade-plan.ts'

/** The same numbers from the same seed: Mulberry32, public domain. */
export function makeDice(seed: number): (below: number) => number {
  let state = seed
  return (below) => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return Math.floor((((t ^ (t >>> 14)) >>> 0) / 2 ** 32) * below)
  }
}

/** A question by its seed, with options that need others, stand for each other and are paid by sales. */
export function makeRandomQuestion(seed: number, size: number, quarters: number): PlanQuestion {
  const dice = makeDice(seed)
  const each = (most: number) => Array.from({ length: quarters }, () => dice(most))
  const ids = Array.from({ length: size }, (_, at) => `w${at}`)
  const some = (most: number) => [...new Set(Array.from({ length: 1 + dice(most) }, () => ids[dice(size)] as string))]
  const setups = Array.from({ length: 2 + dice(4) }, (_, at): PlanSetup => {
    const runs = dice(4) === 0
    const cures = Array.from({ length: 1 + dice(3) }, () => ({ wishIds: some(3), points: each(40) }))
    return { id: `s${at}`, runs, cures: runs ? [] : cures, isPromised: dice(8) === 0 }
  })
  const options = ids.map(
    (id, at): PlanOption => ({
      id,
      costMinor: 1 + dice(50_000),
      saleMinor: dice(5) === 0 ? dice(20_000) : 0,
      needsIds: dice(4) === 0 ? some(1).filter((it) => it !== id) : [],
      insteadIds: dice(6) === 0 && at > 0 ? [ids[dice(at)] as string] : [],
      gains: dice(3) === 0 ? [{ setupId: setups[dice(setups.length)]?.id ?? '', points: each(15) }] : [],
    }),
  )
  return { budgets: Array.from({ length: quarters }, () => dice(90_000)), options, setups }
}

/** The best that there is by trying everything: points, and the least that they cost; null where nothing keeps what is promised. */
export function searchAll(question: PlanQuestion): { points: number; costMinor: number } | null {
  const { options, budgets } = question
  const at: number[] = options.map(() => budgets.length)
  let best: { points: number; costMinor: number } | null = null
  for (;;) {
    const worth = weigh(question, at)
    if (
      worth &&
      (!best || worth.points > best.points || (worth.points === best.points && worth.costMinor < best.costMinor))
    )
      best = worth
    let next = 0
    while (next < at.length && at[next] === 0) at[next++] = budgets.length
    if (next === at.length) return best
    at[next] = (at[next] as number) - 1
  }
}

/** What one choice is worth, where `when` says in which quarter each option is bought; null where it may not be. */
function weigh({ options, setups, budgets }: PlanQuestion, when: readonly number[]) {
  const last = budgets.length
  const whenOf = new Map(options.map((it, at) => [it.id, when[at] as number]))
  const time = (id: string) => whenOf.get(id) ?? last
  let points = 0
  let costMinor = 0
  for (const [at, { needsIds, insteadIds }] of options.entries()) {
    const own = when[at] as number
    if (own === last) continue
    if (needsIds.some((id) => time(id) > own) || insteadIds.some((id) => time(id) < last)) return null
  }
  let money = 0
  for (let quarter = 0; quarter < last; quarter++) {
    money += budgets[quarter] as number
    for (const [at, it] of options.entries()) {
      if (when[at] !== quarter) continue
      money -= it.costMinor - it.saleMinor
      costMinor += it.costMinor - it.saleMinor
    }
    if (money < 0) return null
    const runs = (id: string) => {
      const setup = setups.find((it) => it.id === id)
      return setup?.runs || setup?.cures.some((it) => it.wishIds.every((wish) => time(wish) <= quarter))
    }
    for (const setup of setups) {
      if (setup.runs) continue
      const worth = setup.cures.filter((it) => it.wishIds.every((wish) => time(wish) <= quarter))
      points += Math.max(0, ...worth.map((it) => it.points[quarter] as number))
      if (quarter === last - 1 && setup.isPromised && worth.length === 0) return null
    }
    for (const [at, it] of options.entries()) {
      if ((when[at] as number) > quarter) continue
      for (const gain of it.gains) if (runs(gain.setupId)) points += gain.points[quarter] as number
    }
  }
  return { points, costMinor }
}

/** A studio that wishes for much: so many options and setups over four quarters, with budgets of a sixth of what all would cost. */
export function makeLargeQuestion(seed: number, size = 200, setupCount = 20, quarters = 4): PlanQuestion {
  const dice = makeDice(seed)
  const ids = Array.from({ length: size }, (_, at) => `w${at}`)
  const any = () => ids[dice(size)] as string
  const shoots = Array.from({ length: setupCount }, () => Array.from({ length: quarters }, () => dice(8)))
  /** So many points at each shoot of a setup. */
  const worth = (setup: number, most: number) => {
    const each = 1 + dice(most)
    return (shoots[setup] ?? []).map((it) => it * each)
  }
  const setups = shoots.map((_, at): PlanSetup => {
    const runs = dice(3) > 0
    const cure = () => ({
      wishIds: [...new Set(Array.from({ length: 1 + dice(4) }, any))],
      points: worth(at, 12),
    })
    const cures = runs ? [] : Array.from({ length: 1 + dice(6) }, cure)
    return { id: `s${at}`, runs, cures, isPromised: !runs && dice(6) === 0 }
  })
  const options = ids.map((id, at): PlanOption => {
    const gains = Array.from({ length: 1 + dice(3) }, () => dice(setupCount))
    return {
      id,
      costMinor: 500 + dice(120_000),
      saleMinor: dice(8) === 0 ? dice(20_000) : 0,
      needsIds: dice(3) === 0 ? [any()].filter((it) => it !== id) : [],
      insteadIds: dice(4) === 0 && at > 0 ? [ids[dice(at)] as string] : [],
      gains: gains.map((setup) => ({ setupId: `s${setup}`, points: worth(setup, 6) })),
    }
  })
  const all = options.reduce((sum, it) => sum + it.costMinor, 0)
  return { budgets: Array.from({ length: quarters }, () => Math.round(all * 0.04)), options, setups }
}
