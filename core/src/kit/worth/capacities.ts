import { CATEGORIES, type Category } from '../model/category.ts'
import type { Model } from '../model/model.ts'

/** What the cards, drives and packs of one kind hold together, and of how many nobody knows. */
export interface Capacity {
  label: string
  pieces: number
  megabytes: number
  /** As they are now: less what their health has lost, as far as it was measured. */
  milliwattHours: number
  /** Pieces of which nobody recorded what they hold. */
  unknown: number
  /** Packs whose health nobody measured: they are reckoned as new. */
  unmeasured: number
}

const KEEPS: ReadonlySet<Category> = new Set(['card', 'drive', 'nas'])
const FEEDS: ReadonlySet<Category> = new Set(['pack'])

/** Sums by kind over what is in use; `healthPercent` null is not measured. Other kinds only where what they hold is recorded. */
export function sumCapacities(
  things: readonly { model: Pick<Model, 'category' | 'specs'>; quantity: number; healthPercent: number | null }[],
): Capacity[] {
  const sums = new Map<Category, Capacity>()
  for (const { model, quantity, healthPercent } of things) {
    const { category, specs } = model
    const isKnown = specs.capacityMegabytes !== null || specs.energyMilliwattHours !== null
    if (quantity === 0 || !(isKnown || KEEPS.has(category) || FEEDS.has(category))) continue
    const known = sums.get(category) ?? {
      label: CATEGORIES[category].label,
      pieces: 0,
      megabytes: 0,
      milliwattHours: 0,
      unknown: 0,
      unmeasured: 0,
    }
    const energy = Math.round(((specs.energyMilliwattHours ?? 0) * (healthPercent ?? 100)) / 100)
    sums.set(category, {
      ...known,
      pieces: known.pieces + quantity,
      megabytes: known.megabytes + quantity * (specs.capacityMegabytes ?? 0),
      milliwattHours: known.milliwattHours + quantity * energy,
      unknown: known.unknown + (isKnown ? 0 : quantity),
      unmeasured: known.unmeasured + (specs.energyMilliwattHours !== null && healthPercent === null ? quantity : 0),
    })
  }
  return [...sums.values()]
}
