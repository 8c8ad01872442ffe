import { isItemOf, readChoice } from '../../placed/placed-item.ts'
import { defineCheck, type Found } from '../check.ts'
import { plain } from '../finding-words.ts'
import type { Scene } from '../scene.ts'

type ScreenFinding =
  | { code: 'screen-untrue'; tags: string[] }
  | { code: 'screen-unknown'; tags: string[]; itemKeys: string[] }

const SCREENS = ['monitor', 'external-recorder'] as const

/** Where colours have to be true, whether a screen shows them as they are. */
export const screens = defineCheck<ScreenFinding>({
  find({ setup, items }: Scene): Found<ScreenFinding>[] {
    if (!setup.demands.includes('true-colour')) return []
    const all = items.filter((it) => SCREENS.some((kind) => isItemOf(it, kind)))
    const said = (answer: string | null) => all.filter((it) => readChoice(it, 'colourTrusted') === answer)
    if (all.length === 0 || said('yes').length > 0) return []
    const open = said(null)
    if (open.length > 0)
      return [
        {
          about: open.map((it) => it.key).sort(),
          roleId: open[0]?.roleId ?? null,
          level: 'unknown',
          code: 'screen-unknown',
          tags: open.map((it) => it.tag).sort(),
          itemKeys: open.map((it) => it.key),
        },
      ]
    return [
      {
        about: ['screens'],
        roleId: null,
        level: 'advise',
        code: 'screen-untrue',
        tags: all.map((it) => it.tag).sort(),
      },
    ]
  },
  codes: {
    'screen-untrue': {
      say: ({ tags }) =>
        plain(
          `${tags.join(', ')} is for framing only`,
          'Colours have to be true here, and no screen of it shows them as they are. Judge colour by a card and on a screen that can be trusted.',
        ),
      deciding: ({ tags }) => tags,
    },
    'screen-unknown': {
      say: ({ tags }) =>
        plain(
          `Cannot tell whether colours on ${tags.join(', ')} can be trusted`,
          'Colours have to be true here. Say on its page whether it is for framing only.',
        ),
      deciding: ({ tags }) => tags,
    },
  },
})
