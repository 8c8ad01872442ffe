import type { FindingLevel } from '../../../studio/finding.ts'
import type { Holdings, PlacedItem } from '../../placed/placed-item.ts'
import type { NewSetup } from '../../setup/setup.ts'

export interface HeightFinding {
  key: string
  level: FindingLevel
  roleId: string | null
  code: 'height-out-of-reach'
  tag: string
  carriers: string[]
  wantedMm: number
  lowestMm: number
  highestMm: number
}

/**
 * Whether a thing can be brought to the height that its role asks for: what it rides on, down to the floor, reaches from
 * its lowest to its highest, and arms on the way reach up or down by their length. Where one of the carriers has no height
 * recorded, nothing is said.
 */
export function judgeWorkingHeights(
  setup: Pick<NewSetup, 'roles'>,
  things: readonly PlacedItem[],
  below: ReadonlyMap<string, readonly string[]>,
  holdings: Holdings,
): HeightFinding[] {
  const thingOf = new Map(things.map((it) => [it.key, it]))
  return setup.roles.flatMap((role) => {
    const wantedMm = role.position?.heightMm
    const main = role.things[0]?.unitId
    const thing = main ? thingOf.get(main) : undefined
    if (wantedMm == null || !thing) return []
    const carriers = (below.get(thing.key) ?? []).flatMap((key) => thingOf.get(key) ?? [])
    const range = findHeightRange(carriers, holdings)
    if (!range || (wantedMm >= range.lowestMm && wantedMm <= range.highestMm)) return []
    return [
      {
        key: `height-out-of-reach/${thing.key}`,
        level: 'warn' as const,
        roleId: role.id,
        code: 'height-out-of-reach' as const,
        tag: thing.tag,
        carriers: carriers.map(({ tag }) => tag),
        wantedMm,
        ...range,
      },
    ]
  })
}

function findHeightRange(carriers: readonly PlacedItem[], { units, models }: Holdings) {
  let range: { lowestMm: number; highestMm: number } | null = null
  let reach = 0
  for (const { key } of carriers) {
    const more = models.get(units.get(key)?.modelId ?? '')?.specs.more ?? {}
    const { heightMinMm: least, heightMaxMm: most, reachMm } = more
    if (typeof least === 'number' && typeof most === 'number') range = { lowestMm: least, highestMm: most }
    else if (typeof reachMm === 'number') reach += reachMm
  }
  return range && { lowestMm: Math.max(0, range.lowestMm - reach), highestMm: range.highestMm + reach }
}
