import { z } from 'zod'

/**
 * What may be recorded of a model beyond what the judging sums. Each figure has one unit and the bounds within which it
 * is plausible; outside them it is asked about, never refused. Bounds are common practice, from memory.
 */
interface FigureSpec {
  label: string
  kind: 'figure'
  unit: string
  plausible: readonly [least: number, most: number]
}

interface ChoiceSpec {
  label: string
  kind: 'choice'
  options: readonly string[]
}

interface TextSpec {
  label: string
  kind: 'text'
}

export type SpecFacts = FigureSpec | ChoiceSpec | TextSpec

const figure = (label: string, unit: string, least: number, most: number): FigureSpec => ({
  label,
  kind: 'figure',
  unit,
  plausible: [least, most],
})
const choice = (label: string, ...options: string[]): ChoiceSpec => ({ label, kind: 'choice', options })
const text = (label: string): TextSpec => ({ label, kind: 'text' })

export const SPECS = {
  lensKind: choice('Kind of lens', 'prime', 'zoom'),
  focalMinMm: figure('Shortest focal length', 'mm', 4, 1200),
  focalMaxMm: figure('Longest focal length', 'mm', 4, 1200),
  widestAperture: figure('Widest aperture, f/', '', 0.7, 11),
  widestApertureLong: figure('Widest aperture at the long end, f/', '', 0.7, 22),
  closestMm: figure('Closest focus', 'mm', 10, 3000),
  imageCircleMm: figure('Image circle', 'mm', 5, 80),
  filterMm: figure('Filter thread', 'mm', 20, 150),
  densityStops: figure('Takes away', 'stops', 0, 15),
  densityMostStops: figure('Takes away at most', 'stops', 0, 15),
  sensorWidthMm: figure('Sensor width', 'mm', 3, 60),
  sensorHeightMm: figure('Sensor height', 'mm', 2, 45),
  recordLimitMinutes: figure('Stops recording after', 'min', 1, 1440),
  flipScreen: choice('Screen turns to the front', 'yes', 'no'),
  autofocus: choice('Focus by itself', 'dependable', 'hunts', 'none'),
  remoteStart: choice('Starts from afar', 'yes', 'no'),
  cleanOutput: choice('Picture out without menus', 'yes', 'no'),
  screenInches: figure('Screen', 'inch', 2, 100),
  colourTrusted: choice('Colours can be trusted', 'yes', 'no'),
  delayMilliseconds: figure('Delay of the picture', 'ms', 0, 2000),
  dims: choice('Can be dimmed', 'yes', 'no'),
  luxAtOneMetre: figure('Light at one metre', 'lx', 1, 300_000),
  beamDegrees: figure('Beam', '°', 1, 180),
  kelvinMin: figure('Warmest', 'K', 1600, 12_000),
  kelvinMax: figure('Coolest', 'K', 1600, 20_000),
  cri: figure('Colour rendering, Ra', '', 50, 100),
  ledCount: figure('LEDs, as in its name', '', 1, 5000),
  equivalentWatts: figure('Said to equal', 'W', 1, 5000),
  grid: choice('Is a grid', 'yes', 'no'),
  lossStops: figure('Takes away', 'stops', 0, 8),
  diameterMm: figure('Diameter or longer side', 'mm', 20, 4000),
  frontToBackMm: figure('Depth, front to back', 'mm', 5, 3000),
  shiftMired: figure('Shift', 'mired', -350, 350),
  sensitivityMvPerPa: figure('Sensitivity', 'mV/Pa', 0.2, 80),
  gainDb: figure('Most gain', 'dB', 5, 90),
  fedBy: choice('Fed by', 'nothing', 'plug-in power', '48 V', 'own pack'),
  sends48: choice('Sends 48 V', 'yes', 'no'),
  sendsPlugIn: choice('Sends plug-in power', 'yes', 'no'),
  sendsGbits: figure('Sends', 'Gbit/s', 0.01, 120),
  carriesGbits: figure('Carries', 'Gbit/s', 0.01, 120),
  pattern: choice('Pattern', 'omni', 'cardioid', 'supercardioid', 'hypercardioid', 'figure of eight', 'lobar'),
  maximumDbSpl: figure('Loudest it takes', 'dB SPL', 90, 160),
  noiseDba: figure('Its own noise at 1 m', 'dBA', 5, 90),
  channels: figure('Channels', '', 1, 128),
  inputNoiseDbu: figure('Noise of the input (EIN)', 'dBu', -140, -60),
  heightMinMm: figure('Lowest', 'mm', 20, 3000),
  heightMaxMm: figure('Highest', 'mm', 100, 8000),
  legRadiusMm: figure('Legs reach out to', 'mm', 100, 1500),
  leastLoadGrams: figure('Balanced from', 'g', 50, 20_000),
  reachMm: figure('Reach', 'mm', 50, 4000),
  foldedMm: figure('Folded length', 'mm', 50, 3000),
  mountPoints: figure('Threaded holes', '', 0, 60),
  presets: figure('Heights it remembers', '', 0, 12),
  chargeAmps: figure('Charges at', 'A', 0.1, 20),
  volts: figure('Voltage', 'V', 1, 60),
  mostAmps: figure('Most current', 'A', 0.1, 60),
  lengthMm: figure('Length', 'mm', 50, 200_000),
  version: text('Version it carries'),
  readMegabytesPerSecond: figure('Reads at', 'MB/s', 1, 20_000),
  memoryGigabytes: figure('Working memory', 'GB', 1, 2048),
  graphicsGigabytes: figure('Graphics memory', 'GB', 0.5, 512),
  discDrive: choice('Disc drive', 'yes', 'no'),
  wireless: choice('Wireless', 'yes', 'no'),
  generation: text('Generation'),
  material: choice('Material', 'paper', 'cloth', 'stretch cloth', 'vinyl', 'pop-up', 'foam', 'wood', 'metal', 'other'),
  creases: choice('Creases', 'hardly', 'somewhat', 'easily'),
  stored: choice('Stored', 'rolled', 'hung', 'folded'),
  smooths: choice('Takes creases out', 'yes', 'no'),
  care: text('Care'),
  season: text('Season'),
  holes: text('Hole pattern at the back'),
  insideMm: figure('Longest thing that fits', 'mm', 50, 3000),
  takesGrams: figure('Bears at most', 'g', 100, 400_000),
} as const satisfies Record<string, SpecFacts>

export type SpecKey = keyof typeof SPECS
export const SPEC_KEYS = Object.keys(SPECS) as SpecKey[]

/** Figures as finite numbers in their unit, choices and texts as they stand. What nobody recorded is not there. */
export const moreSpecsSchema = z
  .partialRecord(z.enum(SPEC_KEYS as [SpecKey, ...SpecKey[]]), z.union([z.number(), z.string().trim().min(1).max(120)]))
  .superRefine((specs, context) => {
    for (const [key, value] of Object.entries(specs) as [SpecKey, number | string][]) {
      const facts: SpecFacts = SPECS[key]
      const refuse = (message: string) => context.addIssue({ code: 'custom', path: [key], message })
      if (facts.kind === 'figure' && typeof value !== 'number') refuse(`${facts.label} is a number.`)
      if (facts.kind !== 'figure' && typeof value !== 'string') refuse(`${facts.label} is a word.`)
      if (facts.kind === 'choice' && !facts.options.includes(String(value))) {
        refuse(`${facts.label} is one of: ${facts.options.join(', ')}.`)
      }
    }
  })
export type MoreSpecs = z.infer<typeof moreSpecsSchema>
