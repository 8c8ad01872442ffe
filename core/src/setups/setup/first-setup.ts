import { type Category, isKindOf } from '../../kit/model/category.ts'
import { PURPOSES, type Purpose } from '../../studio/policy/purpose.ts'
import { applyTemplate } from './purpose-template.ts'
import { type NewSetup, type Role, SETUP_DEFAULTS } from './setup.ts'
import { suggestIdentity } from './setup-identity.ts'

interface Ground {
  placeId: string | null
  circuitId: string | null
  /** Setups that are here already. */
  used: readonly { code: string; tape: string }[]
  /** Kinds of which there is at least one thing. */
  owned: readonly Category[]
}

/**
 * The setup of a purpose for somebody who begins: its usual roles, without those that may stay empty and that nothing in the
 * house could fill.
 */
export function makeFirstSetup(purpose: Purpose, { used, owned, ...ground }: Ground, newId: () => string): NewSetup {
  const name = PURPOSES[purpose]
  const blank: NewSetup = {
    ...SETUP_DEFAULTS,
    ...ground,
    ...suggestIdentity(name, used),
    name,
    purpose: '',
    plannedMinutes: 60,
    note: '',
    roles: [],
  }
  const setup = applyTemplate(blank, purpose, newId)
  const couldFill = ({ wants }: Role) => wants !== null && owned.some((kind) => isKindOf(kind, wants))
  return { ...setup, roles: setup.roles.filter((role) => role.importance !== 'optional' || couldFill(role)) }
}

/** Cameras whose lens is built in. */
const NO_LENS: readonly Category[] = ['phone', 'camcorder', 'action-camera', 'webcam', 'drone']
export const hasOwnLens = (kind: Category): boolean => NO_LENS.some((it) => isKindOf(kind, it))

/** Without the empty roles of lenses whose camera has its own: nobody misses anything there. */
export function dropNeedlessRoles<T extends Pick<NewSetup, 'roles'>>(
  setup: T,
  kindOf: (unitId: string) => Category | undefined,
): T {
  const isWithLens = (role: Role | undefined) =>
    role?.things.some(({ unitId }) => {
      const kind = kindOf(unitId ?? '')
      return kind !== undefined && hasOwnLens(kind)
    }) ?? false
  const isNeedless = ({ wants, things, goesWith }: Role) =>
    wants === 'lens' && things.length === 0 && isWithLens(setup.roles.find((it) => it.id === goesWith))
  return { ...setup, roles: setup.roles.filter((role) => !isNeedless(role)) }
}
