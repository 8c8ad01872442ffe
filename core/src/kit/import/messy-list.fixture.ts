/** A list of 150 things as somebody kept it for years, and what is true behind it. All makers and models are made up. */
export interface MessyList {
  csv: string
  /** Distinct pieces behind the lines, counted stock as one. */
  things: number
  stock: number
  repeats: number
  /** Lines that nobody can read without asking, with what puts each right. */
  bad: { line: number; column: string; value: string }[]
}

interface Sort {
  item: string
  kind: string
  make: string
  pieces: number
  weight: string
  price: string
}

/** Written as people write: plural or not, a comma in the figures, currency signs on either side, or nothing at all. */
const SORTS: readonly Sort[] = [
  { item: 'Wend K5 body', kind: 'Cameras', make: 'Wend', pieces: 3, weight: '0,64', price: '£1,180.00' },
  { item: '28 f/2', kind: 'Lens', make: 'Wend', pieces: 2, weight: '0,24', price: '180 £' },
  { item: '60 f/2.8 macro', kind: 'lenses', make: 'Wend', pieces: 2, weight: '390 g', price: '410' },
  { item: 'Panel 60', kind: 'LED panel', make: 'Dace', pieces: 8, weight: '1,3', price: '£145' },
  { item: 'Spot 200', kind: 'COB light', make: 'Dace', pieces: 4, weight: '2,1 kg', price: '£329.50' },
  { item: 'Octa softbox 90', kind: '', make: 'Dace', pieces: 5, weight: '950 g', price: '62,00 £' },
  { item: 'Light stand 2.6 m', kind: 'stands', make: 'Stoop', pieces: 16, weight: '1,1', price: '£38' },
  { item: 'C-stand with arm', kind: 'c stand', make: 'Stoop', pieces: 6, weight: '5,4 kg', price: '£89.00' },
  { item: 'Sticks 75', kind: 'tripod', make: 'Stoop', pieces: 4, weight: '3,2', price: '£240' },
  { item: 'Fluid head F8', kind: '', make: 'Stoop', pieces: 4, weight: '1,8', price: '£310.00' },
  { item: 'Clip mic L2', kind: 'lav', make: 'Murmur', pieces: 6, weight: '25 g', price: '£55' },
  { item: 'Shotgun S1', kind: 'mic', make: 'Murmur', pieces: 3, weight: '110 g', price: '£199.00' },
  { item: 'Field recorder R4', kind: 'Recorder', make: 'Murmur', pieces: 2, weight: '0,48', price: '£420.00' },
  { item: 'Wend pack', kind: 'batteries', make: 'Wend', pieces: 12, weight: '80 g', price: '£49' },
  { item: 'Card 128', kind: 'SD card', make: 'Tarn', pieces: 14, weight: '2 g', price: '£24.00' },
  { item: 'Travel drive 2', kind: 'SSD', make: 'Tarn', pieces: 5, weight: '90 g', price: '£130' },
  { item: 'XLR cable 5 m', kind: 'Cables', make: '', pieces: 18, weight: '', price: '£12' },
  { item: 'Video lead 2 m', kind: 'cable', make: '', pieces: 9, weight: '?', price: 'n/a' },
  { item: 'Apple box, half', kind: 'apple box', make: '', pieces: 6, weight: '4 kg', price: '£18' },
]

const PLACES = ['Store, shelf 1', 'store, shelf 1', 'Store, shelf 2', 'Studio', 'Van box', '']
const DATES = ['14.3.2024', '03.11.2023', '2024-05-02', '5 Jun 2024', '45017', '28/02/2025', '']

/** The same list each time: places, dates and serials go round, nothing is drawn. */
export function makeMessyList(): MessyList {
  const heading = [
    'Nr.',
    'Item',
    'Type',
    'Brand',
    'Qty',
    'Where kept',
    'Serial-No.',
    'Bought',
    'Price paid (£)',
    'Weight (kg)',
    'Remarks',
    'Colour of sticker',
  ]
  const rows: string[][] = []
  let n = 0
  for (const { item, kind, make, pieces, weight, price } of SORTS) {
    for (let piece = 0; piece < pieces; piece++) {
      n++
      const hasSerial = weight !== '' && n % 3 === 0
      rows.push([
        n % 4 === 0 ? '' : `S-${String(n).padStart(3, '0')}`,
        piece % 2 === 1 ? ` ${item}  ` : item,
        kind,
        make,
        n % 5 === 0 ? '1x' : '',
        PLACES[n % PLACES.length] ?? '',
        hasSerial ? `${make.slice(0, 2).toUpperCase()}${String(7000 + n * 13)}` : '-',
        DATES[n % DATES.length] ?? '',
        price,
        weight,
        n % 7 === 0 ? 'scratched; still fine' : '',
        n % 2 ? 'red' : 'blue',
      ])
    }
  }
  const stock = [
    ['', 'Sandbag 7 kg', 'sandbags', 'Stoop', '12', 'Studio', '', '', '£9.50', '7', '', ''],
    ['', 'AA cell', 'aa batteries', '', '48 pcs', 'Van box', '', '', '', '23 g', '', ''],
    ['', 'Spring clamp', 'Clamps', '', '24', 'Studio', '', '', '', '', '', ''],
  ]
  const things = rows.length
  const copies = [rows[0], rows[4], rows[40]].flatMap((row) => (row ? [row] : []))
  const wrong: [string[], string, string][] = [
    [['S-900', 'Thingamabob', '', '', '', 'Studio', '', '', '', '', '', ''], 'category', 'tool'],
    [['S-901', 'Spot 200', 'light', 'Dace', '', '', '', '31.2.2024', '', '', '', ''], 'acquired on', '2024-03-01'],
    [['S-902', 'Panel 60', 'LED panel', 'Dace', '', '', '', '', 'about 150', '', '', ''], 'price', '150'],
    [['S-001', 'Sticks 75', 'tripod', 'Stoop', '', '', '', '', '', '', '', ''], 'tag', 'S-903'],
  ]
  const all = [...rows, ...stock, ...copies, ...wrong.map(([row]) => row)]
  const quote = (cell: string) => (/[;"\n]/.test(cell) ? `"${cell.replace(/"/g, '""')}"` : cell)
  const first = 2 + rows.length + stock.length + copies.length
  return {
    csv: `\uFEFF${[heading, ...all].map((row) => row.map(quote).join(';')).join('\r\n')}\r\n`,
    things: things + wrong.length,
    stock: stock.length,
    repeats: copies.length,
    bad: wrong.map(([, column, value], index) => ({ line: first + index, column, value })),
  }
}
