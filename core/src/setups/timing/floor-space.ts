import { z } from 'zod'
import { type Category, isKindOf } from '../../kit/model/category.ts'
import type { PlacedItem } from '../placed/placed-item.ts'

/** What stands on the floor by itself, and on how many feet. Common practice. */
const FEET: Readonly<Partial<Record<Category, number>>> = {
  tripod: 3,
  stand: 3,
  'mic-stand': 3,
  'backdrop-support': 6,
  furniture: 4,
}
export const floorThingSchema = z.object({
  key: z.string(),
  tag: z.string(),
  name: z.string(),
  feet: z.number(),
  /** Floor that it takes; null where neither its legs nor its size are recorded. */
  squareMm: z.number().nullable(),
  stays: z.boolean(),
})
export type FloorThing = z.infer<typeof floorThingSchema>

export const floorSpaceSchema = z.object({
  things: z.array(floorThingSchema),
  feet: z.number(),
  /** The sum of what is recorded. */
  squareMm: z.number(),
  /** Tags of which it is not. */
  unknown: z.array(z.string()),
})
export type FloorSpace = z.infer<typeof floorSpaceSchema>

/**
 * What of a setup stands on the floor: feet, and the area that is gone. A stand takes the circle in which its legs stand,
 * furniture its width by its depth. What rides on something else does not stand on the floor.
 */
export function computeFloorSpace(
  things: readonly PlacedItem[],
  below: ReadonlyMap<string, readonly string[]>,
  standing: ReadonlySet<string> = new Set(),
): FloorSpace {
  const prints = things.flatMap((thing): FloorThing[] => {
    const feet = thing.category === 'room' ? undefined : findFeet(thing.category)
    if (feet === undefined || (below.get(thing.key) ?? []).length > 0) return []
    const squareMm = findArea(thing)
    return [{ key: thing.key, tag: thing.tag, name: thing.name, feet, squareMm, stays: standing.has(thing.key) }]
  })
  return {
    things: prints,
    feet: prints.reduce((sum, it) => sum + it.feet, 0),
    squareMm: prints.reduce((sum, it) => sum + (it.squareMm ?? 0), 0),
    unknown: prints.flatMap((it) => (it.squareMm === null ? it.tag : [])),
  }
}

function findFeet(category: Category): number | undefined {
  const kind = (Object.keys(FEET) as Category[]).find((it) => isKindOf(category, it))
  return kind && FEET[kind]
}

function findArea({ model }: PlacedItem): number | null {
  const specs = model?.specs
  const radius = specs?.more.legRadiusMm
  if (typeof radius === 'number') return Math.PI * radius ** 2
  return specs?.footprint ? specs.footprint.widthMinMm * specs.footprint.depthMm : null
}
