import type { Completeness } from '../joining/completeness.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import type { NewSetup } from '../setup/setup.ts'
import { moveLinks, type Swap } from '../setup/swapped-ends.ts'

/** The setup with one thing in another's place, on what it stood on; ways of powering and recording are its own again. */
export function swapThing<T extends NewSetup>(setup: T, swap: Swap): T {
  const { unitId, byUnitId } = swap
  return {
    ...setup,
    links: moveLinks(setup.links, swap),
    roles: setup.roles.map((role) => ({
      ...role,
      things: role.things.map((it) =>
        it.unitId === unitId ? { ...it, unitId: byUnitId, powerModeId: null, recordingModeId: null } : it,
      ),
    })),
  }
}

/**
 * What was joined to something before and is joined to nothing any more: the filter of the old lens, its hood, its packs,
 * or another lens that had to give way. Tags, in the order of the set.
 */
export function listOrphans(
  things: readonly PlacedItem[],
  before: Pick<Completeness, 'joints'>,
  after: Pick<Completeness, 'joints'>,
): { tag: string; name: string }[] {
  const listJoined = ({ joints }: Pick<Completeness, 'joints'>) =>
    new Set(joints.flatMap(({ host, guest }) => [host.key, guest.key]))
  const [was, is] = [listJoined(before), listJoined(after)]
  return things
    .filter((it) => it.category !== 'room' && was.has(it.key) && !is.has(it.key))
    .map(({ tag, name }) => ({ tag, name }))
}
