import { defineCheck, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import { findRole } from '../ideas.ts'

interface MissingSpare {
  code: 'spare-missing'
  tag: string
  name: string
  role: string
  policy: 'must' | 'nice'
}

/**
 * Roles that must have a spare, or had better, and for whose thing nothing of its kind was put in case and nothing free lies in
 * the store.
 */
export const missingSpares = defineCheck<MissingSpare>({
  find: (scene) =>
    scene.items.flatMap((item) => {
      const role = findRole(scene, item.roleId)
      const policy = role?.spare ?? 'none'
      if (!role || policy === 'none' || !item.unit || scene.spares?.get(item.unit.id) !== 0) return []
      if (scene.spareItems.some((it) => it.roleId === role.id && it.category === item.category)) return []
      const level = policy === 'must' ? ('warn' as const) : ('advise' as const)
      return [{ ...ofItem(item), level, code: 'spare-missing', policy, role: role.name }]
    }),
  codes: {
    'spare-missing': {
      say: ({ tag, name, role, policy }) =>
        plain(
          `No spare for ${tag}`,
          `${role} ${policy === 'must' ? 'must' : 'had better'} have one, and nothing free is of its kind. If ${name} fails, this stops.`,
        ),
      deciding: ({ policy }) => [policy],
      ideas: ({ name }) => [{ kind: 'shop', item: `Spare for ${name}`, quantity: 1, stockId: null }],
    },
  },
})
