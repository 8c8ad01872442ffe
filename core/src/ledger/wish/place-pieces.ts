import type { Port } from '../../kit/model/port.ts'
import { swapThing } from '../../setups/proposals/swap.ts'
import { listInUse, makeAssignment, type NewSetup } from '../../setups/setup/setup.ts'
import { pairEnds } from '../../setups/setup/swapped-ends.ts'
import type { WishUse } from './wish.ts'

/** What a wish brings: single things, or so many of a stock. */
export type Pieces = { unitIds: readonly string[] } | { stockId: string; quantity: number }

/**
 * A setup with what a wish brings in the roles that it names: one piece to each role in turn, and what is over to the last of them, as
 * a pair of lamps for one role is. What takes the place of a thing stands on what that stood on. A role into which somebody put
 * something meanwhile keeps that, unless it is meant to stand beside; of what is counted all goes into the first role that waits for it. `ports` are those of its model,
 * `portsOf` those of a thing by its id.
 */
export function placePieces<T extends NewSetup>(
  setup: T,
  uses: readonly WishUse[],
  pieces: Pieces,
  ports: readonly Port[],
  portsOf: (unitId: string) => readonly Port[],
): T {
  const open = uses.filter((use) => {
    const role = setup.roles.find((it) => it.id === use.roleId)
    if (!role) return false
    if (use.insteadOfId !== null && role.things.some((it) => it.unitId === use.insteadOfId)) return true
    return use.beside || listInUse(role).length === 0
  })
  const [first] = open
  if (!first) return setup
  if (!('unitIds' in pieces)) return assign(setup, first.roleId, powered(makeAssignment(pieces), first))
  let after = setup
  for (const [nth, unitId] of pieces.unitIds.entries()) {
    const use = open[Math.min(nth, open.length - 1)] ?? first
    const role = after.roles.find((it) => it.id === use.roleId)
    const old = role?.things.find((it) => it.unitId !== null && it.unitId === use.insteadOfId)?.unitId
    after = old
      ? swapThing(after, { unitId: old, byUnitId: unitId, ends: pairEnds(portsOf(old), ports) })
      : assign(after, use.roleId, powered(makeAssignment({ unitId }), use))
  }
  return after
}

/** In the way that the wish was tried in. */
const powered = (assignment: ReturnType<typeof makeAssignment>, { powerModeId }: WishUse) => ({
  ...assignment,
  powerModeId: powerModeId ?? null,
})

function assign<T extends NewSetup>(setup: T, roleId: string, thing: ReturnType<typeof makeAssignment>): T {
  const roles = setup.roles.map((role) =>
    // What does it without a thing of its own, or is left out on purpose, is not so once there is a thing.
    role.id === roleId
      ? { ...role, intentionallyEmpty: false, providedBy: null, things: [...role.things, thing] }
      : role,
  )
  return { ...setup, roles }
}
