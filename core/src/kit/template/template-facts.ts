import type { Category } from '../model/category.ts'
import type { SpecKey } from '../model/spec.ts'

/**
 * What somebody may know about a thing when it is entered. Everything is optional: a template fills what is usual,
 * and what stays null is shown as unknown.
 */
export interface TemplateFacts {
  /** Lens mount of a body, lens or adapter (its rear end). */
  mount: string | null
  /** Front mount of a lens adapter. */
  frontMount: string | null
  /** Battery family or cell that feeds it, or that it is. */
  battery: string | null
  /** How many packs or cells it takes at once. */
  batteryCount: number | null
  /** Mains inlet, or the connector of a lead. */
  inlet: string | null
  milliwatts: number | null
  massGrams: number | null
  /** What a support is good for. */
  loadGrams: number | null
  energyMilliwattHours: number | null
  capacityMegabytes: number | null
  /** Minimum sustained write of a card, or what a recorder requires of one. */
  cardMegabytesPerSecond: number | null
  kilobitsPerSecond: number | null
  /** Ends of a cable. */
  endA: string | null
  endB: string | null
  outlets: number | null
  /** Wall socket that the plug of a lead or strip goes into, where it is not the usual one of the studio. */
  plug: string | null
  /** Where a picture comes out and goes in, and how many go in. `NO_END` where somebody looked and there is none. */
  videoOut: string | null
  videoIn: string | null
  videoInputs: number | null
  /** Where sound goes in, how many microphones, and where it comes out. */
  soundIn: string | null
  soundInputs: number | null
  soundOut: string | null
  /** Form of the card that it is or takes; SD where nobody says. */
  cardForm: string | null
  /** Hole pattern at the back of a screen, or that a bracket takes. */
  holes: string | null
  /** Outside measures; a width that can be set has two ends. */
  widthMinMm: number | null
  widthMaxMm: number | null
  depthMm: number | null
  heightMm: number | null
}

export type FactKey = keyof TemplateFacts

/** In place of a connector: there is no such end. */
export const NO_END = 'none'

/** Facts that are a connector, each answered from the list of them. */
export const END_FACTS = ['videoOut', 'videoIn', 'soundIn', 'soundOut'] as const
export type EndFact = (typeof END_FACTS)[number]

export const NO_FACTS: TemplateFacts = {
  mount: null,
  frontMount: null,
  battery: null,
  batteryCount: null,
  inlet: null,
  milliwatts: null,
  massGrams: null,
  loadGrams: null,
  energyMilliwattHours: null,
  capacityMegabytes: null,
  cardMegabytesPerSecond: null,
  kilobitsPerSecond: null,
  endA: null,
  endB: null,
  outlets: null,
  plug: null,
  videoOut: null,
  videoIn: null,
  videoInputs: null,
  soundIn: null,
  soundInputs: null,
  soundOut: null,
  cardForm: null,
  holes: null,
  widthMinMm: null,
  widthMaxMm: null,
  depthMm: null,
  heightMm: null,
}

/** The facts worth asking for on quick entry of a category, most telling first. */
export const ASKED_FACTS: Readonly<Partial<Record<Category, readonly (keyof TemplateFacts)[]>>> = {
  camera: [
    'mount',
    'battery',
    'cardForm',
    'videoOut',
    'kilobitsPerSecond',
    'cardMegabytesPerSecond',
    'soundIn',
    'inlet',
    'milliwatts',
    'massGrams',
    'capacityMegabytes',
  ],
  phone: ['capacityMegabytes', 'kilobitsPerSecond', 'soundIn', 'massGrams'],
  camcorder: [
    'battery',
    'cardForm',
    'videoOut',
    'soundIn',
    'soundInputs',
    'kilobitsPerSecond',
    'cardMegabytesPerSecond',
    'inlet',
    'milliwatts',
    'massGrams',
    'capacityMegabytes',
  ],
  'action-camera': [
    'battery',
    'cardForm',
    'kilobitsPerSecond',
    'cardMegabytesPerSecond',
    'soundIn',
    'milliwatts',
    'massGrams',
    'capacityMegabytes',
  ],
  drone: [
    'battery',
    'cardForm',
    'kilobitsPerSecond',
    'cardMegabytesPerSecond',
    'milliwatts',
    'massGrams',
    'capacityMegabytes',
  ],
  lens: ['mount', 'massGrams'],
  'lens-adapter': ['mount', 'frontMount', 'massGrams'],
  filter: ['mount', 'massGrams'],
  monitor: ['battery', 'videoIn', 'inlet', 'milliwatts', 'holes', 'massGrams'],
  television: ['videoIn', 'videoInputs', 'inlet', 'milliwatts', 'holes', 'massGrams'],
  'external-recorder': [
    'battery',
    'cardForm',
    'videoIn',
    'videoOut',
    'kilobitsPerSecond',
    'inlet',
    'milliwatts',
    'massGrams',
  ],
  switcher: ['videoIn', 'videoInputs', 'videoOut', 'inlet', 'milliwatts', 'massGrams'],
  prompter: ['loadGrams', 'massGrams'],
  light: ['inlet', 'battery', 'batteryCount', 'milliwatts', 'massGrams'],
  panel: ['inlet', 'battery', 'batteryCount', 'milliwatts', 'massGrams'],
  cob: ['mount', 'inlet', 'battery', 'batteryCount', 'milliwatts', 'massGrams'],
  tube: ['battery', 'inlet', 'milliwatts', 'massGrams'],
  'ring-light': ['inlet', 'milliwatts', 'loadGrams', 'massGrams'],
  practical: ['inlet', 'milliwatts'],
  flash: ['battery', 'batteryCount', 'massGrams'],
  modifier: ['mount', 'massGrams'],
  microphone: ['soundOut', 'battery', 'massGrams'],
  shotgun: ['soundOut', 'battery', 'massGrams'],
  'dynamic-mic': ['soundOut', 'massGrams'],
  'camera-mic': ['soundOut', 'battery', 'massGrams'],
  'input-unit': ['soundIn', 'soundInputs', 'soundOut', 'massGrams'],
  'wireless-set': ['soundIn', 'soundOut', 'battery', 'batteryCount', 'milliwatts', 'massGrams'],
  recorder: [
    'battery',
    'batteryCount',
    'cardForm',
    'soundIn',
    'soundInputs',
    'soundOut',
    'kilobitsPerSecond',
    'inlet',
    'milliwatts',
    'massGrams',
  ],
  mixer: ['soundIn', 'soundInputs', 'soundOut', 'inlet', 'milliwatts', 'massGrams'],
  'audio-interface': ['soundIn', 'soundInputs', 'soundOut', 'inlet', 'milliwatts', 'massGrams'],
  speaker: ['soundIn', 'inlet', 'milliwatts', 'massGrams'],
  tripod: ['loadGrams', 'massGrams'],
  head: ['loadGrams', 'massGrams'],
  stand: ['loadGrams', 'massGrams'],
  'c-stand': ['loadGrams', 'massGrams'],
  'wheeled-stand': ['loadGrams', 'massGrams'],
  'combo-boom': ['loadGrams', 'massGrams'],
  arm: ['loadGrams', 'massGrams'],
  'standing-arm': ['loadGrams', 'massGrams'],
  'boom-arm': ['loadGrams', 'massGrams'],
  'desk-arm': ['loadGrams', 'massGrams'],
  'friction-arm': ['loadGrams', 'massGrams'],
  'screen-arm': ['holes', 'loadGrams', 'massGrams'],
  'mic-stand': ['loadGrams', 'massGrams'],
  gimbal: ['loadGrams', 'battery', 'milliwatts', 'massGrams'],
  'backdrop-support': ['loadGrams', 'massGrams'],
  pack: ['battery', 'energyMilliwattHours', 'massGrams'],
  cell: ['battery', 'massGrams'],
  charger: ['battery', 'outlets', 'milliwatts', 'inlet'],
  coupler: ['battery', 'inlet', 'milliwatts', 'massGrams'],
  supply: ['milliwatts', 'inlet'],
  lead: ['inlet', 'plug'],
  strip: ['outlets', 'plug'],
  reel: ['outlets', 'plug'],
  cable: ['endA', 'endB'],
  'cable-adapter': ['endA', 'endB'],
  card: ['capacityMegabytes', 'cardMegabytesPerSecond', 'cardForm'],
  reader: ['cardForm'],
  'card-sleeve': [],
  plate: ['mount', 'holes', 'loadGrams', 'massGrams'],
  'phone-holder': ['massGrams'],
  drive: ['capacityMegabytes', 'massGrams'],
  nas: ['capacityMegabytes', 'inlet', 'milliwatts'],
  computer: ['inlet', 'milliwatts', 'videoOut'],
  furniture: ['widthMinMm', 'widthMaxMm', 'depthMm', 'heightMm', 'loadGrams', 'massGrams'],
  // It hangs: how wide it is decides, and no room has to hold it on its feet.
  backdrop: ['widthMinMm', 'massGrams'],
  sandbag: ['massGrams'],
  'apple-box': ['massGrams'],
  webcam: ['massGrams'],
  'step-ring': ['mount', 'frontMount', 'massGrams'],
  'desk-monitor': ['videoIn', 'videoInputs', 'inlet', 'milliwatts', 'holes', 'massGrams'],
  capture: ['videoIn'],
  converter: ['videoIn', 'videoOut', 'inlet', 'milliwatts', 'massGrams'],
  splitter: ['videoIn', 'videoOut', 'outlets', 'inlet', 'milliwatts'],
  'video-link': ['videoIn', 'videoOut', 'battery', 'inlet', 'milliwatts', 'massGrams'],
  softbox: ['mount', 'massGrams'],
  umbrella: ['massGrams'],
  reflector: ['massGrams'],
  lavalier: ['soundOut'],
  headset: ['soundOut'],
  'boundary-mic': ['soundOut', 'massGrams'],
  'shock-mount': ['massGrams'],
  monopod: ['loadGrams', 'massGrams'],
  'ball-head': ['loadGrams', 'massGrams'],
  'grip-head': ['loadGrams', 'massGrams'],
  crossbar: ['loadGrams', 'massGrams'],
  cage: ['loadGrams', 'massGrams'],
  clamp: ['mount', 'loadGrams', 'massGrams'],
  rail: ['loadGrams', 'massGrams'],
  laptop: ['inlet', 'milliwatts', 'videoOut', 'massGrams'],
  tablet: ['massGrams'],
  'usb-hub': ['outlets'],
  'network-switch': ['outlets', 'inlet', 'milliwatts'],
  table: ['widthMinMm', 'widthMaxMm', 'depthMm', 'heightMm', 'loadGrams', 'massGrams'],
  seat: ['widthMinMm', 'widthMaxMm', 'depthMm', 'heightMm', 'loadGrams', 'massGrams'],
}

const FEATURES: readonly SpecKey[] = [
  'sendsGbits',
  'sendsPlugIn',
  'flipScreen',
  'autofocus',
  'remoteStart',
  'cleanOutput',
]
/** Of what has a lens that stays on it. */
const BUILT_IN_LENS: readonly SpecKey[] = ['sensorWidthMm', 'focalMinMm', 'focalMaxMm', 'widestAperture']
const LENS: readonly SpecKey[] = [
  'lensKind',
  'focalMinMm',
  'focalMaxMm',
  'widestAperture',
  'widestApertureLong',
  'filterMm',
  'closestMm',
]
const LAMP: readonly SpecKey[] = [
  'kelvinMin',
  'kelvinMax',
  'luxAtOneMetre',
  'beamDegrees',
  'cri',
  'dims',
  'frontToBackMm',
  'noiseDba',
]
const TALL: readonly SpecKey[] = ['heightMinMm', 'heightMaxMm', 'legRadiusMm', 'foldedMm']
const MIC: readonly SpecKey[] = ['pattern', 'sensitivityMvPerPa', 'maximumDbSpl', 'fedBy']

/** The further figures of a category: nothing sums them yet, but people look for them and rooms to come compute with them. */
export const ASKED_SPECS: Readonly<Partial<Record<Category, readonly SpecKey[]>>> = {
  camera: [
    'sensorWidthMm',
    'sensorHeightMm',
    'recordLimitMinutes',
    'screenInches',
    'wireless',
    'mountPoints',
    ...FEATURES,
  ],
  phone: ['recordLimitMinutes', 'screenInches', 'closestMm', ...BUILT_IN_LENS, ...FEATURES],
  camcorder: [
    'focalMinMm',
    'focalMaxMm',
    'widestAperture',
    'widestApertureLong',
    'closestMm',
    'sensorWidthMm',
    'sensorHeightMm',
    'recordLimitMinutes',
    ...FEATURES,
  ],
  'action-camera': ['recordLimitMinutes', 'closestMm', ...BUILT_IN_LENS, ...FEATURES],
  webcam: BUILT_IN_LENS,
  drone: ['recordLimitMinutes', ...BUILT_IN_LENS],
  lens: [...LENS, 'imageCircleMm'],
  'lens-adapter': ['lossStops', 'generation'],
  filter: ['filterMm', 'densityStops', 'densityMostStops'],
  monitor: ['screenInches', 'colourTrusted', 'delayMilliseconds'],
  television: ['screenInches', 'colourTrusted', 'delayMilliseconds'],
  'external-recorder': ['screenInches', 'colourTrusted', 'recordLimitMinutes'],
  switcher: ['channels', 'delayMilliseconds', 'sendsGbits'],
  capture: ['delayMilliseconds'],
  prompter: ['screenInches'],
  'control-surface': ['generation'],
  remote: ['generation'],
  light: [...LAMP, 'ledCount', 'equivalentWatts', 'generation'],
  panel: [...LAMP, 'diameterMm', 'ledCount', 'foldedMm', 'generation'],
  cob: [...LAMP, 'equivalentWatts', 'generation'],
  tube: [...LAMP, 'lengthMm'],
  'ring-light': [...LAMP, 'diameterMm', 'generation'],
  practical: ['kelvinMin', 'kelvinMax'],
  flash: ['kelvinMin', 'kelvinMax'],
  modifier: ['grid', 'diameterMm', 'frontToBackMm', 'lossStops', 'foldedMm'],
  flag: ['diameterMm'],
  gel: ['shiftMired', 'lossStops'],
  microphone: MIC,
  lavalier: MIC,
  shotgun: MIC,
  'dynamic-mic': MIC,
  'usb-mic': MIC,
  'camera-mic': MIC,
  'input-unit': ['channels', 'gainDb', 'inputNoiseDbu', 'sends48'],
  'wireless-set': ['channels', 'generation'],
  preamp: ['gainDb', 'fedBy'],
  recorder: ['channels', 'gainDb', 'inputNoiseDbu', 'sends48', 'sendsPlugIn'],
  mixer: ['channels', 'gainDb', 'inputNoiseDbu', 'sends48', 'sendsPlugIn'],
  'audio-interface': ['channels', 'gainDb', 'inputNoiseDbu', 'sends48', 'sendsPlugIn'],
  tripod: TALL,
  stand: TALL,
  'c-stand': TALL,
  'wheeled-stand': TALL,
  'combo-boom': [...TALL, 'reachMm'],
  'mic-stand': [...TALL, 'reachMm'],
  arm: ['reachMm', 'leastLoadGrams', 'foldedMm'],
  'standing-arm': ['reachMm', 'foldedMm'],
  'boom-arm': ['reachMm', 'foldedMm'],
  'desk-arm': ['reachMm', 'leastLoadGrams'],
  'friction-arm': ['reachMm'],
  'screen-arm': ['reachMm', 'leastLoadGrams'],
  rail: ['lengthMm', 'foldedMm'],
  'backdrop-support': ['lengthMm', 'heightMaxMm', 'foldedMm'],
  pack: ['volts', 'mostAmps', 'chargeAmps'],
  charger: ['chargeAmps'],
  lead: ['lengthMm', 'mostAmps'],
  strip: ['lengthMm', 'mostAmps'],
  reel: ['lengthMm', 'mostAmps'],
  cable: ['lengthMm', 'version', 'carriesGbits'],
  'cable-adapter': ['version', 'carriesGbits'],
  card: ['readMegabytesPerSecond'],
  reader: ['readMegabytesPerSecond'],
  drive: ['readMegabytesPerSecond'],
  nas: ['readMegabytesPerSecond'],
  computer: ['memoryGigabytes', 'graphicsGigabytes', 'discDrive', 'wireless', 'screenInches'],
  tablet: ['screenInches'],
  furniture: ['presets'],
  backdrop: ['material', 'creases', 'stored', 'care', 'season'],
  acoustics: ['material'],
  case: ['insideMm', 'takesGrams'],
  prop: ['season', 'material'],
  tool: ['smooths'],
  household: ['smooths'],
  'desk-monitor': ['screenInches', 'colourTrusted', 'delayMilliseconds'],
  softbox: ['diameterMm', 'frontToBackMm', 'lossStops', 'foldedMm'],
  umbrella: ['diameterMm', 'frontToBackMm', 'lossStops', 'foldedMm'],
  reflector: ['diameterMm', 'lossStops', 'foldedMm'],
  headset: MIC,
  'boundary-mic': MIC,
  monopod: ['heightMinMm', 'heightMaxMm', 'foldedMm'],
  'step-ladder': ['heightMaxMm', 'takesGrams'],
  laptop: ['memoryGigabytes', 'graphicsGigabytes', 'discDrive', 'wireless', 'screenInches'],
  table: ['presets'],
  converter: ['delayMilliseconds', 'carriesGbits'],
  'video-link': ['delayMilliseconds', 'generation'],
}
