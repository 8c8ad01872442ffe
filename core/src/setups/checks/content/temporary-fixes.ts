import type { FindingLevel } from '../../../studio/finding.ts'
import { isItemOf } from '../../placed/placed-item.ts'
import { defineCheck, type Found, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'

interface TemporaryFix {
  code: 'fix-temporary'
  tag: string
  name: string
  text: string
  recheckOn: string | null
  /** It was to be looked at again by then, or nobody said when. */
  isDue: boolean
  isOnLamp: boolean
}

/** What is held by tape and the like: told with its thing, pressing where it is to be looked at again, and where it is near heat. */
export const temporaryFixes = defineCheck<TemporaryFix>({
  find: ({ items, crew }) =>
    items.flatMap((item) =>
      (item.unit?.remarks ?? []).flatMap((remark): Found<TemporaryFix>[] => {
        if (remark.kind !== 'temporary-fix' || remark.source !== 'seen') return []
        const { text } = remark
        const recheckOn = remark.recheckOn ?? null
        const isDue = recheckOn === null || (crew !== null && recheckOn <= crew.lastDay)
        const isOnLamp = isItemOf(item, 'light')
        const level: FindingLevel = isDue || isOnLamp ? 'warn' : 'advise'
        return [
          {
            ...ofItem(item),
            about: [item.key, text],
            level,
            code: 'fix-temporary',
            text,
            recheckOn,
            isDue,
            isOnLamp,
          },
        ]
      }),
    ),
  codes: {
    'fix-temporary': {
      say: ({ tag, name, text, recheckOn, isDue, isOnLamp }, words) => {
        const when =
          recheckOn === null ? 'nobody said until when it holds' : `look at it again by ${words.sayDay(recheckOn)}`
        const heat = isOnLamp
          ? ' On a lamp tape lets go with the heat and may scorch: nothing on its glass or vents, heatproof tape only, and look at it while it is on.'
          : ''
        return plain(
          `${tag} is held for the time being: ${text}`,
          `${isDue ? 'It is due to be looked at' : 'It holds for now'}, ${when} (${name}).${heat}`,
        )
      },
      deciding: ({ text, recheckOn }) => [text, recheckOn],
    },
  },
})
