import { useStockQuery, useUnitsQuery } from '../../foundation/api/api.ts'
import type { LabelFacts } from './label.tsx'

/** What labels are for: things, the bins of what is counted, or both ends of what has two. */
export const LABEL_SOURCES = {
  things: 'Things',
  cables: 'Both ends of signal cables',
  leads: 'Both ends of mains leads',
  cases: 'Cases and bags',
  stock: 'Bins of counted stock',
} as const
export type LabelSource = keyof typeof LABEL_SOURCES

/** So many are laid out at once: a sheet of paper takes seconds, a thousand drawings do too. */
export const BATCH = 500

const CATEGORIES_OF = { things: undefined, cables: 'cable', leads: 'lead', cases: 'case', stock: undefined } as const

/** What has a label at both of its ends. */
export const hasTwoEnds = (source: LabelSource) => source === 'cables' || source === 'leads'

interface Labelled {
  rows: (LabelFacts & { id: string })[]
  next: string | null
}

/** One batch of what is to be labelled, by the order of the kit; `after` is where the batch before it ended. */
export function useLabelled(source: LabelSource, find: string, after: string | null) {
  const isStock = source === 'stock'
  const category = CATEGORIES_OF[source]
  const units = useUnitsQuery(
    { limit: BATCH, ...(find ? { find } : {}), ...(after ? { after } : {}), ...(category ? { category } : {}) },
    { skip: isStock },
  )
  const stock = useStockQuery(undefined, { skip: !isStock })
  const { error, refetch } = isStock ? stock : units
  const data: Labelled | undefined = isStock
    ? stock.data && {
        rows: stock.data
          .filter((it) => `${it.tag} ${it.name}`.toLowerCase().includes(find.toLowerCase()))
          .map(({ id, tag, name }) => ({ id, tag, name, tape: null })),
        next: null,
      }
    : units.data && {
        rows: units.data.rows.map(({ id, tag, name, usedIn }) => ({ id, tag, name, tape: usedIn[0] ?? null })),
        next: units.data.next,
      }
  return { data, error, refetch }
}
