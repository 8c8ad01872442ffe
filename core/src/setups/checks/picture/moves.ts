import type { Category } from '../../../kit/model/category.ts'
import { isItemOf } from '../../placed/placed-item.ts'
import { MOVES, type Move } from '../../setup/stage.ts'
import { defineCheck, type Found } from '../check.ts'
import { plain } from '../finding-words.ts'
import type { Scene } from '../scene.ts'

interface MoveLacking {
  code: 'move-lacking'
  move: Exclude<Move, 'still'>
  /** What is there in its stead and does it badly. */
  tags: string[]
}

interface MoveUnknown {
  code: 'move-unknown'
  tag: string
  itemKey: string
}

/** What a shot that moves wants to be carried by. Common practice. */
const WANTED: Readonly<Record<MoveLacking['move'], { kinds: readonly Category[]; what: string }>> = {
  pan: { kinds: ['head'], what: 'A head that turns and tilts evenly, such as a fluid head' },
  walk: { kinds: ['gimbal'], what: 'A stabiliser' },
  slide: { kinds: ['rail'], what: 'A slider' },
}

/** Shots that move, and what carries the camera then. */
export const moves = defineCheck<MoveLacking | MoveUnknown>({
  find: judge,
  codes: {
    'move-lacking': {
      say: ({ move, tags }) =>
        plain(
          `${WANTED[move].what} is wanted`,
          `${MOVES[move]}, and ${tags.length > 0 ? `${tags.join(', ')} does not do that evenly` : 'nothing here does that'}.`,
        ),
      deciding: ({ move, tags }) => [move, ...[...tags].sort()],
      seeks: ({ move }) => ({ categories: WANTED[move].kinds }),
    },
    'move-unknown': {
      say: ({ tag }) =>
        plain(
          `Cannot tell whether ${tag} turns evenly`,
          'It turns and tilts while it records, and no head of its own is recorded. Put the head into the role, or say that it stands still.',
        ),
      deciding: ({ tag }) => [tag],
    },
  },
})

function judge({ setup, items }: Scene): Found<MoveLacking | MoveUnknown>[] {
  const { move } = setup.stage
  if (move === null || move === 'still') return []
  const place = { about: ['move'], roleId: null }
  if (move !== 'pan') {
    const has = items.some((it) => WANTED[move].kinds.some((kind) => isItemOf(it, kind)))
    return has ? [] : [{ ...place, level: 'warn', code: 'move-lacking', move, tags: [] }]
  }
  const heads = items.filter((it) => isItemOf(it, 'head'))
  if (heads.some((it) => !isItemOf(it, 'ball-head'))) return []
  if (heads.length > 0)
    return [{ ...place, level: 'warn', code: 'move-lacking', move, tags: heads.map((it) => it.tag) }]
  const legs = items.find((it) => isItemOf(it, 'tripod') || isItemOf(it, 'monopod'))
  // Many tripods come with a head that nobody writes down apart.
  return legs
    ? [
        {
          about: [legs.key],
          roleId: legs.roleId,
          level: 'unknown',
          code: 'move-unknown',
          tag: legs.tag,
          itemKey: legs.key,
        },
      ]
    : [{ ...place, level: 'warn', code: 'move-lacking', move, tags: [] }]
}
