import type { PlacedItem } from '../../placed/placed-item.ts'
import { isLight } from '../../placed/placed-item.ts'

/** Grams for each watt hour of a pack with its housing (common practice, from memory: 5 to 8). */
const GRAMS_PER_WATT_HOUR = 8

/** What a thing of unknown mass weighs at most by what else is known of it; null where nothing tells. */
export function findUsualMass(item: PlacedItem): number | null {
  if (isLight(item)) return 0
  if (item.category === 'lavalier') return 50
  if (item.category !== 'pack' || item.energyMilliwattHours === null) return null
  return Math.round((item.energyMilliwattHours / 1000) * GRAMS_PER_WATT_HOUR)
}
