import { isKindOf } from '../../../kit/model/category.ts'
import { listInWords } from '../../../units/wording.ts'
import { isItemOf } from '../../placed/placed-item.ts'
import { defineCheck, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'

interface SharedItem {
  code: 'shared-item'
  tag: string
  name: string
  roles: string[]
  isOneBody: boolean
}

/**
 * One thing in several roles is a word of advice, as it can only fail once for all of them; one body cannot take two
 * angles at the same time.
 */
export const sharedItems = defineCheck<SharedItem>({
  find: ({ setup, items }) =>
    items.flatMap((item) => {
      const own = setup.roles.filter((role) => role.things.some((it) => it.unitId && it.unitId === item.unit?.id))
      if (own.length < 2) return []
      const angles = own.filter((it) => it.wants !== null && isKindOf(it.wants, 'camera'))
      const isOneBody = isItemOf(item, 'camera') && angles.length > 1
      const level = isOneBody ? ('warn' as const) : ('advise' as const)
      return [{ ...ofItem(item), level, code: 'shared-item', roles: own.map(({ name }) => name), isOneBody }]
    }),
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
