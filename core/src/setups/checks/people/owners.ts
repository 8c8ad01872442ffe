import { defineCheck, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'

interface OwnerNotAsked {
  code: 'owner-not-asked'
  tag: string
  name: string
  owner: string
}

/** A phone or laptop that is somebody's own works here only with their word for it. */
export const owners = defineCheck<OwnerNotAsked>({
  find: ({ items, crew }) =>
    items.flatMap((item) => {
      const { unit, model } = item
      if (!crew || !unit || unit.ownerId === null || unit.ownerAgreed) return []
      const owner = crew.team.find((it) => it.id === unit.ownerId)?.name ?? 'its owner'
      const name = model?.name ?? unit.tag
      return [{ ...ofItem(item), name, roleId: null, level: 'warn' as const, code: 'owner-not-asked' as const, owner }]
    }),
  codes: {
    'owner-not-asked': {
      say: ({ owner, tag, name }) =>
        plain(
          `${owner} was not asked about ${tag}`,
          `${name} belongs to ${owner}, who has not agreed that it works here.`,
        ),
      deciding: ({ owner }) => [owner],
    },
  },
})
