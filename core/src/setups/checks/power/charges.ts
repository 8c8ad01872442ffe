import { holdsCharge, readCharge } from '../../../kit/unit/charge.ts'
import { listInWords, sayNumber } from '../../../units/wording.ts'
import type { PlacedItem } from '../../placed/placed-item.ts'
import { defineCheck, type Found, LEVEL_OF_IMPORTANCE, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import { listStandInsFor } from '../ideas.ts'
import type { Scene } from '../scene.ts'

interface UsedPack {
  code: 'charge-used'
  unitId: string
  tag: string
  name: string
  /** The day on which it was worked from. */
  on: string
}

/** Packs that are known to have been worked from since they were charged. Nobody is stopped: they are charged first. */
export const charges = defineCheck<UsedPack>({
  shownIn: 'power',
  find: (scene) =>
    listCharged(scene).flatMap(({ item, state }): Found<UsedPack>[] => {
      const charge = item.unit?.charge
      if (!scene.charging?.isNow) return []
      if (state !== 'used' || !item.unit || !charge) return []
      const level = LEVEL_OF_IMPORTANCE[item.roleImportance] === 'advise' ? 'advise' : 'warn'
      return [{ ...ofItem(item), level, code: 'charge-used', unitId: item.unit.id, on: charge.on }]
    }),
  codes: {
    'charge-used': {
      say: ({ tag, name, on }, { sayDay }) =>
        plain(
          `${tag} has to be charged first`,
          `${name} was worked from, or found not full, on ${sayDay(on)}, and nobody said that it was charged since.`,
        ),
      cause: () => 'charge',
      sayTogether: (findings) =>
        plain(
          `${sayNumber(findings.length, 'thing')} to charge first`,
          `${listInWords(findings.map((it) => it.tag))} were worked from, or found not full, and nobody said that they were charged since.`,
        ),
      deciding: ({ on }) => [on],
      // One that is known to be full mends it; of one of which nobody said anything nobody knows.
      ideas: ({ unitId }, { scene, store }) => {
        const day = scene.charging?.day
        if (!day) return []
        const isFull = (it: (typeof store.units)[number]) => readCharge(it.unit.charge, day) === 'full'
        return listStandInsFor([unitId], { scene, store: { ...store, units: store.units.filter(isFull) } })
      },
      replaceable: ({ unitId }) => [unitId],
    },
  },
})

/**
 * Tags of what has to be charged, or of which nobody said lately that it is: no finding, and nothing to be silent about. What was
 * worked from is a finding where it is judged as it stands now.
 */
export function listUncharged(scene: Scene): string[] {
  const isMeant = (state: ReturnType<typeof readCharge>) =>
    state === 'unsaid' || (state === 'used' && scene.charging?.isNow === false)
  return [...new Set(listCharged(scene).flatMap(({ item, state }) => (isMeant(state) ? [item.tag] : [])))]
}

/** What works from a charge of its own here, and what is known of it. */
function listCharged({ items, charging }: Scene): { item: PlacedItem; state: ReturnType<typeof readCharge> }[] {
  if (!charging) return []
  return items.flatMap((item) => {
    const { unit, model, powerMode } = item
    if (!model || !holdsCharge(model) || powerMode?.source === 'mains') return []
    // Of counted ones nobody can say which of them it is.
    return [{ item, state: readCharge(unit?.charge ?? null, charging.day) }]
  })
}
