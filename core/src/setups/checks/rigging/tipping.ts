import { z } from 'zod'
import {
  computeTippingSafety,
  findMissingWeight,
  findTippingEdge,
  type HangingMass,
  TIPS_BELOW,
  UNSTEADY_BELOW,
} from '../../../formulas/rigging/tipping.ts'
import { SPECS } from '../../../kit/model/spec.ts'
import { USUAL_HAND } from '../../../kit/model/usual-hand.ts'
import type { NeededFact } from '../../../kit/template/needed-facts.ts'
import { findingLevelSchema } from '../../../studio/finding.ts'
import { trim } from '../../../units/quantity.ts'
import type { Joint } from '../../joining/completeness.ts'
import { isItemOf, type PlacedItem, readFigure } from '../../placed/placed-item.ts'
import type { Store } from '../../placed/store.ts'
import { defineCheck, defineSum, type Found, ofItem } from '../check.ts'
import { makeGauge, plain, type WorkingWords } from '../finding-words.ts'
import { findRole } from '../ideas.ts'
import { factOf, type Scene } from '../scene.ts'
import { computeCarriedLoads } from './carried-load.ts'
import { findUsualMass } from './usual-mass.ts'

/** What a stand carries beside its column, against what keeps it on its legs. */
export const tippingSchema = z.object({
  formula: z.literal('tipping'),
  key: z.string(),
  tag: z.string(),
  name: z.string(),
  legRadiusMm: z.number(),
  edgeMm: z.number(),
  /** Everything that counts, the stand itself and its sandbags among it. */
  masses: z.array(z.object({ tag: z.string(), massGrams: z.number(), offsetMm: z.number() })),
  safety: z.number(),
  /** Grams that are wanting on its foot. */
  missingGrams: z.number(),
  level: findingLevelSchema,
})
export type Tipping = z.infer<typeof tippingSchema>

type TippingFinding =
  | { code: 'tips-over'; working: Tipping }
  | { code: 'tipping-unknown'; tag: string; name: string; of: string; modelId: string | null; fact: NeededFact }

/** Whatever hangs beside a stand, on a boom or an arm, must not pull it over. A hazard: as bad on any role. */
export const tipping = defineCheck<TippingFinding>({
  shownIn: 'rig',
  find: (scene) =>
    factOf(scene, judgeStands).flatMap((it): Found<TippingFinding>[] => {
      if ('shared' in it) return []
      if ('fact' in it) {
        const { stand, of, fact } = it
        const modelId = of.model?.id ?? null
        return [
          {
            ...ofItem(stand),
            about: [stand.key, fact],
            level: 'unknown-stop',
            code: 'tipping-unknown',
            of: of.tag,
            modelId,
            fact,
          },
        ]
      }
      const roleId = scene.itemOf.get(it.key)?.roleId ?? null
      return it.level === 'ok' ? [] : [{ about: [it.key], roleId, level: it.level, code: 'tips-over', working: it }]
    }),
  codes: {
    'tips-over': {
      isHazard: true,
      say: ({ working: { tag, safety, missingGrams, level, masses } }) => ({
        title: level === 'stop' ? `${tag} tips over` : `${tag} stands unsteadily`,
        text: `With ${sayFarthest(masses)}, what holds it is ${trim(safety, 2)} times what pulls it over, in its weakest direction; ${UNSTEADY_BELOW} is wanted. ${sayKilograms(missingGrams)} more of sandbags on its legs, a shorter reach or a counterweight would hold it. Turn one leg towards the load. A competent rigger decides about anything overhead.`,
        gauge: makeGauge(safety, UNSTEADY_BELOW, `${trim(safety, 2)} of ${UNSTEADY_BELOW}`),
      }),
      sayPlainly: ({ working: { tag, level } }) =>
        level === 'stop'
          ? `${tag} falls over with what hangs on it. Put sandbags on its legs, or hang less on it.`
          : `${tag} is easily knocked over. Put a sandbag on its legs.`,
      deciding: ({ working }) => [trim(working.safety, 2)],
      ideas: ({ roleId, working }, { scene, store }) => listBags(findRole(scene, roleId)?.id ?? null, working, store),
      seeks: () => ({ categories: ['sandbag'] }),
      isSmaller: (after, before) => after.working.safety > before.working.safety,
    },
    'tipping-unknown': {
      couldStop: true,
      isHazard: true,
      say: ({ tag, of, fact }) =>
        plain(
          `Cannot tell whether ${tag} stands`,
          `Something hangs beside it. Nobody recorded ${WHAT[fact]?.(of) ?? of}.`,
        ),
      deciding: ({ of, fact }) => [of, fact],
      asks: ({ modelId, fact }) => (modelId === null ? null : { modelId, fact }),
    },
  },
})

export const tippingSum = defineSum<Tipping>({
  formula: 'tipping',
  list: (scene) => factOf(scene, judgeStands).flatMap((it) => ('formula' in it ? [it] : [])),
  say: sayWorking,
  follows: () => [],
})

const WHAT: Readonly<Partial<Record<NeededFact, (tag: string) => string>>> = {
  reach: (tag) => `how far ${tag} reaches`,
  'leg-radius': (tag) => `how far the legs of ${tag} reach out`,
  mass: (tag) => `what ${tag} weighs`,
}

/** A figure that decides and that nobody recorded. */
interface Lacking {
  stand: PlacedItem
  of: PlacedItem
  fact: 'reach' | 'leg-radius' | 'mass'
}

/** A stand that stands or falls by how much comes on it of what others bear as well. */
export interface UnsureStand {
  stand: PlacedItem
  /** Tags of that. */
  shared: string[]
}

export const listUnsureStands = (scene: Scene): UnsureStand[] =>
  factOf(scene, judgeStands).flatMap((it) => ('shared' in it ? [it] : []))

/** Legs reach out so far at least; a stand that holds on less than that needs no question. */
const LEAST_LEGS_MM = SPECS.legRadiusMm.plausible[0]

/** A small arm is no longer than this (common practice). */
const SMALL_ARM_MM = 400

/** Every stand beside whose column something hangs. */
function judgeStands(scene: Scene): (Tipping | Lacking | UnsureStand)[] {
  const ridersOf = groupRiders(scene)
  const { sharedOn } = factOf(scene, computeCarriedLoads)
  const loaded = scene.items.flatMap((stand) => {
    if (!STANDS.some((kind) => isItemOf(stand, kind))) return []
    const hung = listHung(stand, ridersOf, scene)
    return hung.some((it) => it.offsetMm === null || it.offsetMm > 0) ? [{ stand, hung }] : []
  })
  const bagsOf = layBags(loaded, scene)
  return loaded.map(({ stand, hung }) => {
    const bags = bagsOf.get(stand.key) ?? []
    const shared = sharedOn.get(stand.key)
    const whole = judgeStand(stand, hung, bags)
    if (!shared || 'fact' in whole) return whole
    // Between none and all of it what holds only grows or only falls, so that the two ends tell.
    const without = judgeStand(
      stand,
      hung.filter((it) => !shared.has(it.item.key)),
      bags,
    )
    const isSure = 'fact' in without || (without.level === 'stop') === (whole.level === 'stop')
    if (!isSure) return { stand, shared: hung.flatMap(({ item }) => (shared.has(item.key) ? item.tag : [])) }
    return 'safety' in without && without.safety < whole.safety ? without : whole
  })
}

const STANDS = ['tripod', 'stand', 'mic-stand'] as const

interface Hung {
  item: PlacedItem
  /** Null where an arm on the way has no reach recorded. */
  offsetMm: number | null
  /** The arm of which it is not. */
  arm: PlacedItem | null
}

function groupRiders({ joints, interfaces }: Scene): ReadonlyMap<string, Joint[]> {
  const riders = new Map<string, Joint[]>()
  for (const joint of joints) {
    const kind = interfaces.get(joint.interfaceCode)?.kind
    if (kind === 'signal' || kind === 'mains') continue
    riders.set(joint.host.key, [...(riders.get(joint.host.key) ?? []), joint])
  }
  return riders
}

/** The reach of what holds things away from the column; nothing for what does not. */
function findReach(item: PlacedItem): number | null {
  // A microphone stand with a boom of its own has its reach recorded; one without has none.
  if (item.category === 'mic-stand') return readFigure(item, 'reachMm') ?? 0
  const isArm = isItemOf(item, 'arm') || item.category === 'combo-boom'
  if (!isArm) return 0
  return readFigure(item, 'reachMm') ?? (item.category === 'friction-arm' ? SMALL_ARM_MM : null)
}

/** Everything above a stand with how far out it hangs at most: arms straight out, one after the other, each with its own mass in its middle. */
function listHung(stand: PlacedItem, ridersOf: ReadonlyMap<string, Joint[]>, { itemOf }: Scene): Hung[] {
  const hung: Hung[] = []
  const seen = new Set([stand.key])
  const visit = (below: PlacedItem, startMm: number | null, arm: PlacedItem | null) => {
    const reach = findReach(below)
    const tipMm = startMm === null || reach === null ? null : startMm + reach
    const longest = arm ?? (reach === null ? below : null)
    for (const { guest } of ridersOf.get(below.key) ?? []) {
      const item = itemOf.get(guest.key)
      if (!item || seen.has(item.key)) continue
      seen.add(item.key)
      const own = findReach(item)
      const middle = tipMm === null || own === null ? null : tipMm + own / 2
      hung.push({ item, offsetMm: middle, arm: longest ?? (own === null ? item : null) })
      visit(item, tipMm, longest)
    }
  }
  visit(stand, 0, null)
  return hung
}

function judgeStand(stand: PlacedItem, hung: readonly Hung[], bags: readonly PlacedItem[]): Tipping | Lacking {
  const open = hung.find((it) => it.offsetMm === null)
  if (open) return { stand, of: open.arm ?? open.item, fact: 'reach' }
  const radius = readFigure(stand, 'legRadiusMm')
  const legRadiusMm = radius ?? LEAST_LEGS_MM
  const parts = [
    ...hung.map(({ item, offsetMm }) => ({ item, offsetMm: offsetMm ?? 0 })),
    ...[stand, ...bags].map((item) => ({ item, offsetMm: 0 })),
  ]
  const edgeMm = findTippingEdge(legRadiusMm)
  // What nobody weighed pulls with twice what such a thing usually weighs, and holds with nothing.
  const weigh = ({ item, offsetMm }: (typeof parts)[number]) =>
    item.massGrams ?? (offsetMm > edgeMm ? USUAL_HAND * (findUsualMass(item) ?? 0) : 0)
  const masses = parts.map((it) => ({ tag: it.item.tag, massGrams: weigh(it), offsetMm: it.offsetMm }))
  const isOpen = parts.find(
    ({ item, offsetMm }) => item.massGrams === null && (offsetMm <= edgeMm || findUsualMass(item) === null),
  )
  const safety = computeTippingSafety(masses, edgeMm)
  const level = safety < TIPS_BELOW ? 'stop' : safety < UNSTEADY_BELOW ? 'warn' : 'ok'
  const isPull = isOpen !== undefined && isOpen.offsetMm > edgeMm
  if (isOpen && (isPull || level !== 'ok')) return { stand, of: isOpen.item, fact: 'mass' }
  if (radius === null && level !== 'ok') return { stand, of: stand, fact: 'leg-radius' }
  const missingGrams = findMissingWeight(masses, edgeMm, UNSTEADY_BELOW)
  const { key, tag, name } = stand
  return { formula: 'tipping', key, tag, name, legRadiusMm, edgeMm, masses, safety, missingGrams, level }
}

/**
 * Sandbags lie on a stand of their own role, or of the role that theirs goes with; where there are several, the heaviest first
 * on the one that would otherwise be the first to fall.
 */
function layBags(
  loaded: readonly { stand: PlacedItem; hung: readonly Hung[] }[],
  { items }: Scene,
): ReadonlyMap<string, readonly PlacedItem[]> {
  const laid = new Map(loaded.map(({ stand }) => [stand.key, [] as PlacedItem[]]))
  const safetyOf = ({ stand, hung }: (typeof loaded)[number]) => {
    const verdict = judgeStand(stand, hung, laid.get(stand.key) ?? [])
    return 'safety' in verdict ? verdict.safety : 0
  }
  const bags = items.filter((it) => it.category === 'sandbag' && it.roleId !== null)
  for (const bag of bags.toSorted((a, b) => (b.massGrams ?? 0) - (a.massGrams ?? 0))) {
    const [first, ...rest] = loaded.filter(
      ({ stand }) => bag.roleId === stand.roleId || bag.goesWith === stand.roleId || stand.goesWith === bag.roleId,
    )
    if (!first) continue
    const weakest = rest.reduce((least, it) => (safetyOf(it) < safetyOf(least) ? it : least), first)
    laid.get(weakest.stand.key)?.push(bag)
  }
  return laid
}

function listBags(roleId: string | null, { missingGrams }: Tipping, store: Store) {
  if (roleId === null) return []
  return store.stock
    .filter((it) => it.model.category === 'sandbag' && (it.model.specs.massGrams ?? 0) > 0)
    .flatMap(({ stock, model, free }) => {
      const quantity = Math.ceil(missingGrams / (model.specs.massGrams ?? 1))
      return quantity <= free
        ? [{ kind: 'assign-stock' as const, roleId, stockId: stock.id, quantity, name: model.name }]
        : []
    })
}

const sayKilograms = (grams: number) => `${trim(grams / 1000, 1)} kg`
const sayMetres = (mm: number) => `${trim(mm / 1000, 2)} m`

function sayFarthest(masses: Tipping['masses']): string {
  const farthest = masses.reduce<Tipping['masses'][number] | null>(
    (most, it) => (most === null || it.offsetMm > most.offsetMm ? it : most),
    null,
  )
  return farthest ? `${farthest.tag} ${sayMetres(farthest.offsetMm)} beside its column` : 'what hangs on it'
}

function sayWorking({ tag, masses, edgeMm, legRadiusMm, safety }: Tipping): WorkingWords {
  const sayMoment = ({ massGrams, offsetMm }: HangingMass) =>
    `${sayKilograms(massGrams)} × ${sayMetres(Math.abs(offsetMm - edgeMm))} ${offsetMm > edgeMm ? 'over' : 'back'}`
  const isNothingOver = safety === Number.POSITIVE_INFINITY || !masses.some((it) => it.offsetMm > edgeMm)
  return {
    title: `Whether ${tag} stands`,
    summary: isNothingOver ? 'nothing beyond its legs' : `${trim(safety, 2)} for ${UNSTEADY_BELOW}`,
    lines: [
      { label: 'edge', sum: `${sayMetres(legRadiusMm)} × cos(180° / 3) = ${sayMetres(edgeMm)}` },
      ...masses.map((it) => ({ label: it.tag, sum: sayMoment(it) })),
    ],
    assumptions: [
      'In the weakest direction, between two of three legs; arms straight out, each with its mass in its middle.',
      'Sandbags of the same role lie on the legs, where there are several stands on the one that wants them most. A push, wind and a slope are not in this sum.',
      `Under ${TIPS_BELOW} it counts as falling, under ${UNSTEADY_BELOW} as unsteady (common practice).`,
    ],
    source: 'Σ m·(b − x) on the feet ÷ Σ m·(x − b) beyond them',
  }
}
