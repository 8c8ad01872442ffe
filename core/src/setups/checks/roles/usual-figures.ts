import type { NeededFact } from '../../../kit/template/needed-facts.ts'
import { defineCheck } from '../check.ts'
import { plain } from '../finding-words.ts'

export interface UsualUnsure {
  code: 'usual-unsure'
  tag: string
  name: string
  modelId: string
  fact: NeededFact
  /** What hangs on it: what would be found if the true figure were half or twice as much, or where it is used. */
  why: string
}

/**
 * A figure that is only what is usual of such things, and that decides. It is found where all other checks come together, as it
 * stands on what they find with other figures.
 */
export const usualFigures = defineCheck<UsualUnsure>({
  find: () => [],
  codes: {
    'usual-unsure': {
      say: ({ tag, name, fact, why }) =>
        plain(
          SAID[fact]?.(tag) ?? `Cannot tell: of ${tag} only what is usual is recorded`,
          `Of ${name} only what is usual of such things is recorded. ${why}.`,
        ),
      deciding: ({ fact, why }) => [fact, why],
      asks: ({ modelId, fact }) => ({ modelId, fact }),
    },
  },
})

const SAID: Readonly<Partial<Record<NeededFact, (tag: string) => string>>> = {
  mass: (tag) => `Cannot tell by what is usual what ${tag} weighs`,
  'load-limit': (tag) => `Cannot tell by what is usual what ${tag} bears`,
  watts: (tag) => `Cannot tell by what is usual what ${tag} draws`,
  energy: (tag) => `Cannot tell by what is usual how long ${tag} lasts`,
  rate: (tag) => `Cannot tell by what is usual how long ${tag} records`,
}
