import type { Completeness, Joint } from './completeness.ts'
import type { NewSetup } from './setup.ts'
import type { SetThing } from './thing.ts'

/** The setup with one thing in another's place; ways of powering and recording are its own again. */
export function swapThing<T extends NewSetup>(setup: T, unitId: string, byUnitId: string): T {
  return {
    ...setup,
    roles: setup.roles.map((role) => ({
      ...role,
      things: role.things.map((it) =>
        it.unitId === unitId ? { ...it, unitId: byUnitId, powerModeId: null, recordingModeId: null } : it,
      ),
    })),
  }
}

/**
 * What was on the old thing and finds no place any more: its filter, its hood, its packs. What rides on those is carried
 * off with them and not named again. Tags, in the order of the set.
 */
export function listOrphans(
  things: readonly SetThing[],
  before: Pick<Completeness, 'joints'>,
  after: Pick<Completeness, 'joints'>,
  unitId: string,
): { tag: string; name: string }[] {
  const wasOn = new Set(before.joints.flatMap((it) => partnerOf(it, unitId) ?? []))
  const joined = new Set(after.joints.flatMap(({ host, guest }) => [host.key, guest.key]))
  return things
    .filter((it) => it.category !== 'room' && wasOn.has(it.key) && !joined.has(it.key))
    .map(({ tag, name }) => ({ tag, name }))
}

function partnerOf({ host, guest }: Joint, key: string): string | null {
  return host.key === key ? guest.key : guest.key === key ? host.key : null
}
