import { listInWords } from '../../../units/wording.ts'
import { isItemOf, listItemsOf, type PlacedItem } from '../../placed/placed-item.ts'
import { type Role, suitsRole } from '../../setup/setup.ts'
import { defineCheck } from '../check.ts'
import { plain } from '../finding-words.ts'
import { findRole, listAssignments } from '../ideas.ts'

interface EmptyRole {
  code: 'role-empty'
  role: string
  /** What stands in it beside what it wants: its stand, its card. */
  beside: string[]
}

const takesAnything = ({ wants, anyOfUnitIds }: Role) => wants === null && !anyOfUnitIds?.length

/** By its kind alone: whoever puts another model there than was wished for means it. */
function fills({ wants }: Role, item: PlacedItem): boolean {
  return wants === null || isItemOf(item, wants)
}

/**
 * Roles that nothing fills, unless they are left empty on purpose or nobody would miss them. A role that says what it wants is
 * filled by such a thing, and not by what goes with it.
 */
export const emptyRoles = defineCheck<EmptyRole>({
  find: (scene) =>
    scene.setup.roles
      .filter((role) => !role.intentionallyEmpty && !role.providedBy && role.importance !== 'optional')
      .flatMap((role) => {
        const inIt = listItemsOf(role, [...scene.items, ...scene.away.map((it) => it.item)])
        if (inIt.some((item) => fills(role, item))) return []
        const beside = inIt.map((it) => it.tag)
        return [{ code: 'role-empty' as const, about: [role.id], roleId: role.id, role: role.name, beside }]
      }),
  codes: {
    'role-empty': {
      say: ({ role, beside }) =>
        plain(
          `The role “${role}” is empty`,
          beside.length > 0
            ? `${listInWords(beside)} ${beside.length === 1 ? 'goes' : 'go'} with it. The thing itself is missing: put it into this role, or mark the role as left empty on purpose.`
            : 'Put a thing into this role, or mark it as left empty on purpose.',
        ),
      deciding: ({ beside }) => (beside.length > 0 ? [beside] : []),
      ideas({ roleId }, { scene, store }) {
        const role = findRole(scene, roleId)
        if (!role) return []
        return listAssignments(role, store, (it) => takesAnything(role) || suitsRole(role, it.model, it.unit.id))
      },
      seeks({ roleId }, scene) {
        const role = scene && findRole(scene, roleId)
        return role?.wants ? { categories: [role.wants] } : { anything: true }
      },
    },
  },
})
