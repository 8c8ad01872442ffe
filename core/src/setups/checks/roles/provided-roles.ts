import { listInWords } from '../../../units/wording.ts'
import { isItemOf, listItemsOf } from '../../placed/placed-item.ts'
import { FEATURES, type ProvidedBy } from '../../setup/provided.ts'
import { listInUse, type Role } from '../../setup/setup.ts'
import { defineCheck } from '../check.ts'
import { type FindingWords, plain } from '../finding-words.ts'
import type { Scene } from '../scene.ts'

interface LackingRole {
  code: 'provided-lacking'
  role: string
  by: ProvidedBy
  tags: string[]
  isUnknown: boolean
}

/** A role that another role's feature fills is as empty as any other where that thing has not got it. */
export const providedRoles = defineCheck<LackingRole>({
  find: (scene) => scene.setup.roles.flatMap((role) => findLacking(role, scene)),
  codes: {
    'provided-lacking': {
      couldStop: true,
      say: sayLacking,
      deciding: ({ by, tags, isUnknown }) => [
        by.kind,
        by.kind === 'feature' ? by.feature : by.name,
        ...tags,
        isUnknown,
      ],
    },
  },
})

function findLacking(role: Role, { setup, items }: Scene) {
  const by = role.providedBy
  if (!by || listInUse(role).length > 0) return []
  const common = { code: 'provided-lacking' as const, about: [role.id], roleId: role.id, role: role.name, by }
  if (by.kind === 'surface') return setup.placeId ? [] : [{ ...common, tags: [], isUnknown: false }]
  const { of, yes } = FEATURES[by.feature]
  const giver = setup.roles.find((it) => it.id === by.roleId)
  const things = (giver ? listItemsOf(giver, items) : [])
    .filter((it) => of === null || isItemOf(it, of))
    .map((it) => ({ tag: it.tag, value: it.model?.specs.more[by.feature] }))
  if (things.some(({ value }) => value === yes)) return []
  const unknown = things.filter(({ value }) => value === undefined)
  const isUnknown = unknown.length > 0
  const tags = (isUnknown ? unknown : things).map(({ tag }) => tag)
  return [{ ...common, ...(isUnknown ? { level: 'unknown' as const } : {}), tags, isUnknown }]
}

function sayLacking({ role, by, tags, isUnknown }: LackingRole): FindingWords {
  if (by.kind === 'surface') {
    return plain(`${role} wants a room`, `“${by.name}” is to do it, and no room is chosen for this setup.`)
  }
  const what = FEATURES[by.feature].label.toLowerCase().replace(/^its/, 'the')
  if (tags.length === 0)
    return plain(`The role “${role}” is empty`, `A feature is to do it, and nothing is in that role.`)
  return isUnknown
    ? plain(
        `Cannot tell whether ${listInWords(tags)} can be ${role}`,
        `Whether this holds is not recorded: ${what}. Write it down under “Specs”.`,
      )
    : plain(`${listInWords(tags)} cannot be ${role}`, `It would have to be so: ${what}. Put in a thing of its own.`)
}
