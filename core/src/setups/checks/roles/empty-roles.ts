import { type Role, suitsRole } from '../../setup/setup.ts'
import { defineCheck } from '../check.ts'
import { plain } from '../finding-words.ts'
import { findRole, listAssignments } from '../ideas.ts'

interface EmptyRole {
  code: 'role-empty'
  role: string
}

const takesAnything = ({ wants, anyOfUnitIds }: Role) => wants === null && !anyOfUnitIds?.length

/** Roles that nothing fills, unless they are left empty on purpose or nobody would miss them. */
export const emptyRoles = defineCheck<EmptyRole>({
  find: ({ setup }) =>
    setup.roles
      .filter((role) => role.things.length === 0 && !role.intentionallyEmpty && !role.providedBy)
      .filter((role) => role.importance !== 'optional')
      .map((role) => ({ code: 'role-empty', about: [role.id], roleId: role.id, role: role.name })),
  codes: {
    'role-empty': {
      say: ({ role }) =>
        plain(`Nothing is ${role}`, 'Put a thing into this role, or mark it as left empty on purpose.'),
      deciding: () => [],
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
