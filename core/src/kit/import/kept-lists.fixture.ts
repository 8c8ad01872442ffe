/** A list of 200 lines as somebody kept it, in the habits of one country. All makers and models are made up. */
export interface KeptList {
  habit: string
  csv: string
  isDayFirst: boolean
  currency: string
  /** Pieces that are things of their own, and lines that are counted stock. */
  things: number
  stock: number
  /** By its name: its kind, and what it weighs where that is written. */
  kinds: Readonly<Record<string, { category: string; massGrams?: number }>>
  /** Of the first thing, and all days that stand in it. */
  first: object
  dates: readonly (string | null)[]
  /** What nobody can tell from the list, asked once however many lines it stands in. */
  asked: readonly string[]
}

/** What it is called, the word in the column of kinds, how many lines, weight and price as written, and what is true. */
type Sort = [item: string, word: string, lines: number, weight: string, price: string, category: string, grams?: number]

const pick = <T>(from: readonly T[], at: number): T => from[at % from.length] as T

function fill(sorts: readonly Sort[], lines: number, write: (sort: Sort, n: number) => string): string[] {
  const rows: string[] = []
  for (const sort of sorts) for (let piece = 0; piece < sort[2]; piece++) rows.push(write(sort, rows.length + 1))
  if (rows.length !== lines) throw new Error(`${rows.length} lines`)
  return rows
}

/** Pounds and ounces, dollars, the month first, words of the trade there. */
const AMERICAN: readonly Sort[] = [
  ['Wend K5 body', 'Cameras', 6, '1 lb 7 oz', '$1,299.00', 'camera', 652],
  ['Wend 28mm f/2', 'Lenses', 8, '8.5 oz', '$219.99', 'lens', 241],
  ['Dace Panel 60', 'LED panels', 16, '2.9', '$189.00', 'panel', 1_315],
  ['Dace Spot 200', 'COB lights', 8, '4 lb 10 oz', '$399.00', 'cob', 2_098],
  ['Stoop C-stand 40"', 'C-stands', 14, '14 lbs', '$129.95', 'c-stand', 6_350],
  ['Stoop baby stand', 'Light stands', 12, '3 lb', '$49', 'stand', 1_361],
  ['Stoop sticks', 'Tripods', 6, '7.5', '$310', 'tripod', 3_402],
  ['Apple box, full', 'Apple boxes', 12, '', '$28', 'apple-box'],
  ['Shot bag 15 lb', 'Sandbags', 2, '15 lb', '$22', 'sandbag', 6_804],
  ['25 ft stinger', 'Stingers', 8, '', '$19.50', 'strip'],
  ['Doohickey', 'Misc', 12, '', '', ''],
  ['XLR 25 ft', 'XLR cables', 24, '', '$18.00', 'cable'],
  ['HDMI 6 ft', 'HDMI cables', 12, '', '$9.99', 'cable'],
  ['Rill Lav 2', 'Lav mics', 8, '', '$99.00', 'lavalier'],
  ['Rill Short shotgun', 'Shotgun mics', 4, '4.6 oz', '$249.00', 'shotgun', 130],
  ['V90 brick', 'V-mount batteries', 14, '1.2', '$199.00', 'pack', 544],
  ['128 GB V60', 'SD cards', 12, '', '$59.99', 'card'],
  ['4-bay charger', 'Battery chargers', 3, '2 lb', '$149', 'charger', 907],
  ['Gaff tape, black', 'Tape', 1, '', '$21', 'consumable'],
  ['Gray card', 'White balance', 4, '', '$12', 'colour-card'],
  ['4x4 floppy', 'Flags', 6, '', '$110', 'flag'],
  ['Rolling cart', 'Carts', 2, '45 lb', '$260', 'trolley', 20_412],
  ['Director chair', 'Chairs', 4, '8 lb', '$60', 'seat', 3_629],
  ['Step ladder 4 ft', 'Ladders', 2, '11 lb', '$70', 'step-ladder', 4_990],
]

export function listAmerican(): KeptList {
  const dates = ['3/14/2024', '12/02/2023', '7/4/2022', '11/30/2024', '', '1/9/25']
  const rows = fill(AMERICAN, 200, ([item, word, , weight, price], n) =>
    [
      `"${item.replace(/"/g, '""')}"`,
      word,
      word === 'Sandbags' ? '6' : word === 'Tape' ? '24 rolls' : '1',
      pick(['Cage A', 'Cage B', 'Grip truck'], n),
      n % 5 === 0 ? `SN${40_000 + n}` : 'N/A',
      pick(dates, n),
      `"${price}"`,
      weight,
      n % 11 === 0 ? 'tag is peeling' : '',
    ].join(','),
  )
  return {
    habit: 'an American list',
    csv: ['Item,Type,Qty,Location,Serial #,Purchase Date,Cost,Weight (lbs),Notes', ...rows].join('\r\n'),
    isDayFirst: false,
    currency: 'USD',
    things: 197,
    // The sandbags lie in two places.
    stock: 3,
    kinds: describe(AMERICAN),
    first: { priceMinor: 129_900, acquiredOn: '2023-12-02', serial: null },
    dates: ['2024-03-14', '2023-12-02', '2022-07-04', '2024-11-30', null, '2025-01-09'],
    asked: ['Doohickey'],
  }
}

/** Kilograms with a comma, euros behind the figure with a point for thousands, the day first with points, semicolons. */
const CONTINENTAL: readonly Sort[] = [
  ['Wend K5', 'Camera body', 8, '0,64', '1.180,00 €', 'camera', 640],
  ['Wend 60/2.8', 'Macro', 6, '0,39', '410,00 €', 'lens', 390],
  ['Halm TV 50', 'TV', 2, '13,2', '499,00 €', 'television', 13_200],
  ['Halm Feld 7', 'Monitor', 6, '0,35 kg', '229 €', 'monitor', 350],
  ['Dace P60', 'LED Panel', 18, '1,3', '145,00 €', 'panel', 1_300],
  ['Dace T4', 'Tube', 12, '0,8', '119,00 €', 'tube', 800],
  ['Dace O90', 'Octabox', 10, '950 g', '62,00 €', 'softbox', 950],
  ['Stoop S26', 'Light stand', 20, '2,5', '39,90 €', 'stand', 2_500],
  ['Stoop D75', 'Tripod', 8, '3,2', '289,00 €', 'tripod', 3_200],
  ['Stoop F8', 'Fluid head', 6, '2,1', '345,00 €', 'head', 2_100],
  ['Rill R2', 'Field recorder', 4, '0,4', '279,00 €', 'recorder', 400],
  ['Rill M1', 'Mic', 10, '0,3', '99,00 €', 'microphone', 300],
  ['Rill Funk 2', 'Radio mic', 6, '0,2', '199,00 €', 'wireless-set', 200],
  ['Pad 98', 'V pack', 16, '0,55', '149,00 €', 'pack', 550],
  ['Kaltgerätekabel 2 m', 'Kettle lead', 22, '', '4,90 €', 'lead'],
  ['Verteiler 6-fach', 'Power strip', 14, '', '12,50 €', 'strip'],
  ['Trommel 25 m', 'Cable reel', 6, '5,5', '59,00 €', 'reel', 5_500],
  ['Molton schwarz', 'Backdrop', 8, '3', '45,00 €', 'backdrop', 3_000],
  ['Rollkoffer', 'Case', 6, '4,8', '129,00 €', 'case', 4_800],
  ['Tisch 160', 'Table', 4, '28', '190,00 €', 'table', 28_000],
  ['Dings', 'Dings', 6, '', '', ''],
  ['AA Zelle', 'AA battery', 2, '23 g', '0,80 €', 'cell', 23],
]

export function listContinental(): KeptList {
  const dates = ['14.03.2024', '2.12.2023', '30.11.2022', '', '01.07.25']
  const rows = fill(CONTINENTAL, 200, ([item, word, , weight, price], n) =>
    [
      `K-${String(n).padStart(3, '0')}`,
      item,
      word,
      word === 'AA battery' ? '48 Stk' : '',
      pick(['Lager 1', 'Lager 2', 'Studio'], n),
      pick(dates, n),
      price,
      weight,
      n % 9 === 0 ? 'Kratzer; geht' : '',
    ]
      .map((cell) => (cell.includes(';') ? `"${cell}"` : cell))
      .join(';'),
  )
  return {
    habit: 'a continental list',
    csv: `\uFEFF${['Nr.;Name;Kind;Pcs;Where;Bought;Price (EUR);Weight (kg);Remarks', ...rows].join('\n')}`,
    isDayFirst: true,
    currency: 'EUR',
    things: 198,
    stock: 2,
    kinds: describe(CONTINENTAL),
    first: { tag: 'K-001', priceMinor: 118_000, acquiredOn: '2023-12-02' },
    dates: ['2024-03-14', '2023-12-02', '2022-11-30', null, '2025-07-01'],
    asked: ['Dings'],
  }
}

/** No column of kinds and none of weights: it all stands in the name, with tabs, and months in letters. */
const BRITISH: readonly Sort[] = [
  ['Wend K5 camera body', '', 6, '', '£1,180', 'camera'],
  ['28mm prime lens (Wend)', '', 8, '', '£180', 'lens'],
  ['Filter, ND 67mm', '', 6, '', '£35', 'filter'],
  ['LED panel, bicolour', '', 18, '', '£145', 'panel'],
  ['Softbox for the spots', '', 8, '', '£62', 'softbox'],
  ['5 in 1 reflector', '', 4, '', '£18', 'reflector'],
  ['Light stand', '', 20, '', '£32', 'stand'],
  ['Magic arm', '', 10, '', '£14', 'friction-arm'],
  ['Super clamp', '', 1, '', '£11', 'clamp'],
  ['Tripod with fluid head', '', 8, '', '£310', 'tripod'],
  ['Microphone stand', '', 6, '', '£29', 'mic-stand'],
  ['Desk arm for a mic', '', 4, '', '£85', 'desk-arm'],
  ['Lapel mic', '', 6, '', '£45', 'lavalier'],
  ['Closed headphones', '', 6, '', '£59', 'headphones'],
  ['Windjammer', '', 6, '', '£25', 'wind-protection'],
  ['Kettle lead', '', 20, '', '£3.50', 'lead'],
  ['4 gang extension', '', 10, '', '£8', 'strip'],
  ['microSD adapter', '', 6, '', '£2', 'card-sleeve'],
  ['SD card 64GB', '', 12, '', '£18', 'card'],
  ['Portable SSD 2TB', '', 4, '', '£140', 'drive'],
  ['Camera bag', '', 6, '', '£75', 'case'],
  ['Green screen', '', 2, '', '£40', 'backdrop'],
  ['Persian rug', '', 2, '', '£120', 'acoustics'],
  ['Clapperboard', '', 1, '', '£15', 'clapper'],
  ['Odds box', '', 20, '', '', ''],
]

export function listBritish(): KeptList {
  const dates = ['14 Mar 2024', '2nd December 2023', '30/11/2022', '', '7/1/24']
  const rows = fill(BRITISH, 200, ([item, , , , price], n) =>
    [
      item,
      item === 'Super clamp' ? '24' : '',
      pick(['cupboard by the door', 'Cupboard by the door ', 'loft'], n),
      pick(dates, n),
      price,
      n % 13 === 0 ? 'Jo has it' : '',
    ].join('\t'),
  )
  return {
    habit: 'a British list',
    csv: ['What\tHow many\tWhere kept\tDate bought\tCost\tComments', ...rows].join('\n'),
    isDayFirst: true,
    currency: 'GBP',
    things: 199,
    stock: 1,
    kinds: describe(BRITISH),
    first: { priceMinor: 118_000, acquiredOn: '2023-12-02' },
    dates: ['2024-03-14', '2023-12-02', '2022-11-30', null, '2024-01-07'],
    asked: ['Odds box'],
  }
}

function describe(sorts: readonly Sort[]): KeptList['kinds'] {
  return Object.fromEntries(
    sorts.flatMap(([item, , , , , category, massGrams]) =>
      category === '' ? [] : [[item, { category, ...(massGrams === undefined ? {} : { massGrams }) }]],
    ),
  )
}
