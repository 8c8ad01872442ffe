import { type Interface, makeModelFromTemplate, makePort, type NewModel } from '@exemplar/core'
import type { DemoUnit, ModelRow } from './demo-rows.ts'
import { withFigures } from './larkmoor-figures.ts'
import { FURTHER_LENGTHS_MM, FURTHER_MODELS, FURTHER_STOCK, FURTHER_UNITS } from './larkmoor-further-kit.ts'

/** The film unit of the invented Larkmoor Botanic Garden. All makers, models and people are made up. */
export const DEMO_INTERFACES: readonly Interface[] = [
  { code: 'mount-larch', label: 'Larch mount', kind: 'mount', hostName: 'body', guestName: 'lens' },
  { code: 'mount-sorrel', label: 'Sorrel mount', kind: 'mount', hostName: 'body', guestName: 'lens' },
  { code: 'pack-fenn-a', label: 'Fenn A', kind: 'battery', hostName: 'bay', guestName: 'pack' },
  { code: 'plate-clasp', label: 'Clasp plate', kind: 'carry', hostName: 'clasp', guestName: 'plate' },
  { code: 'bayonet-sallow', label: 'Sallow bayonet', kind: 'mount', hostName: 'lamp', guestName: 'modifier' },
  { code: 'pack-fenn-b', label: 'Fenn B', kind: 'battery', hostName: 'bay', guestName: 'pack' },
  { code: 'mount-bracken', label: 'Bracken mount', kind: 'mount', hostName: 'body', guestName: 'lens' },
  { code: 'pack-fenn-c', label: 'Fenn C', kind: 'battery', hostName: 'bay', guestName: 'pack' },
].map((it) => ({ ...it, kind: it.kind as Interface['kind'], standard: null, viaCableOnly: false, version: 1 }))

/** Ids are the tag or a short word, so that the demo is the same each time it is made. */
const MODEL_ROWS: readonly ModelRow[] = [
  [
    'verrin-v6',
    'camera',
    'Verrin',
    'V6 body',
    {
      mount: 'mount-larch',
      battery: 'pack-fenn-a',
      milliwatts: 11_000,
      cardForm: 'sd',
      kilobitsPerSecond: 100_000,
      cardMegabytesPerSecond: 30,
      massGrams: 780,
    },
  ],
  [
    'quarle-c2',
    'camera',
    'Quarle',
    'C2 body',
    {
      mount: 'mount-larch',
      battery: 'pack-fenn-a',
      milliwatts: 9_000,
      cardForm: 'sd',
      kilobitsPerSecond: 100_000,
      cardMegabytesPerSecond: 30,
      massGrams: 520,
    },
  ],
  [
    'verrin-l4',
    'camera',
    'Verrin',
    'L4 studio camera',
    {
      mount: 'mount-sorrel',
      battery: 'pack-fenn-b',
      milliwatts: 14_000,
      cardForm: 'sd',
      kilobitsPerSecond: 200_000,
      cardMegabytesPerSecond: 60,
      massGrams: 1_450,
    },
  ],
  [
    'pocket-p1',
    'camera',
    'Quarle',
    'P1 body',
    {
      mount: 'mount-larch',
      battery: 'pack-fenn-a',
      milliwatts: 7_000,
      cardForm: 'sd',
      kilobitsPerSecond: 80_000,
      cardMegabytesPerSecond: 30,
      massGrams: 410,
    },
  ],
  ['tarn-35', 'lens', 'Tarn', '35 f/1.8', { mount: 'mount-larch', massGrams: 310 }],
  ['tarn-50', 'lens', 'Tarn', '50 f/2.8 macro', { mount: 'mount-larch', massGrams: 420 }],
  ['tarn-85', 'lens', 'Tarn', '85 f/2', { mount: 'mount-larch', massGrams: 480 }],
  ['tarn-24-70', 'lens', 'Tarn', '24-70 f/4', { mount: 'mount-larch', massGrams: 560 }],
  ['sorrel-18-90', 'lens', 'Hask', '18-90 f/4 servo', { mount: 'mount-sorrel', massGrams: 1_100 }],
  [
    'sorrel-adapter',
    'lens-adapter',
    'Hask',
    'Sorrel to Larch',
    { mount: 'mount-larch', frontMount: 'mount-sorrel', massGrams: 130 },
  ],
  ['monitor-7', 'monitor', 'Nook', '7 inch monitor', { battery: 'pack-fenn-b', milliwatts: 24_000, massGrams: 640 }],
  ['switcher-4', 'switcher', 'Orrin', 'Four-way switcher', { inlet: 'iec-c13', milliwatts: 45_000, massGrams: 1_900 }],
  [
    'sallow-120',
    'light',
    'Sallow',
    '120 daylight',
    { inlet: 'iec-c13', milliwatts: 150_000, massGrams: 2_900, mount: 'bayonet-sallow' },
  ],
  ['sallow-dome', 'modifier', 'Sallow', 'Dome 60', { mount: 'bayonet-sallow', massGrams: 820 }],
  ['sallow-lantern', 'modifier', 'Sallow', 'Lantern 50', { mount: 'bayonet-sallow', massGrams: 640 }],
  ['verrin-mat', 'light', 'Verrin', 'Mat 1×2 panel', { inlet: 'iec-c7', milliwatts: 60_000, massGrams: 1_300 }],
  ['nook-30', 'light', 'Nook', '30 panel', { battery: 'pack-fenn-a', milliwatts: 28_000, massGrams: 700 }],
  ['ring-46', 'light', 'Nook', 'Ring lamp, 46 cm', { inlet: 'iec-c7', milliwatts: 55_000, massGrams: 1_600 }],
  ['tube-60', 'light', 'Quarle', 'Tube 60', { inlet: 'iec-c7', milliwatts: 20_000, massGrams: 900 }],
  ['holm-s3', 'microphone', 'Holm', 'S3 shotgun', { massGrams: 160 }],
  ['holm-l1', 'microphone', 'Holm', 'L1 lavalier', { battery: 'cell-9v', massGrams: 95 }],
  ['holm-d2', 'microphone', 'Holm', 'D2 dynamic', { massGrams: 310 }],
  [
    'otter-r4',
    'recorder',
    'Otter',
    'R4 recorder',
    {
      battery: 'cell-aa',
      batteryCount: 4,
      cardForm: 'sd',
      kilobitsPerSecond: 4_608,
      cardMegabytesPerSecond: 10,
      massGrams: 520,
    },
  ],
  ['otter-m6', 'mixer', 'Otter', 'M6 mixer', { inlet: 'iec-c13', milliwatts: 25_000, massGrams: 2_400 }],
  ['brindle-f8', 'tripod', 'Brindle', 'F8 tripod, fluid head', { loadGrams: 8_000, massGrams: 3_900 }],
  ['brindle-t3', 'tripod', 'Brindle', 'T3 travel tripod', { loadGrams: 3_000, massGrams: 1_400 }],
  ['brindle-arm', 'standing-arm', 'Brindle', 'Overhead arm', { loadGrams: 2_000, massGrams: 5_200 }],
  ['brindle-rail', 'rail', 'Brindle', 'Macro rail', { loadGrams: 2_500, massGrams: 800 }],
  [
    'table-demo',
    'furniture',
    '',
    'Demonstration table, extends',
    { widthMinMm: 1_400, widthMaxMm: 2_200, depthMm: 750, heightMm: 740, massGrams: 31_000 },
  ],
  ['stand-roller', 'stand', 'Brindle', 'Roller stand', { loadGrams: 10_000, massGrams: 6_800 }],
  ['stand-light', 'stand', 'Brindle', 'Light stand 2.4 m', { loadGrams: 4_000, massGrams: 1_900 }],
  ['stand-mic', 'mic-stand', 'Holm', 'Boom stand', { loadGrams: 1_500, massGrams: 3_100 }],
  ['fenn-a98', 'pack', 'Fenn', 'A 48 Wh', { battery: 'pack-fenn-a', energyMilliwattHours: 48_000, massGrams: 290 }],
  ['fenn-b28', 'pack', 'Fenn', 'B 28 Wh', { battery: 'pack-fenn-b', energyMilliwattHours: 28_000, massGrams: 180 }],
  [
    'fenn-charger',
    'charger',
    'Fenn',
    'A charger, two bays',
    { battery: 'pack-fenn-a', outlets: 2, inlet: 'iec-c7', milliwatts: 60_000, massGrams: 350 },
  ],
  ['lead-c13', 'lead', '', 'C13 lead, 3 m', { inlet: 'iec-c13', massGrams: 260 }],
  ['lead-c7', 'lead', '', 'C7 lead, 2 m', { inlet: 'iec-c7', massGrams: 110 }],
  ['strip-6', 'strip', '', 'Six-way strip, 13 A, 3 m', { outlets: 6, massGrams: 900 }],
  ['xlr-5', 'cable', '', 'XLR cable, 5 m', { endA: 'xlr-3', endB: 'xlr-3', massGrams: 380 }],
  ['hdmi-8', 'cable', '', 'HDMI cable, 8 m', { endA: 'hdmi-a', endB: 'hdmi-a', massGrams: 620 }],
  ['sd-128', 'card', 'Kestle', '128 GB V60', { capacityMegabytes: 128_000, cardMegabytesPerSecond: 60 }],
  ['sd-64', 'card', 'Kestle', '64 GB V30', { capacityMegabytes: 64_000, cardMegabytesPerSecond: 30 }],
  ['sd-32', 'card', 'Kestle', '32 GB V10', { capacityMegabytes: 32_000, cardMegabytesPerSecond: 10 }],
  ['sandbag-7', 'sandbag', '', 'Sandbag, 7 kg', { massGrams: 7_000 }],
  ['clamp-s', 'clamp', '', 'Spring clamp', { massGrams: 120 }],
  ['cell-aa', 'cell', '', 'AA cell', { battery: 'cell-aa', massGrams: 24 }],
  ['cell-9v', 'cell', '', '9 V cell', { battery: 'cell-9v', massGrams: 46 }],
  ['cell-aaa', 'cell', '', 'AAA cell', { battery: 'cell-aaa', massGrams: 12 }],
  ['tape-cloth', 'consumable', '', 'Cloth tape, roll', { massGrams: 420 }],
]

/** Lengths as they stand in the names, in millimetres. */
const LENGTHS_MM: Readonly<Record<string, number>> = {
  'lead-c13': 3_000,
  'lead-c7': 2_000,
  'strip-6': 3_000,
  'xlr-5': 5_000,
  'hdmi-8': 8_000,
  ...FURTHER_LENGTHS_MM,
}

/** Carries the quick plate beside its threads: bodies on which the plate stays, and what takes it. */
const WITH_PLATE: ReadonlySet<string> = new Set(['verrin-v6', 'verrin-l4', 'brindle-f8', 'brindle-arm'])

function addPlate(model: NewModel): NewModel {
  const isCarrying = (interfaces: readonly string[]) => interfaces.includes('thread-1-4')
  const ports = model.ports.map((port) =>
    isCarrying(port.interfaces) ? { ...port, interfaces: ['plate-clasp', ...port.interfaces] } : port,
  )
  return { ...model, ports }
}

/** A worn microphone hangs on a shirt: it wants no stand. */
function adjust(id: string, plain: NewModel): NewModel {
  const model = WITH_PLATE.has(id) ? addPlate(plain) : plain
  if (id === 'holm-l1') return { ...model, ports: model.ports.filter((port) => port.id !== 'clip') }
  if (id === 'verrin-l4') {
    const lighter = { id: 'long', label: '100 Mbit/s', kilobitsPerSecond: 100_000 }
    const inputs = makePort({
      id: 'xlr-in',
      interfaces: 'xlr-3',
      side: 'host',
      direction: 'in',
      count: 2,
      importance: 'optional',
    })
    return { ...model, ports: [...model.ports, inputs], recordingModes: [...model.recordingModes, lighter] }
  }
  if (id === 'verrin-v6') {
    const slow = { id: 'slow', label: '150 Mbit/s at 100 frames', kilobitsPerSecond: 150_000, activeWidthMm: 23.6 }
    return { ...model, recordingModes: [...model.recordingModes, slow] }
  }
  if (id === 'otter-r4') {
    return { ...model, recordingModes: [{ id: 'usual', label: '4 tracks, 24 bit 48 kHz', kilobitsPerSecond: 4_608 }] }
  }
  const lengthMm = LENGTHS_MM[id]
  if (lengthMm) return { ...model, specs: { ...model.specs, more: { ...model.specs.more, lengthMm } } }
  return model
}

export const DEMO_MODELS: readonly (NewModel & { id: string })[] = [...MODEL_ROWS, ...FURTHER_MODELS].map(
  ([id, category, maker, name, facts]) => ({
    ...withFigures(id, adjust(id, makeModelFromTemplate(category, maker, name, facts))),
    id,
  }),
)

const u = (
  tag: string,
  model: string,
  place: string,
  price: string | null,
  daysAgo: number,
  rest: Partial<DemoUnit> = {},
): DemoUnit => ({
  tag,
  model,
  place,
  price,
  daysAgo,
  ...rest,
})

export const DEMO_UNITS: readonly DemoUnit[] = [
  u('CAM-01', 'verrin-v6', 'case-1', '1480.00', 700, { serial: 'V6-20711', serviceEvery: 365, servicedDaysAgo: 371 }),
  u('CAM-02', 'quarle-c2', 'case-1', '890.00', 610, { serial: 'C2-0931', serviceEvery: 365, servicedDaysAgo: 357 }),
  u('CAM-03', 'verrin-l4', 'case-4', '2150.00', 430, { serial: 'L4-5520' }),
  u('CAM-04', 'verrin-l4', 'case-4', '2150.00', 430, { serial: 'L4-5521' }),
  u('CAM-05', 'verrin-l4', 'case-4', '1340.00', 190, { acquisition: 'bought-used', serial: 'L4-3107' }),
  u('CAM-06', 'pocket-p1', 'shelf-a', '540.00', 820, {
    note: 'No flip screen: needs the small monitor for a self-view.',
  }),
  u('LEN-01', 'tarn-35', 'case-1', '420.00', 700),
  u('LEN-02', 'tarn-85', 'case-1', '510.00', 610),
  u('LEN-03', 'tarn-50', 'shelf-a', '380.00', 500),
  u('LEN-04', 'sorrel-18-90', 'case-4', '1620.00', 430),
  u('LEN-05', 'sorrel-18-90', 'case-4', '1620.00', 430, {
    state: 'in-repair',
    party: 'repairer',
    dueIn: 12,
    note: 'Zoom sticks at the long end. Sent off with the invoice.',
  }),
  u('LEN-06', 'sorrel-18-90', 'store', '990.00', 190, { acquisition: 'bought-used' }),
  u('LEN-07', 'sorrel-18-90', 'case-4', '1620.00', 430),
  u('LEN-08', 'tarn-24-70', 'shelf-a', null, 260, {
    acquisition: 'gift',
    party: 'friends',
    note: 'Gift of the Friends of the garden.',
  }),
  u('ADP-01', 'sorrel-adapter', 'shelf-a', '95.00', 420),
  u('MON-01', 'monitor-7', 'case-4', '310.00', 420),
  u('MON-02', 'monitor-7', 'shelf-a', '310.00', 150),
  u('SWI-01', 'switcher-4', 'case-5', '760.00', 420),
  u('LGT-01', 'sallow-120', 'case-3', '360.00', 690, { note: 'The strongest we have.' }),
  u('LGT-02', 'sallow-120', 'case-3', '360.00', 690),
  u('LGT-03', 'verrin-mat', 'studio', '240.00', 300, { note: 'Came without its lead.' }),
  u('LGT-04', 'verrin-mat', 'studio', '240.00', 300),
  u('LGT-05', 'nook-30', 'bag-1', '86.00', 620),
  u('LGT-06', 'nook-30', 'case-3', '86.00', 620, { note: 'Small and cool, goes anywhere.' }),
  u('LGT-07', 'tube-60', 'shelf-b', '130.00', 280),
  u('LGT-08', 'ring-46', 'shelf-b', '145.00', 640, { note: 'Shows as a ring in spectacles.' }),
  u('MOD-01', 'sallow-dome', 'case-3', '95.00', 690),
  u('MOD-02', 'sallow-lantern', 'store', '78.00', 6, { state: 'ordered', party: 'vendor', dueIn: -2 }),
  u('MIC-01', 'holm-s3', 'case-2', '260.00', 700, { serviceEvery: 180, servicedDaysAgo: 172 }),
  u('MIC-02', 'holm-l1', 'case-2', '140.00', 560),
  u('MIC-03', 'holm-l1', 'bag-1', '140.00', 560),
  u('MIC-04', 'holm-d2', 'case-5', '95.00', 390),
  u('MIC-05', 'holm-d2', 'case-5', '95.00', 390),
  u('REC-01', 'otter-r4', 'case-2', '330.00', 560),
  u('MIX-01', 'otter-m6', 'case-5', '410.00', 420),
  u('TRI-01', 'brindle-f8', 'store', '390.00', 700, { serviceEvery: 365, servicedDaysAgo: 200 }),
  u('TRI-02', 'brindle-t3', 'bag-1', '120.00', 610),
  u('TRI-03', 'brindle-f8', 'case-4', '390.00', 430),
  u('TRI-04', 'brindle-t3', 'store', '120.00', 520),
  u('TRI-05', 'brindle-t3', 'store', null, 800, { acquisition: 'household' }),
  u('TRI-06', 'brindle-t3', 'store', '120.00', 90),
  u('ARM-01', 'brindle-arm', 'studio', '280.00', 480),
  u('RAI-01', 'brindle-rail', 'studio', null, 33, { acquisition: 'loan-in', party: 'herbarium', dueIn: 1 }),
  u('FUR-01', 'table-demo', 'studio', null, 700, { acquisition: 'household' }),
  u('STD-01', 'stand-roller', 'store', '175.00', 690),
  u('STD-02', 'stand-light', 'case-3', '48.00', 690),
  u('STD-03', 'stand-light', 'case-3', '48.00', 690),
  u('STD-04', 'stand-light', 'store', '48.00', 300),
  u('STD-05', 'stand-roller', 'studio', '175.00', 480),
  u('MST-01', 'stand-mic', 'store', '65.00', 700),
  u('MST-02', 'stand-mic', 'case-5', '65.00', 390),
  u('PAK-A1', 'fenn-a98', 'shelf-b', '62.00', 700, { health: 82, chargedDaysAgo: 3 }),
  u('PAK-A2', 'fenn-a98', 'shelf-b', '62.00', 700, { health: 85, chargedDaysAgo: 3 }),
  u('PAK-A3', 'fenn-a98', 'shelf-b', '62.00', 400, { health: 94, chargedDaysAgo: 3 }),
  u('PAK-A4', 'fenn-a98', 'shelf-b', '62.00', 400, { health: 93, chargedDaysAgo: 3 }),
  u('PAK-A5', 'fenn-a98', 'shelf-b', '62.00', 120, { health: 100 }),
  u('PAK-A6', 'fenn-a98', 'bag-1', '62.00', 120, { health: 100 }),
  u('PAK-A7', 'fenn-a98', 'bag-1', '62.00', 120, { health: 100 }),
  u('PAK-B1', 'fenn-b28', 'case-4', '38.00', 430, { health: 100, chargedDaysAgo: 1 }),
  u('PAK-B2', 'fenn-b28', 'case-4', '38.00', 430, { health: 100, chargedDaysAgo: 1 }),
  u('PAK-B3', 'fenn-b28', 'case-4', '38.00', 430, { health: 100, chargedDaysAgo: 1 }),
  u('PAK-B4', 'fenn-b28', 'case-4', '38.00', 190, { health: 100, chargedDaysAgo: 1 }),
  u('CHG-01', 'fenn-charger', 'store', '79.00', 700),
  u('LED-01', 'lead-c13', 'case-3', '9.00', 690),
  u('LED-02', 'lead-c13', 'case-3', '9.00', 690),
  u('LED-03', 'lead-c13', 'case-5', '9.00', 420),
  u('LED-04', 'lead-c13', 'case-5', '9.00', 420),
  u('LED-05', 'lead-c7', 'studio', '7.00', 300),
  u('LED-06', 'lead-c7', 'shelf-b', '7.00', 280),
  u('STR-01', 'strip-6', 'store', '18.00', 690),
  u('STR-02', 'strip-6', 'case-5', '18.00', 420),
  u('CBL-01', 'xlr-5', 'case-2', '16.00', 700),
  u('CBL-02', 'xlr-5', 'case-2', '16.00', 700),
  u('CBL-03', 'xlr-5', 'case-5', '16.00', 390),
  u('CBL-04', 'xlr-5', 'case-5', '16.00', 390),
  u('CBL-05', 'hdmi-8', 'case-5', '24.00', 420),
  u('CBL-06', 'hdmi-8', 'case-5', '24.00', 420),
  u('CBL-07', 'hdmi-8', 'case-5', '24.00', 420),
  u('CBL-08', 'hdmi-8', 'case-5', '24.00', 420),
  u('SDC-01', 'sd-128', 'case-1', '54.00', 300),
  u('SDC-02', 'sd-128', 'case-1', '54.00', 300),
  u('SDC-03', 'sd-128', 'case-4', '54.00', 430),
  u('SDC-04', 'sd-128', 'case-4', '54.00', 430),
  u('SDC-05', 'sd-128', 'case-4', '54.00', 430),
  u('SDC-06', 'sd-64', 'shelf-a', '22.00', 600),
  u('SDC-07', 'sd-32', 'case-2', '12.00', 560),
  u('SDC-08', 'sd-64', 'bag-1', '22.00', 600),
  u('SDC-09', 'sd-128', 'store', '54.00', 60),
  ...FURTHER_UNITS,
]

export const DEMO_STOCK: readonly { tag: string; model: string; place: string; quantity: number; reorder: number }[] = [
  { tag: 'BAG-01', model: 'sandbag-7', place: 'store', quantity: 6, reorder: 0 },
  { tag: 'CLP-01', model: 'clamp-s', place: 'shelf-b', quantity: 14, reorder: 6 },
  { tag: 'CEL-01', model: 'cell-aa', place: 'shelf-b', quantity: 22, reorder: 12 },
  { tag: 'CEL-02', model: 'cell-9v', place: 'shelf-b', quantity: 0, reorder: 0 },
  { tag: 'CON-01', model: 'tape-cloth', place: 'shelf-b', quantity: 3, reorder: 4 },
  ...FURTHER_STOCK,
]
