import { isKindOf } from '../../../kit/model/category.ts'
import { listInWords } from '../../../units/wording.ts'
import { isItemOf } from '../../placed/placed-item.ts'
import type { NewSetup, Role } from '../../setup/setup.ts'
import { defineCheck, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'

interface SharedItem {
  code: 'shared-item'
  tag: string
  name: string
  roles: string[]
  isOneBody: boolean
}

/** The roles that each unit is in, in their order. */
function listRolesOf({ roles }: NewSetup): Map<string, Set<Role>> {
  const rolesOf = new Map<string, Set<Role>>()
  for (const role of roles) {
    for (const { unitId } of role.things) {
      if (unitId) rolesOf.set(unitId, (rolesOf.get(unitId) ?? new Set()).add(role))
    }
  }
  return rolesOf
}

/**
 * One thing in several roles is a word of advice, as it can only fail once for all of them; one body cannot take two
 * angles at the same time.
 */
export const sharedItems = defineCheck<SharedItem>({
  find: ({ setup, items }) => {
    const rolesOf = listRolesOf(setup)
    return items.flatMap((item) => {
      const own = [...(rolesOf.get(item.unit?.id ?? '') ?? [])]
      if (own.length < 2) return []
      const angles = own.filter((it) => it.wants !== null && isKindOf(it.wants, 'camera'))
      const isOneBody = isItemOf(item, 'camera') && angles.length > 1
      const level = isOneBody ? ('warn' as const) : ('advise' as const)
      return [{ ...ofItem(item), level, code: 'shared-item', roles: own.map(({ name }) => name), isOneBody }]
    })
  },
  codes: {
    'shared-item': {
      say: ({ tag, name, roles, isOneBody }) =>
        isOneBody
          ? plain(
              `${tag} cannot take two angles at once`,
              `${listInWords(roles)} are both ${name}. One after the other is fine; together they want two bodies.`,
            )
          : plain(
              `${tag} does ${roles.length} jobs`,
              `${listInWords(roles)}. If it rings, runs flat or is carried off, all of them stop.`,
            ),
      deciding: ({ roles, isOneBody }) => [...roles, isOneBody],
    },
  },
})
