import type { Model } from '../../../kit/model/model.ts'
import { listInWords } from '../../../units/wording.ts'
import { isItemOf, listItemsOf, type PlacedItem } from '../../placed/placed-item.ts'
import type { Remedy } from '../../setup/remedy.ts'
import { type Role, suitsRole } from '../../setup/setup.ts'
import { defineCheck } from '../check.ts'
import { plain } from '../finding-words.ts'
import { findRole, listAssignments, listFromStock } from '../ideas.ts'
import type { Scene } from '../scene.ts'

interface EmptyRole {
  code: 'role-empty'
  role: string
  /** What stands in it beside what it wants: its stand, its card. */
  beside: string[]
  isFill: boolean
}

const takesAnything = ({ wants, anyOfUnitIds }: Role) => wants === null && !anyOfUnitIds?.length

/** By its kind alone: whoever puts another model there than was wished for means it. */
function fills(role: Role, item: PlacedItem): boolean {
  return role.wants === null || isItemOf(item, role.wants) || (isFill(role) && isBounce(item))
}

const isFill = ({ light }: Role) => light?.job === 'fill'
/** What throws light back fills without a lamp of its own. */
const BOUNCES = ['reflector', 'umbrella'] as const
const isBounce = (it: Pick<PlacedItem, 'category'>) => BOUNCES.some((kind) => isItemOf(it, kind))

/** Dark on purpose is lit by nothing. */
const isMeantDark = ({ light }: Role, { setup }: Scene) =>
  light?.job === 'background' && setup.stage.background === 'dark'

/** Everything that somebody put into a role, also what is away. */
const listInRole = (role: Role, { items, away }: Scene): PlacedItem[] =>
  listItemsOf(role, [...items, ...away.map(({ item }) => item)])

/** A role that somebody would miss, and that nothing fills: not left empty on purpose, and done by nothing else. */
export function isEmptyRole(role: Role, scene: Scene): boolean {
  if (role.intentionallyEmpty || role.providedBy || role.importance === 'optional' || isMeantDark(role, scene))
    return false
  return !listInRole(role, scene).some((item) => fills(role, item))
}

/**
 * Roles that nothing fills, unless they are left empty on purpose or nobody would miss them. A role that says what it wants is
 * filled by such a thing, and not by what goes with it.
 */
export const emptyRoles = defineCheck<EmptyRole>({
  find: (scene) =>
    scene.setup.roles
      .filter((role) => isEmptyRole(role, scene))
      .map((role) => {
        const beside = listInRole(role, scene).map((it) => it.tag)
        const own = { role: role.name, beside, isFill: isFill(role) }
        return { code: 'role-empty' as const, about: [role.id], roleId: role.id, ...own }
      }),
  codes: {
    'role-empty': {
      say: ({ role, beside, isFill: mayBounce }) =>
        plain(
          `The role “${role}” is empty`,
          beside.length > 0
            ? `${listInWords(beside)} ${beside.length === 1 ? 'goes' : 'go'} with it. The thing itself is missing: put it into this role, or mark the role as left empty on purpose.`
            : mayBounce
              ? 'A white wall beside them, a reflector or an umbrella may do it without another lamp. Or mark it as left empty on purpose.'
              : 'Put a thing into this role, or mark it as left empty on purpose.',
        ),
      deciding: ({ beside }) => (beside.length > 0 ? [beside] : []),
      ideas({ roleId }, { scene, store }) {
        const role = findRole(scene, roleId)
        if (!role) return []
        const things = [
          ...listAssignments(role, store, (it) => takesAnything(role) || suitsRole(role, it.model, it.unit.id)),
          ...listFromStock(role, store, ({ model }) => takesAnything(role) || suitsRole(role, model)),
        ]
        if (!isFill(role) || role.wantsModelId || role.anyOfUnitIds?.length) return things
        // What costs nothing first: the room itself, then what throws the key back, then a second lamp.
        const bounces = ({ model }: { model: Model }) => isBounce(model)
        const wall: Remedy = { kind: 'surface', roleId: role.id, name: 'A white wall' }
        return [
          ...(scene.setup.placeId ? [wall] : []),
          ...[...listAssignments(role, store, bounces), ...listFromStock(role, store, bounces)].slice(0, 1),
          ...things,
        ]
      },
      seeks({ roleId }, scene) {
        const role = scene && findRole(scene, roleId)
        if (!role?.wants) return { anything: true }
        return { categories: isFill(role) ? [role.wants, ...BOUNCES] : [role.wants] }
      },
    },
  },
})
