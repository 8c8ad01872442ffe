import type { ExampleThing } from './example-studio.ts'

/** Things that many examples have. All of it is invented; the figures are what such things usually have (common practice). */

const thing =
  (
    category: ExampleThing['category'],
    name: string,
    facts: ExampleThing['facts'] = {},
    more: ExampleThing['more'] = {},
  ) =>
  (): ExampleThing => ({ category, name, facts, more })

export const camera = thing(
  'camera',
  'Quill body',
  {
    mount: 'quill-mount',
    battery: 'wren-pack',
    milliwatts: 8_000,
    cardForm: 'sd',
    kilobitsPerSecond: 100_000,
    cardMegabytesPerSecond: 30,
    massGrams: 650,
    videoOut: 'hdmi-a',
    soundIn: 'trs-35',
  },
  { sensorWidthMm: 36, sensorHeightMm: 24, sendsGbits: 3 },
)
export const camcorder = thing(
  'camcorder',
  'Heron camcorder',
  {
    inlet: 'iec-c7',
    milliwatts: 15_000,
    cardForm: 'sd',
    kilobitsPerSecond: 50_000,
    cardMegabytesPerSecond: 10,
    massGrams: 1_300,
    videoOut: 'hdmi-a',
    soundIn: 'xlr-3',
    soundInputs: 2,
  },
  { gainDb: 66, sends48: 'yes', sendsGbits: 3 },
)
export const phone = thing('phone', 'Lark phone', {
  massGrams: 190,
  capacityMegabytes: 128_000,
  kilobitsPerSecond: 60_000,
})
export const lens = (focalMm: number, name: string, massGrams = 400) =>
  thing(
    'lens',
    name,
    { mount: 'quill-mount', massGrams },
    { focalMinMm: focalMm, focalMaxMm: focalMm, imageCircleMm: 44 },
  )
export const pack = thing('pack', 'Wren pack', { battery: 'wren-pack', energyMilliwattHours: 16_000, massGrams: 80 })
export const lampPack = thing(
  'pack',
  'Heath pack, 98 Wh',
  {
    battery: 'heath-plate',
    energyMilliwattHours: 98_000,
    massGrams: 700,
  },
  { mostAmps: 10, volts: 14.4 },
)
export const cell = thing('cell', 'AA cell', { battery: 'cell-aa', massGrams: 24 })
export const card = thing('card', 'SD card, 128 GB', {
  cardForm: 'sd',
  capacityMegabytes: 128_000,
  cardMegabytesPerSecond: 30,
  massGrams: 2,
})
export const tripod = thing(
  'tripod',
  'Tripod with head',
  { loadGrams: 6_000, massGrams: 3_200 },
  { heightMinMm: 500, heightMaxMm: 1_700 },
)
export const stand = thing(
  'stand',
  'Light stand, 2.6 m',
  { loadGrams: 6_000, massGrams: 1_800 },
  { legRadiusMm: 480, heightMinMm: 900, heightMaxMm: 2_600 },
)
export const micStand = thing(
  'mic-stand',
  'Upright microphone stand',
  { loadGrams: 2_000, massGrams: 2_600 },
  { heightMinMm: 900, heightMaxMm: 1_600 },
)
export const bag = thing('sandbag', 'Sandbag, 7 kg', { massGrams: 7_000 })
export const panel = thing('panel', 'Marsh panel', { inlet: 'iec-c7', milliwatts: 60_000, massGrams: 1_300 })
export const lamp = thing('cob', 'Tern 150 lamp', { inlet: 'iec-c13', milliwatts: 150_000, massGrams: 2_200 })
export const leadC7 = thing('lead', 'Mains lead, C7', { inlet: 'iec-c7' }, { lengthMm: 3_000 })
export const leadC13 = thing('lead', 'Mains lead, C13', { inlet: 'iec-c13' }, { lengthMm: 3_000 })
export const strip = thing('strip', 'Power strip, 6 ways', { outlets: 6 })
export const xlr = thing('cable', 'XLR cable, 5 m', { endA: 'xlr-3', endB: 'xlr-3' }, { lengthMm: 5_000 })
export const video = thing(
  'cable',
  'Video cable, 3 m',
  { endA: 'hdmi-a', endB: 'hdmi-a' },
  { lengthMm: 3_000, carriesGbits: 18 },
)
export const usb = thing('cable', 'USB-C cable, 2 m', { endA: 'usb-c', endB: 'usb-c' }, { lengthMm: 2_000 })
export const dynamicMic = thing(
  'dynamic-mic',
  'Rook dynamic microphone',
  { massGrams: 600 },
  { fedBy: 'nothing', sensitivityMvPerPa: 2 },
)
export const shotgun = thing('shotgun', 'Snipe shotgun', { massGrams: 130 }, { fedBy: '48 V', sensitivityMvPerPa: 20 })
export const recorder = thing(
  'recorder',
  'Otter field recorder',
  {
    battery: 'cell-aa',
    batteryCount: 4,
    cardForm: 'sd',
    kilobitsPerSecond: 4_608,
    soundIn: 'xlr-3',
    soundInputs: 2,
    massGrams: 500,
  },
  { gainDb: 66, sends48: 'yes' },
)
export const table = thing('table', 'Plain table', { loadGrams: 60_000, massGrams: 18_000, heightMm: 740 })

/** A recorder with what it runs and records on. */
export const recorderOnCells = () => ({
  rec: recorder(),
  rsd: card(),
  c1: cell(),
  c2: cell(),
  c3: cell(),
  c4: cell(),
})
export const RECORDER_ON_CELLS = ['rec', 'rsd', 'c1', 'c2', 'c3', 'c4'] as const

/** A body with a lens, on its tripod, ready to film for a session on packs. */
export const cameraOnTripod = (focalMm: number, name: string, massGrams?: number) => ({
  cam: camera(),
  len: lens(focalMm, name, massGrams)(),
  sd: card(),
  p1: pack(),
  p2: pack(),
  tripod: tripod(),
})
export const CAMERA_ON_TRIPOD = ['cam', 'len', 'sd', 'p1', 'p2', 'tripod'] as const
