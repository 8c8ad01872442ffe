import { addDays, type KitOption } from '@exemplar/core'
import type { Writer } from '../foundation/database/app-context.ts'
import { kitPlans } from '../schema/ledger-tables.ts'

/** Model, gross price of one in pounds, at most, grade, and how sure. */
type Offer = readonly [modelId: string, pounds: number, most: number, grade?: 1 | 2 | 3, kind?: 'seen' | 'quote']

/** What a second set for the garden interview might be made of, for whoever films at the other glasshouse. */
const OFFERS: readonly Offer[] = [
  ['verrin-v6', 1_680, 2, 3, 'quote'],
  ['verrin-b1', 870, 2, 2, 'seen'],
  ['quarle-c2', 540, 2, 1],
  ['tarn-35', 420, 2, 3, 'seen'],
  ['tarn-50', 210, 2, 2, 'seen'],
  ['sd-128', 54, 3],
  ['sd-64', 27, 3],
  ['fenn-a98', 132, 6],
  ['sallow-120', 312, 2, 3, 'quote'],
  ['nook-30', 144, 2, 1],
  ['stand-light', 72, 4],
  ['lead-c13', 9, 4],
  ['lead-c7', 8, 4],
  ['strip-6', 24, 1],
  ['holm-s3', 252, 1, 3, 'seen'],
  ['holm-l1', 96, 2, 2],
  ['holm-d2', 118, 1, 1],
  ['stand-mic', 48, 1],
  ['xlr-5', 18, 3],
  ['otter-r4', 276, 1, 2, 'seen'],
  ['cell-aa', 1, 8],
  ['cell-9v', 6, 2],
  ['brindle-t3', 228, 2, 3],
  ['brindle-f8', 132, 2, 1],
  ['sandbag-7', 21, 4],
]

/** A second set for the garden interview, at three sums side by side. */
export function fillKits({ tx }: Writer, today: string): void {
  const options = OFFERS.map(([modelId, pounds, most, grade = 1, kind = 'seen'], at): KitOption => {
    const gross = pounds * 100
    // A sixth of what is paid is the 20 % on top of the net.
    const taxMinor = Math.round(gross / 6)
    const price = { kind, netMinor: gross - taxMinor, taxMinor, on: addDays(today, -9), source: 'Fern & Fettle' }
    return { id: `ko-${at + 1}`, modelId, most, grade, use: 'may', price }
  })
  const tiers = [
    { id: 'kt-1', name: 'To begin with', budgetMinor: 350_000, afterFilms: null },
    { id: 'kt-2', name: 'With grant', budgetMinor: 480_000, afterFilms: null },
    { id: 'kt-3', name: 'As good as ours', budgetMinor: 700_000, afterFilms: 3 },
  ]
  tx.insert(kitPlans)
    .values({ id: 'k-second', name: 'A second interview set', setupId: 'gi', musts: [], tiers, options, taken: null })
    .run()
}
