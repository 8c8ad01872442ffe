import { z } from 'zod'
import { CATEGORIES, CATEGORY_CODES, type Group, groupSchema } from '../../kit/model/category.ts'
import { nameModel } from '../../kit/model/model.ts'
import { computeCarriedLoads } from '../../setups/checks/rigging/carried-load.ts'
import { makeScene } from '../../setups/checks/scene.ts'
import type { AssessmentInput } from '../../setups/placed/assessment-input.ts'
import { type Finding, findingSchema, recordOf } from '../../setups/verdict/finding.ts'
import { makeJudge } from '../../setups/verdict/incremental.ts'
import { amount } from '../../studio/people/secrecy.ts'
import type { PlugSystemCode } from '../../studio/places/plug-systems.ts'
import type { SolveProgram } from '../../units/integer-program.ts'
import { roundHalfAwayFromZero } from '../../units/rounding.ts'
import type { Weighting } from '../wish/points.ts'
import { type KitItem, listModes, placeKit } from './kit-items.ts'
import { countFilmsToGo, MOST_SHARE_PERCENT, type RoleMust, type Tier } from './kit-plan.ts'
import type { KitPick, KitQuestion } from './kit-program.ts'
import { listOpenRoles, makeKitQuestion } from './kit-question.ts'
import { findLacking, lackingSchema } from './lacking.ts'
import { type JudgeKit, type KitResult, solveKit } from './solve-kit.ts'

const lineSchema = z.object({
  /** Of the option, or of what is here. */
  id: z.string(),
  modelId: z.string(),
  name: z.string(),
  category: z.enum(CATEGORY_CODES),
  count: z.number(),
  /** Roles that it fills, and with which roles its further pieces lie. */
  roleIds: z.array(z.string()),
  besideRoleIds: z.array(z.string()),
  /** How each piece is powered, those in roles first; null where it has one way or none. */
  powerModeIds: z.array(z.string().nullable()),
  /** Things that are here, or the stock of which they are; empty where it is bought. */
  here: z.array(
    z.object({
      unitId: z.string().nullable(),
      stockId: z.string().nullable(),
      tag: z.string(),
      /** So many other setups have it, and go on wanting it. */
      usedBy: z.number(),
    }),
  ),
  eachMinor: amount(z.number()),
  totalMinor: amount(z.number()),
  /** Pieces that the tier before has as well. */
  carried: z.number(),
  /** In its stead the kit is whole as well: with how much more or less. */
  others: z.array(z.object({ id: z.string(), name: z.string(), moreMinor: amount(z.number()) })),
})
export type KitLine = z.infer<typeof lineSchema>

const kitSchema = z.object({
  lines: z.array(lineSchema),
  costMinor: amount(z.number()),
  points: z.number(),
  /** No complete kit of these is worth more, or costs less for the same. */
  isProven: z.boolean(),
  /** What no complete kit can better. */
  bound: z.object({ points: z.number(), costMinor: amount(z.number()) }),
  shares: z.array(z.object({ group: groupSchema, minor: amount(z.number()), percent: z.number() })),
  /** Takes more than half of it. */
  eats: groupSchema.nullable(),
  /** Of which the answer could be that it does not run, then what is to be looked at. */
  questions: z.array(findingSchema),
  warnings: z.array(findingSchema),
  /** Roles that nothing fills: wanted, or optional. */
  empty: z.array(z.string()),
  /** What each support bears and could. */
  margins: z.array(z.object({ name: z.string(), bearsGrams: z.number(), ratedGrams: z.number() })),
})
export type KitOfTier = z.infer<typeof kitSchema>

/** Kits for sums of money, side by side. */
export const kitsSchema = z.object({
  tiers: z.array(
    z.object({
      tierId: z.string(),
      /** `short`: proven that no complete kit costs so little. */
      status: z.enum(['whole', 'short', 'unproven']),
      kit: kitSchema.nullable(),
      leftMinor: amount(z.number().nullable()),
      filmsToGo: z.number(),
      /** What of the tier before is not in this one: bought in vain by whoever goes on. */
      lost: z.array(z.object({ name: z.string(), count: z.number(), minor: amount(z.number()) })),
      lostMinor: amount(z.number()),
    }),
  ),
  /** The cheapest complete kit, and the one that nothing of the list would better. */
  least: z.object({ costMinor: amount(z.number()), isProven: z.boolean() }).nullable(),
  most: z.object({ costMinor: amount(z.number()), isProven: z.boolean() }).nullable(),
  /** Sums to begin with: the cheapest, the end, and halfway in whole units of the currency. */
  templates: z.array(z.object({ name: z.string(), budgetMinor: amount(z.number()) })),
  lacking: lackingSchema.nullable(),
})
export type Kits = z.infer<typeof kitsSchema>

/** What kits are made from: the setup with what stays in it, and everything of which they may be. */
export interface KitCase {
  input: AssessmentInput
  items: readonly KitItem[]
  musts: readonly RoleMust[]
  weigh: Weighting
  tiers: readonly Tier[]
  /** Films published so far. */
  published: number
  /** Decimals of the currency, and the plugs of the country. */
  exponent: number
  plugs: PlugSystemCode
}

const isOpenStop = (it: Finding) => it.level === 'stop' && (!it.accepted || recordOf(it).isHazard === true)
/** So many other things are tried in the place of one. */
const MOST_OTHERS = 4

/** A complete kit for each sum of money: the one worth most, and of those the cheapest, with what it leaves open. */
export function planKits(kit: KitCase, solve: SolveProgram): Kits {
  const { input, items } = kit
  const question = makeKitQuestion(input, items, kit.musts, kit.weigh)
  const judge = makeJudge()
  const assess = (picks: readonly KitPick[]) => judge.assess(placeKit(input, items, picks).input)
  let nearest: Finding[] = []
  const listWrong: JudgeKit = (picks) => {
    const wrong = assess(picks).findings.filter(isOpenStop)
    if (wrong.length > 0 && nearest.length === 0) nearest = wrong
    return wrong.map((it) => it.key)
  }
  const sorted = [...kit.tiers].sort((a, b) => a.budgetMinor - b.budgetMinor)
  const least = solveKit(question, null, 'money', solve, listWrong)
  if (least.status !== 'found') {
    return {
      tiers: sorted.map((tier) => describeNone(tier, least.status === 'none' ? 'short' : 'unproven', kit.published)),
      least: null,
      most: null,
      templates: [],
      lacking: findLacking(kit, question, nearest, solve),
    }
  }
  const most = solveKit(question, null, 'points', solve, listWrong)
  let before: KitOfTier | null = null
  const tiers = sorted.map((tier): Kits['tiers'][number] => {
    const { status, answer } = solveTier(tier, { question, least, most, listWrong, solve })
    if (!answer) return describeNone(tier, status, kit.published)
    const described = describeKit(kit, question, answer, before, { assess, listWrong })
    const lost = before ? listLost(before, described) : []
    before = described
    return {
      tierId: tier.id,
      status: 'whole',
      kit: described,
      leftMinor: tier.budgetMinor - answer.answer.costMinor,
      filmsToGo: countFilmsToGo(tier, kit.published),
      lost,
      lostMinor: lost.reduce((sum, it) => sum + it.minor, 0),
    }
  })
  const ends = { least: sumEnd(least), most: sumEnd(most) }
  return { tiers, ...ends, templates: listTemplates(ends, kit.exponent), lacking: null }
}

/** Three sums that the list itself gives, one where all of it comes to the same. */
function listTemplates({ least, most }: Pick<Kits, 'least' | 'most'>, exponent: number): Kits['templates'] {
  if (!least) return []
  const first = { name: 'To begin with', budgetMinor: least.costMinor }
  if (!most?.isProven || most.costMinor <= least.costMinor) return [first]
  const whole = 10 ** exponent
  const halfway = Math.ceil((least.costMinor + most.costMinor) / 2 / whole) * whole
  return [
    first,
    ...(halfway < most.costMinor ? [{ name: 'Halfway', budgetMinor: halfway }] : []),
    { name: 'All that is worth it', budgetMinor: most.costMinor },
  ]
}

type Found = Extract<KitResult, { status: 'found' }>

const sumEnd = (it: KitResult) =>
  it.status === 'found' ? { costMinor: it.answer.costMinor, isProven: it.isProven } : null

function solveTier(
  tier: Tier,
  {
    question,
    least,
    most,
    listWrong,
    solve,
  }: { question: KitQuestion; least: Found; most: KitResult; listWrong: JudgeKit; solve: SolveProgram },
): { status: 'short' | 'unproven'; answer: Found | null } {
  if (tier.budgetMinor < least.answer.costMinor)
    return { status: tier.budgetMinor < least.bound.costMinor ? 'short' : 'unproven', answer: null }
  // Where the best of all is paid by it, that is it.
  if (most.status === 'found' && most.answer.costMinor <= tier.budgetMinor) return { status: 'unproven', answer: most }
  const best = solveKit(question, tier.budgetMinor, 'points', solve, listWrong)
  if (best.status === 'found') return { status: 'unproven', answer: best }
  // The cheapest is complete and can be paid: it is one, though maybe not the best.
  return { status: 'unproven', answer: { ...least, isProven: false } }
}

const describeNone = (tier: Tier, status: 'short' | 'unproven', published: number): Kits['tiers'][number] => ({
  tierId: tier.id,
  status,
  kit: null,
  leftMinor: null,
  filmsToGo: countFilmsToGo(tier, published),
  lost: [],
  lostMinor: 0,
})

function describeKit(
  { input, items }: KitCase,
  question: KitQuestion,
  { answer, isProven, bound }: Found,
  before: KitOfTier | null,
  { assess, listWrong }: { assess(picks: readonly KitPick[]): { findings: Finding[] }; listWrong: JudgeKit },
): KitOfTier {
  const { picks, costMinor, points } = answer
  const placed = placeKit(input, items, picks)
  const { findings } = assess(picks)
  const lines = picks.flatMap((pick): KitLine[] => {
    const item = items.find((it) => it.id === pick.id)
    if (!item) return []
    const count = pick.roleIds.length + pick.beside
    return [
      {
        id: item.id,
        modelId: item.model.id,
        name: nameModel(item.model),
        category: item.model.category,
        count,
        roleIds: pick.roleIds,
        besideRoleIds: [...new Set(placed.homes.get(item.id) ?? [])],
        powerModeIds: listModes(item, pick),
        here: listHere(item, count),
        eachMinor: item.priceMinor,
        totalMinor: item.priceMinor * count,
        carried: Math.min(count, before?.lines.find((it) => it.id === item.id)?.count ?? 0),
        others: listOthers(pick, picks, items, question, listWrong),
      },
    ]
  })
  const shares = listShares(lines, costMinor)
  return {
    lines,
    costMinor,
    points,
    isProven,
    bound,
    shares,
    eats: shares.find((it) => it.minor * 100 > MOST_SHARE_PERCENT * costMinor)?.group ?? null,
    questions: findings.filter((it) => it.level === 'unknown-stop' && !it.accepted),
    warnings: findings.filter((it) => it.level === 'warn' && !it.accepted && it.code !== 'role-empty'),
    empty: listOpenRoles(placed.input.setup.roles).map((it) => it.id),
    margins: computeCarriedLoads(makeScene(placed.input)).every.map((it) => ({
      name: it.tag,
      bearsGrams: it.totalGrams,
      ratedGrams: it.ratedGrams,
    })),
  }
}

function listHere({ source }: KitItem, count: number): KitLine['here'] {
  if (source.kind === 'units')
    return source.units
      .slice(0, count)
      .map(({ id, tag }) => ({ unitId: id, stockId: null, tag, usedBy: source.usedBy.get(id) ?? 0 }))
  if (source.kind === 'shop') return []
  return [{ unitId: null, stockId: source.stock.id, tag: source.stock.tag, usedBy: 0 }]
}

/** Options that could stand in the place of one, with which the kit is whole as it is: nothing else is changed. */
function listOthers(
  pick: KitPick,
  picks: readonly KitPick[],
  items: readonly KitItem[],
  { options }: KitQuestion,
  listWrong: JudgeKit,
): KitLine['others'] {
  const own = items.find((it) => it.id === pick.id)
  const [roleId] = pick.roleIds
  if (!own || roleId === undefined || pick.roleIds.length !== 1 || pick.beside > 0) return []
  const rivals = items
    .filter((it) => it.id !== pick.id && !picks.some((one) => one.id === it.id) && it.source.kind === 'shop')
    .filter((it) => options.find((one) => one.id === it.id)?.fills.some((fill) => fill.roleId === roleId))
    .sort((a, b) => a.priceMinor - b.priceMinor)
    .slice(0, MOST_OTHERS)
  return rivals.flatMap((it) => {
    const swapped = it.model.powerModes.length > 0 ? it.model.powerModes : [null]
    const isWhole = swapped.some((_, way) => {
      const ways = swapped.map((__, at) => (at === way ? 1 : 0))
      const others = picks.map((one) => (one === pick ? { id: it.id, roleIds: [roleId], beside: 0, ways } : one))
      return listWrong(others).length === 0
    })
    return isWhole ? [{ id: it.id, name: nameModel(it.model), moreMinor: it.priceMinor - own.priceMinor }] : []
  })
}

/** What each group of things costs of all; nothing where nothing is paid. Shares are rounded each by itself. */
function listShares(lines: readonly KitLine[], costMinor: number): KitOfTier['shares'] {
  const sums = new Map<Group, number>()
  for (const { category, totalMinor } of lines) {
    const { group } = CATEGORIES[category]
    if (totalMinor > 0) sums.set(group, (sums.get(group) ?? 0) + totalMinor)
  }
  return [...sums]
    .map(([group, minor]) => ({ group, minor, percent: roundHalfAwayFromZero((minor * 1000) / costMinor) / 10 }))
    .sort((a, b) => b.minor - a.minor)
}

function listLost(before: KitOfTier, now: KitOfTier): Kits['tiers'][number]['lost'] {
  return before.lines.flatMap(({ id, name, count, eachMinor, here }) => {
    const kept = now.lines.find((it) => it.id === id)?.count ?? 0
    const gone = Math.max(0, count - kept)
    // What was here before costs nobody anything.
    return gone > 0 && here.length === 0 ? [{ name, count: gone, minor: gone * eachMinor }] : []
  })
}
