import { addDays, type Category, type Wish, type WishUse } from '@exemplar/core'
import type { Writer } from '../foundation/database/app-context.ts'
import { findOrMakeModel } from '../kit/unit/entered-model.ts'
import { wishes } from '../schema/ledger-tables.ts'

type DemoWish = Partial<Omit<Wish, 'id' | 'modelId' | 'prices'>> & {
  id: string
  what: readonly [category: Category, maker: string, name: string, facts?: object]
  /** Net, tax, days ago, and how sure. */
  prices: readonly (readonly [net: number, tax: number, daysAgo: number, kind?: Wish['prices'][number]['kind']])[]
}

const at = (setupId: string, role: number, insteadOfId: string | null = null, beside = false): WishUse => ({
  setupId,
  roleId: `${setupId}-r${role}`,
  insteadOfId,
  beside,
  powerModeId: null,
})

/** What Larkmoor would like to buy: what stops setups, what would be better, what waits and what came of the last one. */
const WISHES: readonly DemoWish[] = [
  {
    id: 'w-cell',
    what: ['cell', '', '9 V cell', { battery: 'cell-9v' }],
    quantity: 2,
    defect: 'missing',
    reason: 'The lavalier has none left.',
    uses: [at('gi', 7, null, true)],
    prices: [[480, 96, 2]],
  },
  {
    id: 'w-lead',
    what: ['lead', '', 'C7 lead, 2 m', { inlet: 'iec-c7' }],
    defect: 'missing',
    reason: 'The mat came without its lead.',
    uses: [at('pb', 3, null, true)],
    prices: [[583, 117, 12]],
  },
  {
    id: 'w-cards',
    what: ['card', 'Kestle', '256 GB V60', { capacityMegabytes: 256_000, cardMegabytesPerSecond: 60, cardForm: 'sd' }],
    quantity: 3,
    defect: 'slow',
    severity: 3,
    reason: 'Somebody changes three cards in the middle of every lecture.',
    uses: [at('lr', 1, 'SDC-03'), at('lr', 2, 'SDC-04'), at('lr', 3, 'SDC-05')],
    prices: [
      [7_500, 1_500, 60, 'estimate'],
      [6_900, 1_380, 6, 'quote'],
    ],
    discount: { percent: 10, code: 'FROST10', until: null },
  },
  {
    id: 'w-zoom',
    what: ['lens', 'Hask', '18-90 f/4 servo', { mount: 'mount-sorrel', massGrams: 1_100 }],
    defect: 'fails',
    severity: 2,
    reason: 'A second one, so that a lens at the mender’s stops no lecture.',
    condition: 'used',
    warrantyMonths: 0,
    uses: [at('lr', 2, 'LEN-05')],
    prices: [[81_000, 0, 9]],
    advice: 'Fern & Fettle',
  },
  {
    id: 'w-lectern',
    what: ['microphone', 'Holm', 'K1 lectern', { massGrams: 140 }],
    defect: 'noise',
    severity: 2,
    reason: 'Quiet speakers drown in the hiss of the mixer.',
    uses: [at('lr', 6, 'MIC-04')],
    prices: [[15_800, 3_160, 20]],
  },
  {
    id: 'w-key',
    what: ['light', 'Sallow', '200 daylight', { inlet: 'iec-c13', milliwatts: 240_000, massGrams: 3_400 }],
    defect: 'dark',
    severity: 1,
    uses: [at('gi', 3, 'LGT-01')],
    prices: [[32_500, 6_500, 30]],
    waitsFor: 'the next model of it',
    waitsUntil: null,
    meanwhile: 'The lamp nearer by a third',
  },
  {
    id: 'w-desk',
    what: ['control-surface', 'Quarle', 'Small surface'],
    defect: 'slow',
    severity: 2,
    reason: 'Colour takes an evening a film.',
    prices: [],
    advice: 'a forum',
  },
]

/** Writes the wishes down, as of the day on which the demo is filled. */
export function fillWishes(writer: Writer, today: string): void {
  const { tx, log } = writer
  for (const { id, what, prices, ...rest } of WISHES) {
    const [category, maker, name, facts = {}] = what
    const modelId = findOrMakeModel(writer, { category, maker, name, facts, specs: {}, usual: [] })
    const row = {
      quantity: 1,
      defect: 'other' as const,
      severity: 1 as const,
      reason: '',
      uses: [],
      discount: null,
      condition: 'new' as const,
      warrantyMonths: null,
      needsIds: [],
      insteadIds: [],
      sells: [],
      waitsFor: '',
      waitsUntil: null,
      meanwhile: '',
      advice: '',
      ...rest,
      id,
      modelId,
      prices: prices.map(([netMinor, taxMinor, daysAgo, kind = 'seen']) => ({
        kind,
        netMinor,
        taxMinor,
        on: addDays(today, -daysAgo),
        source: '',
      })),
    }
    tx.insert(wishes).values(row).run()
    log('created', 'wish', id, { after: row })
  }
}
