import { beforeAll, describe, expect, test } from 'vitest'
import { loadTestSolver } from '../../setups/proposals/solver.fixture.ts'
import type { SolveProgram } from '../../units/integer-program.ts'
import { makeDice } from '../plan/random-plans.fixture.ts'
import { type KitPick, type KitQuestion, weighKit } from './kit-program.ts'
import { type JudgeKit, type KitAim, solveKit } from './solve-kit.ts'

let solve: SolveProgram
beforeAll(async () => {
  solve = await loadTestSolver()
})

const ROLES = ['camera', 'light', 'sound']

/** Twelve options for three roles, some of which go beside; what needs what, what goes not together, and what bears how much. */
function makeCase(seed: number) {
  const dice = makeDice(seed)
  const options = Array.from({ length: 12 }, (_, at) => {
    const goesBeside = at >= 8
    const roles = goesBeside ? [] : ROLES.filter((_, role) => role === at % 3 || dice(6) === 0)
    return {
      id: `o${at}`,
      costMinor: dice(12) === 0 ? 0 : 1 + dice(60_000),
      most: goesBeside || dice(3) === 0 ? 2 : 1,
      fills: roles.map((roleId) => ({ roleId, points: 1 + dice(9) })),
      goesBeside,
      isMust: dice(25) === 0,
    }
  })
  const any = () => `o${dice(12)}`
  const needs = Array.from({ length: dice(4) }, () => [any(), `o${8 + dice(4)}`] as const)
  const rivals = Array.from({ length: dice(3) }, () => [any(), any()] as const)
  const grams = options.map(() => dice(900))
  const bears = options.map((it) => (it.goesBeside ? dice(1_500) : 0))
  const question: KitQuestion = {
    roles: ROLES.map((id, at) => ({
      id,
      isRequired: at === 0 || (at === 1 && dice(3) > 0),
      freedBy: id === 'light' && dice(4) === 0 ? { roleId: 'camera', optionIds: ['o0'] } : null,
      servesId: id === 'sound' && dice(3) === 0 ? 'light' : null,
    })),
    options,
    makeJoints: null,
  }
  const judge: JudgeKit = (picks) => {
    const has = (id: string) => picks.some((it) => it.id === id)
    const count = ({ roleIds, beside }: KitPick) => roleIds.length + beside
    const sum = (of: readonly number[]) =>
      picks.reduce((total, it) => total + count(it) * (of[Number(it.id.slice(1))] ?? 0), 0)
    return [
      ...needs.flatMap(([a, b]) => (has(a) && !has(b) ? [`${a} needs ${b}`] : [])),
      ...rivals.flatMap(([a, b]) => (a !== b && has(a) && has(b) ? [`${a} not with ${b}`] : [])),
      ...(seed % 3 === 0 && sum(grams) > sum(bears) + 1_200 ? ['too heavy'] : []),
    ]
  }
  return { question, judge, budget: 20_000 + dice(120_000) }
}

/** Every kit that keeps the rules of the question, the best of them by trying all. */
function searchAll({ roles, options }: KitQuestion, budget: number, aim: KitAim, judge: JudgeKit) {
  let best: { points: number; costMinor: number } | null = null
  const look = (picks: KitPick[]) => {
    const weight = weighKit({ options }, picks)
    const isBetter =
      best === null ||
      (aim === 'points' && weight.points > best.points) ||
      ((aim === 'money' || weight.points === best.points) && weight.costMinor < best.costMinor)
    if (weight.costMinor <= budget && isBetter && judge(picks).length === 0) best = weight
  }
  const helpers = options.filter((it) => it.goesBeside)
  const choose = (at: number, filled: ReadonlyMap<string, string>): void => {
    const role = roles[at]
    if (!role) {
      const inRoles = options.flatMap((it): KitPick[] => {
        const roleIds = roles.flatMap(({ id }) => (filled.get(id) === it.id ? [id] : []))
        return roleIds.length === 0 ? [] : [{ id: it.id, roleIds, beside: 0, ways: [roleIds.length] }]
      })
      if (inRoles.some((it) => it.roleIds.length > (options.find((one) => one.id === it.id)?.most ?? 0))) return
      const add = (nth: number, picks: KitPick[]): void => {
        // More of it would only cost more.
        if (weighKit({ options }, picks).costMinor > budget) return
        const helper = helpers[nth]
        if (!helper) {
          const isWhole = options.every((it) => !it.isMust || picks.some((pick) => pick.id === it.id))
          if (isWhole) look(picks)
          return
        }
        for (let n = 0; n <= helper.most; n++)
          add(nth + 1, n === 0 ? picks : [...picks, { id: helper.id, roleIds: [], beside: n, ways: [n] }])
      }
      add(0, inRoles)
      return
    }
    const isFreed = role.freedBy?.optionIds.some((it) => filled.get(role.freedBy?.roleId ?? '') === it) ?? false
    if (isFreed || !role.isRequired) choose(at + 1, filled)
    if (isFreed) return
    if (role.servesId !== null && !filled.has(role.servesId)) return
    for (const option of options)
      if (option.fills.some((it) => it.roleId === role.id)) choose(at + 1, new Map([...filled, [role.id, option.id]]))
  }
  choose(0, new Map())
  return best as { points: number; costMinor: number } | null
}

describe('against trying everything', () => {
  test.each(['points', 'money'] as const)('aimed at %s: 200 seeded cases of 12 options', (aim) => {
    const seen = { proven: 0, none: 0, found: 0 }
    for (let seed = 1; seed <= 200; seed++) {
      const { question, judge, budget } = makeCase(seed)
      const best = searchAll(question, budget, aim, judge)
      const result = solveKit(question, budget, aim, solve, judge)
      if (result.status === 'none') {
        seen.none++
        expect(best, `seed ${seed}`).toBeNull()
      } else if (result.status === 'found') {
        const { points, costMinor, picks } = result.answer
        expect(judge(picks), `seed ${seed}`).toEqual([])
        if (result.isProven) {
          seen.proven++
          expect({ points, costMinor }, `seed ${seed}`).toEqual(aim === 'points' ? best : { ...best, points })
          if (aim === 'money') expect(costMinor, `seed ${seed}`).toBe(best?.costMinor)
        } else {
          seen.found++
          // Between what it found and what it says cannot be bettered.
          if (aim === 'points') expect(result.bound.points, `seed ${seed}`).toBeGreaterThanOrEqual(best?.points ?? 0)
          else expect(result.bound.costMinor, `seed ${seed}`).toBeLessThanOrEqual(best?.costMinor ?? 0)
        }
      }
    }
    expect(seen.none).toBeGreaterThan(15)
    expect(seen.proven + seen.none).toBeGreaterThan(170)
  })
})
