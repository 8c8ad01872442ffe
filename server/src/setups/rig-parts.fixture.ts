/** A rig as it is written down, and things that many of them have. The figures are invented. */
export interface NamedRig {
  name: string
  /** By a short name: kind, what is typed on quick entry, and further figures. */
  things: Readonly<Record<string, readonly [category: string, facts?: object, more?: object]>>
  /** Roles with what stands in them, in any order; what a role wants is its first thing's kind unless it is said. */
  roles: readonly RigRole[]
  setup?: object
  /** What the room has: bars under its ceiling. */
  bars?: readonly object[]
  /** `rider>carrier`, over signal and mains as well: `plug>socket`. Those that matter here, not all. */
  joints?: readonly string[]
  /** Joints that nobody would make. */
  never?: readonly string[]
  /** What is found beyond advice, `level code thing`; nothing where it is ready. */
  found: readonly string[]
}

export interface RigRole {
  name: string
  wants?: string | null
  importance?: string
  goesWith?: string
  heightMm?: number
  things: readonly string[]
}

export const CAMERA = {
  mount: 'LENS',
  battery: 'PACK',
  milliwatts: 8_000,
  cardForm: 'sd',
  kilobitsPerSecond: 50_000,
  massGrams: 700,
}
export const BODY = {
  cam: ['camera', CAMERA],
  len: ['lens', { mount: 'LENS', massGrams: 400 }],
  sd: ['card', { capacityMegabytes: 128_000 }],
  p1: ['pack', { battery: 'PACK', energyMilliwattHours: 16_000, massGrams: 80 }],
  p2: ['pack', { battery: 'PACK', energyMilliwattHours: 16_000, massGrams: 80 }],
} as const
export const IN_BODY = ['cam', 'len', 'sd', 'p1', 'p2'] as const
export const LAMP = { inlet: 'iec-c13', milliwatts: 100_000, massGrams: 1_800 }
export const LEAD = ['lead', { inlet: 'iec-c13' }] as const
export const STAND = [
  'stand',
  { loadGrams: 6_000, massGrams: 2_500 },
  { legRadiusMm: 480, heightMaxMm: 2_600 },
] as const
export const XLR = ['cable', { endA: 'xlr-3', endB: 'xlr-3' }] as const
export const PICTURE = ['cable', { endA: 'hdmi-a', endB: 'hdmi-a' }] as const
export const SCREEN = { inlet: 'iec-c13', milliwatts: 40_000 }
export const RECORDER = {
  rec: ['recorder', { battery: 'cell-aa', batteryCount: 2, cardForm: 'sd', kilobitsPerSecond: 2_304 }],
  rsd: ['card', { capacityMegabytes: 32_000 }],
  c1: ['cell', { battery: 'cell-aa' }],
  c2: ['cell', { battery: 'cell-aa' }],
} as const
export const IN_RECORDER = ['rec', 'rsd', 'c1', 'c2'] as const
export const TRIPOD = ['tripod', { loadGrams: 8_000, massGrams: 3_000 }] as const
export const MIC = ['dynamic-mic', { massGrams: 400 }] as const
