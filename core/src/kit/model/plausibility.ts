import { CATEGORIES, type Category } from './category.ts'
import type { Specs } from './model.ts'
import { SPECS, type SpecFacts, type SpecKey } from './spec.ts'

/** Something recorded that hardly can be: to be asked about at entry, and kept when somebody says it is right. */
export type Doubt =
  | { code: 'out-of-bounds'; label: string; value: number; unit: string; least: number; most: number }
  | { code: 'prime-with-two'; shortestMm: number; longestMm: number }
  | { code: 'zoom-with-one'; focalMm: number }
  | { code: 'turned-round'; lower: string; upper: string }
  | { code: 'sensor-not-wide'; widthMm: number; heightMm: number }

/** What a thing of a kind plausibly weighs, draws, holds and bears. Common practice, from memory. */
const USUAL = {
  massGrams: { label: 'Mass', unit: 'g', any: [1, 80_000], card: [1, 30], cell: [5, 200], lens: [50, 6_000] },
  energyMilliwattHours: { label: 'Energy', unit: 'mWh', any: [500, 2_000_000], pack: [1_500, 600_000] },
  capacityMegabytes: {
    label: 'Capacity',
    unit: 'MB',
    any: [1_000, 500_000_000],
    card: [1_000, 4_000_000],
    drive: [60_000, 60_000_000],
  },
  milliwatts: { label: 'Draw', unit: 'mW', any: [50, 5_000_000], camera: [500, 60_000], light: [500, 3_000_000] },
  loadGrams: { label: 'Load', unit: 'g', any: [50, 500_000] },
} as const
type UsualKey = keyof typeof USUAL

const PAIRS: readonly [lower: SpecKey, upper: SpecKey][] = [
  ['focalMinMm', 'focalMaxMm'],
  ['kelvinMin', 'kelvinMax'],
  ['heightMinMm', 'heightMaxMm'],
]

/** What to ask about a new model. Its name is never read for figures: what a lamp is called is not what it draws. */
export function findDoubts(
  category: Category,
  { more, ...specs }: Partial<Specs>,
  facts: { milliwatts?: number | null; loadGrams?: number | null } = {},
): Doubt[] {
  const doubts: Doubt[] = []
  for (const [key, value] of Object.entries({ ...specs, ...facts })) {
    if (typeof value !== 'number' || !(key in USUAL)) continue
    const { label, unit, any, ...byKind } = USUAL[key as UsualKey]
    const kinds: Record<string, readonly [number, number]> = byKind
    const wider: string = 'isA' in CATEGORIES[category] ? (CATEGORIES[category] as { isA: string }).isA : category
    const [least, most] = kinds[category] ?? kinds[wider] ?? any
    if (value < least || value > most) doubts.push({ code: 'out-of-bounds', label, value, unit, least, most })
  }
  for (const [key, value] of Object.entries(more ?? {}) as [SpecKey, number | string][]) {
    const spec: SpecFacts = SPECS[key]
    if (spec.kind !== 'figure' || typeof value !== 'number') continue
    const [least, most] = spec.plausible
    if (value < least || value > most) {
      doubts.push({ code: 'out-of-bounds', label: spec.label, value, unit: spec.unit, least, most })
    }
  }
  for (const [lower, upper] of PAIRS) {
    const low = more?.[lower]
    const high = more?.[upper]
    if (typeof low === 'number' && typeof high === 'number' && low > high) {
      doubts.push({ code: 'turned-round', lower: SPECS[lower].label, upper: SPECS[upper].label })
    }
  }
  return [...doubts, ...findLensDoubts(more), ...findSensorDoubts(more)]
}

function findLensDoubts(more: Partial<Specs>['more']): Doubt[] {
  const shortest = more?.focalMinMm
  const longest = more?.focalMaxMm
  if (typeof shortest !== 'number' || typeof longest !== 'number') return []
  if (more?.lensKind === 'prime' && shortest !== longest) {
    return [{ code: 'prime-with-two', shortestMm: shortest, longestMm: longest }]
  }
  return more?.lensKind === 'zoom' && shortest === longest ? [{ code: 'zoom-with-one', focalMm: shortest }] : []
}

function findSensorDoubts(more: Partial<Specs>['more']): Doubt[] {
  const width = more?.sensorWidthMm
  const height = more?.sensorHeightMm
  if (typeof width !== 'number' || typeof height !== 'number' || width >= height) return []
  return [{ code: 'sensor-not-wide', widthMm: width, heightMm: height }]
}
