import type { Category, FactKey, SpecKey } from '@exemplar/core'

/** What somebody types into the form, field by field; connectors by the words in which the list shows them. */
export type Typed = Readonly<Partial<Record<FactKey | SpecKey, string>>>

export interface KindCase {
  /** What is typed about the thing itself, the quick way: no end is edited. */
  told: Typed
  /**
   * The setup that such a thing usually stands in: roles between bars, things by their names in `COMPANY`; `it` is the thing.
   * A role wants the kind of the first of them.
   */
  setup: string
  /** What is found beyond advice, `level code`; nothing where it is ready. */
  found?: readonly string[]
  /** Without each of these it is not ready. */
  cannotMiss?: string
  /** Without each of these it can run, and something is told. */
  wants?: string
  /** How many are there who hold something. */
  hands?: number
}

const CAMERA: Typed = {
  sendsPlugIn: 'yes',
  mount: 'Alder',
  battery: 'Fenn',
  cardForm: 'SD card',
  videoOut: 'HDMI type A',
  kilobitsPerSecond: '100 Mbit/s',
  cardMegabytesPerSecond: '30',
  soundIn: '3.5 mm jack',
  milliwatts: '9 W',
  massGrams: '700 g',
}
const { mount: _mount, ...OWN_LENS } = CAMERA
const LENS: Typed = {
  mount: 'Alder',
  massGrams: '400 g',
  lensKind: 'prime',
  focalMinMm: '35',
  focalMaxMm: '35',
  filterMm: '67',
}
const LAMP: Typed = { inlet: 'C13 mains lead', milliwatts: '100 W', massGrams: '1.8 kg' }
const PANEL: Typed = { inlet: 'C7 mains lead', milliwatts: '60 W', massGrams: '1.3 kg' }
const STAND: Typed = {
  loadGrams: '8 kg',
  massGrams: '3 kg',
  heightMinMm: '1 m',
  heightMaxMm: '2.6 m',
  legRadiusMm: '50 cm',
}
const TRIPOD: Typed = { ...STAND, heightMinMm: '60 cm', heightMaxMm: '1.6 m' }
const FAMILY: Typed = {
  battery: 'Fenn',
  energyMilliwattHours: '98 Wh',
  massGrams: '500 g',
  volts: '14.4',
  mostAmps: '8',
}
const SD: Typed = { capacityMegabytes: '128 GB', cardMegabytesPerSecond: '30', cardForm: 'SD card' }
const SCREEN: Typed = {
  videoIn: 'HDMI type A',
  inlet: 'C13 mains lead',
  milliwatts: '40 W',
  massGrams: '5 kg',
  holes: 'screen holes, 100 mm',
}
const MIC: Typed = {
  soundOut: 'XLR, 3 pin',
  massGrams: '400 g',
  fedBy: 'nothing',
  sensitivityMvPerPa: '2',
  pattern: 'cardioid',
}
const RECORDER: Typed = {
  battery: 'AA cell',
  batteryCount: '2',
  cardForm: 'SD card',
  soundIn: 'XLR, 3 pin',
  soundInputs: '2',
  soundOut: '3.5 mm jack',
  kilobitsPerSecond: '2.304 Mbit/s',
  massGrams: '400 g',
  gainDb: '70',
  inputNoiseDbu: '-125',
  sends48: 'yes',
}
const CABLE = (end: string, other = end): Typed => ({ endA: end, endB: other, lengthMm: '3 m' })
const RIDER: Typed = { massGrams: '300 g' }
const BEARS: Typed = { loadGrams: '4 kg', massGrams: '900 g' }

const IN_BODY = 'body lens card pack pack tripod'
const SOUND = 'recorder card cell cell'

/**
 * Each kind in the setup that it is usually bought for, with what somebody who knows such things would say of it. Written
 * down before any of it was looked at; what such a rig is made of is common practice, the figures are invented.
 */
export const EACH_KIND: Readonly<Record<Category, KindCase>> = {
  camera: { told: CAMERA, setup: 'it lens card pack pack tripod', cannotMiss: 'lens card pack tripod' },
  phone: {
    told: { capacityMegabytes: '64 GB', kilobitsPerSecond: '50 Mbit/s', massGrams: '190 g' },
    setup: 'it holder tripod',
    cannotMiss: 'holder',
  },
  camcorder: {
    told: { ...OWN_LENS, soundIn: 'XLR, 3 pin', soundInputs: '2' },
    setup: 'it card pack pack tripod',
    cannotMiss: 'card pack tripod',
  },
  'action-camera': {
    told: {
      battery: 'Fenn',
      cardForm: 'microSD card',
      kilobitsPerSecond: '60 Mbit/s',
      milliwatts: '4 W',
      massGrams: '150 g',
    },
    setup: 'it small pack pack tripod',
    cannotMiss: 'small pack tripod',
  },
  webcam: { told: { massGrams: '160 g' }, setup: 'it laptop', cannotMiss: 'laptop' },
  drone: {
    told: {
      battery: 'Fenn',
      cardForm: 'microSD card',
      kilobitsPerSecond: '100 Mbit/s',
      milliwatts: '40 W',
      massGrams: '500 g',
    },
    setup: 'it small pack pack',
    cannotMiss: 'small pack',
  },
  lens: { told: LENS, setup: 'it | body card pack pack tripod', cannotMiss: 'body' },
  'lens-adapter': {
    told: { mount: 'Birch', frontMount: 'Alder', massGrams: '150 g' },
    setup: 'it | otherBody lens card pack pack tripod',
    cannotMiss: 'lens',
  },
  filter: { told: { mount: '67 mm filter thread', massGrams: '60 g' }, setup: `it | ${IN_BODY}`, cannotMiss: 'lens' },
  'step-ring': {
    told: { mount: '67 mm filter thread', frontMount: '77 mm filter thread', massGrams: '30 g' },
    setup: `it filter77 | ${IN_BODY}`,
    cannotMiss: 'lens',
  },
  monitor: {
    told: { battery: 'Fenn', videoIn: 'HDMI type A', milliwatts: '9 W', massGrams: '350 g' },
    setup: `it picture pack | ${IN_BODY}`,
    cannotMiss: 'pack',
    wants: 'picture',
  },
  television: {
    told: { ...SCREEN, inlet: 'C7 mains lead', milliwatts: '110 W', massGrams: '13 kg' },
    setup: `it picture c7 | ${IN_BODY}`,
    cannotMiss: 'c7',
    wants: 'picture',
  },
  'desk-monitor': { told: SCREEN, setup: `it picture c13 table | ${IN_BODY}`, cannotMiss: 'c13', wants: 'picture' },
  'external-recorder': {
    told: {
      battery: 'Fenn',
      cardForm: 'SD card',
      videoIn: 'HDMI type A',
      kilobitsPerSecond: '100 Mbit/s',
      milliwatts: '20 W',
      massGrams: '600 g',
    },
    setup: `it picture card pack | ${IN_BODY}`,
    cannotMiss: 'picture pack',
  },
  switcher: {
    told: {
      videoIn: 'HDMI type A',
      videoInputs: '4',
      videoOut: 'HDMI type A',
      inlet: 'C7 mains lead',
      milliwatts: '20 W',
      massGrams: '900 g',
    },
    setup: `it c7 | keeper picture pack pack card tripod | camcorder picture card pack tripod`,
    cannotMiss: 'c7',
  },
  capture: {
    told: { videoIn: 'HDMI type A' },
    setup: `it picture laptop usb | ${IN_BODY}`,
    cannotMiss: 'picture laptop',
  },
  converter: {
    told: { videoIn: 'HDMI type A', videoOut: 'BNC', inlet: 'C7 mains lead', milliwatts: '5 W' },
    setup: `it c7 picture | ${IN_BODY} | bncScreen bnc c13`,
    cannotMiss: 'c7 picture',
  },
  splitter: {
    told: { videoIn: 'HDMI type A', videoOut: 'HDMI type A', outlets: '2', inlet: 'C7 mains lead', milliwatts: '5 W' },
    setup: `it c7 picture | ${IN_BODY} | screen picture c13`,
    cannotMiss: 'c7 picture',
  },
  'video-link': {
    told: { videoIn: 'HDMI type A', videoOut: 'HDMI type A', battery: 'Fenn', milliwatts: '7 W', massGrams: '400 g' },
    setup: `it picture pack | ${IN_BODY} | screen picture c13`,
    cannotMiss: 'picture pack',
  },
  // What it bears is asked since a camera on one of which nobody knew passed without a question.
  prompter: { told: { loadGrams: '5 kg', massGrams: '2 kg', screenInches: '10' }, setup: `it phone | ${IN_BODY}` },
  'control-surface': { told: {}, setup: 'it laptop usb', cannotMiss: 'laptop' },
  remote: { told: {}, setup: `it | ${IN_BODY}` },
  'matte-box': { told: RIDER, setup: `it | ${IN_BODY}` },
  'follow-focus': { told: RIDER, setup: `it | ${IN_BODY}` },
  light: { told: LAMP, setup: 'it c13 stand', cannotMiss: 'c13 stand' },
  panel: { told: PANEL, setup: 'it c7 stand', cannotMiss: 'c7 stand' },
  cob: { told: { ...LAMP, mount: 'Bayonet' }, setup: 'it c13 stand', cannotMiss: 'c13 stand' },
  tube: {
    told: { battery: 'Fenn', milliwatts: '24 W', massGrams: '800 g' },
    setup: 'it pack pack stand',
    cannotMiss: 'pack stand',
  },
  'ring-light': { told: { ...PANEL, milliwatts: '50 W' }, setup: 'it c7 stand', cannotMiss: 'c7 stand' },
  practical: { told: { inlet: 'C7 mains lead', milliwatts: '10 W' }, setup: 'it c7', cannotMiss: 'c7' },
  flash: {
    told: { battery: 'AA cell', batteryCount: '4', massGrams: '450 g' },
    setup: `it cell cell cell cell | ${IN_BODY}`,
    cannotMiss: 'cell body',
  },
  modifier: { told: { mount: 'Bayonet', massGrams: '1 kg' }, setup: 'it | cob c13 stand', cannotMiss: 'cob' },
  softbox: {
    told: { mount: 'Bayonet', massGrams: '1.2 kg', diameterMm: '90 cm' },
    setup: 'it | cob c13 stand',
    cannotMiss: 'cob',
  },
  umbrella: { told: { massGrams: '600 g', diameterMm: '1 m' }, setup: 'it | lamp c13 stand' },
  reflector: { told: { massGrams: '700 g', diameterMm: '1.1 m' }, setup: `it | ${IN_BODY}` },
  flag: { told: { massGrams: '600 g' }, setup: 'it cStand', cannotMiss: 'cStand' },
  gel: { told: {}, setup: 'it | lamp c13 stand' },
  microphone: {
    told: { ...MIC, fedBy: '48 V', sensitivityMvPerPa: '20' },
    setup: `it xlr micStand | ${SOUND}`,
    cannotMiss: 'xlr micStand recorder',
  },
  lavalier: {
    told: { soundOut: '3.5 mm jack', fedBy: 'plug-in power', sensitivityMvPerPa: '8' },
    setup: `it | ${IN_BODY}`,
    cannotMiss: 'body',
  },
  shotgun: {
    told: { ...MIC, fedBy: '48 V', pattern: 'lobar', sensitivityMvPerPa: '20' },
    setup: `it xlr micStand | ${SOUND}`,
    cannotMiss: 'xlr micStand recorder',
  },
  'dynamic-mic': { told: MIC, setup: `it xlr micStand | ${SOUND}`, cannotMiss: 'xlr micStand recorder' },
  'usb-mic': { told: { massGrams: '600 g' }, setup: 'it usb laptop micStand', cannotMiss: 'laptop' },
  headset: { told: { soundOut: '3.5 mm jack, 4 pole' }, setup: 'it laptop', cannotMiss: 'laptop' },
  'boundary-mic': {
    told: { soundOut: 'XLR, 3 pin', massGrams: '300 g', fedBy: '48 V', sensitivityMvPerPa: '10' },
    setup: `it xlr | ${SOUND}`,
    cannotMiss: 'xlr recorder',
  },
  'camera-mic': {
    told: { soundOut: '3.5 mm jack', massGrams: '120 g', fedBy: 'plug-in power', sensitivityMvPerPa: '20' },
    setup: `it | ${IN_BODY}`,
    cannotMiss: 'body',
  },
  'wireless-set': {
    told: {
      soundIn: '3.5 mm jack',
      soundOut: '3.5 mm jack',
      battery: 'AA cell',
      batteryCount: '2',
      milliwatts: '1 W',
      massGrams: '200 g',
    },
    setup: `it cell cell | ${IN_BODY}`,
    cannotMiss: 'cell body',
  },
  'input-unit': {
    told: {
      soundIn: 'XLR, 3 pin',
      soundInputs: '2',
      soundOut: '3.5 mm jack',
      massGrams: '400 g',
      gainDb: '70',
      inputNoiseDbu: '-120',
    },
    setup: `mic xlr micStand | it | ${IN_BODY}`,
    cannotMiss: 'body xlr',
  },
  preamp: {
    told: { gainDb: '25', fedBy: '48 V', massGrams: '100 g' },
    setup: `mic xlr xlr micStand | it | ${SOUND}`,
    cannotMiss: 'recorder',
  },
  'wind-protection': { told: { massGrams: '80 g' }, setup: `it | mic xlr micStand | ${SOUND}` },
  'shock-mount': { told: { massGrams: '200 g' }, setup: `mic xlr micStand it | ${SOUND}`, cannotMiss: 'micStand' },
  recorder: { told: RECORDER, setup: 'it card cell cell | mic xlr micStand', cannotMiss: 'card cell xlr' },
  mixer: {
    told: {
      soundIn: 'XLR, 3 pin',
      soundInputs: '4',
      soundOut: 'XLR, 3 pin',
      inlet: 'C13 mains lead',
      milliwatts: '20 W',
      massGrams: '3 kg',
      gainDb: '70',
      inputNoiseDbu: '-125',
    },
    setup: `it c13 | mic xlr micStand | ${SOUND} xlr`,
    cannotMiss: 'c13',
  },
  'audio-interface': {
    told: {
      soundIn: 'XLR, 3 pin',
      soundInputs: '2',
      massGrams: '500 g',
      gainDb: '70',
      inputNoiseDbu: '-128',
      sends48: 'yes',
    },
    setup: 'it usb laptop | mic xlr micStand',
    cannotMiss: 'laptop',
  },
  headphones: { told: { massGrams: '280 g' }, setup: `it | mic xlr micStand | ${SOUND}`, cannotMiss: 'recorder' },
  speaker: {
    told: { soundIn: 'XLR, 3 pin', inlet: 'C7 mains lead', milliwatts: '60 W', massGrams: '4.5 kg' },
    setup: `it c7 xlr | mixer c13 | mic xlr micStand | ${SOUND} xlr`,
    cannotMiss: 'c7',
  },
  tripod: { told: TRIPOD, setup: 'it | body lens card pack pack' },
  monopod: { told: { loadGrams: '4 kg', massGrams: '900 g' }, setup: 'it | body lens card pack pack', hands: 1 },
  head: { told: BEARS, setup: `it | ${IN_BODY}`, cannotMiss: 'tripod' },
  'ball-head': { told: BEARS, setup: `it | ${IN_BODY}`, cannotMiss: 'tripod' },
  stand: { told: STAND, setup: 'it | panel c7', cannotMiss: 'c7' },
  'c-stand': { told: STAND, setup: 'it | panel c7', cannotMiss: 'c7' },
  'wheeled-stand': { told: STAND, setup: 'it | panel c7', cannotMiss: 'c7' },
  'combo-boom': { told: { ...STAND, reachMm: '1.5 m', massGrams: '30 kg' }, setup: 'it | panel c7', cannotMiss: 'c7' },
  'mic-stand': {
    told: { loadGrams: '2 kg', massGrams: '3 kg', heightMinMm: '1 m', heightMaxMm: '1.7 m', legRadiusMm: '35 cm' },
    setup: `it | mic xlr | ${SOUND}`,
  },
  // What it stands on is asked as soon as it carries something: here the tripod does.
  arm: { told: { loadGrams: '3 kg', massGrams: '4 kg', reachMm: '60 cm' }, setup: `it | ${IN_BODY}` },
  'standing-arm': {
    told: { loadGrams: '3 kg', massGrams: '4 kg', reachMm: '60 cm' },
    setup: 'it | body lens card pack pack',
    cannotMiss: 'it',
  },
  'boom-arm': {
    told: { loadGrams: '3 kg', massGrams: '1.2 kg', reachMm: '1 m' },
    setup: 'it stand sandbag sandbag | panel c7',
    cannotMiss: 'stand sandbag',
  },
  'desk-arm': {
    told: { loadGrams: '1.5 kg', massGrams: '1.4 kg', reachMm: '70 cm' },
    setup: `it table | mic xlr | ${SOUND}`,
  },
  'screen-arm': {
    told: { holes: 'screen holes, 100 mm', loadGrams: '8 kg', massGrams: '2.5 kg', reachMm: '50 cm' },
    setup: `it table | screen picture c13 | ${IN_BODY}`,
  },
  'friction-arm': {
    told: { loadGrams: '1.5 kg', massGrams: '300 g', reachMm: '28 cm' },
    setup: `it | monitor picture pack | ${IN_BODY}`,
  },
  'grip-head': { told: { loadGrams: '5 kg', massGrams: '600 g' }, setup: 'it cStand | flag', cannotMiss: 'cStand' },
  rail: { told: { loadGrams: '5 kg', massGrams: '1.8 kg', lengthMm: '80 cm' }, setup: `it | ${IN_BODY}` },
  gimbal: {
    told: { battery: 'Fenn', milliwatts: '6 W', loadGrams: '2.5 kg', massGrams: '1.1 kg' },
    setup: 'it pack | body lens card pack pack',
    hands: 1,
    cannotMiss: 'pack',
  },
  clamp: { told: { massGrams: '300 g' }, setup: 'it support | cloth' },
  plate: {
    told: { mount: '1/4-20 thread', loadGrams: '5 kg', massGrams: '100 g' },
    setup: `it | ${IN_BODY}`,
    cannotMiss: 'tripod',
  },
  crossbar: {
    told: { loadGrams: '12 kg', massGrams: '2.2 kg' },
    setup: 'it stand stand barClamp | panel c7',
    cannotMiss: 'stand',
  },
  cage: { told: { loadGrams: '5 kg', massGrams: '250 g' }, setup: `it | ${IN_BODY}`, cannotMiss: 'tripod' },
  'phone-holder': { told: { massGrams: '90 g' }, setup: 'it tripod | phone' },
  'apple-box': { told: { massGrams: '5 kg' }, setup: `it | ${IN_BODY}` },
  'step-ladder': {
    told: { heightMaxMm: '90 cm', takesGrams: '150 kg', massGrams: '5 kg' },
    setup: 'it | lamp c13 stand',
  },
  trolley: { told: { massGrams: '8 kg' }, setup: 'it | lamp c13 stand' },
  'safety-bond': { told: { massGrams: '100 g' }, setup: 'it | lamp c13 stand' },
  sandbag: { told: { massGrams: '7 kg' }, setup: 'it | lamp c13 stand' },
  'backdrop-support': {
    told: { loadGrams: '8 kg', massGrams: '6 kg', lengthMm: '3 m', heightMaxMm: '2.6 m' },
    setup: 'it | cloth',
  },
  pack: { told: FAMILY, setup: 'it pack | body lens card tripod' },
  cell: { told: { battery: 'AA cell', massGrams: '24 g' }, setup: 'it cell | recorder card | mic xlr micStand' },
  charger: {
    told: { battery: 'Fenn', outlets: '2', milliwatts: '60 W', inlet: 'C7 mains lead' },
    setup: `it c7 | ${IN_BODY}`,
    cannotMiss: 'c7',
  },
  coupler: {
    told: { battery: 'Fenn', inlet: 'C7 mains lead', milliwatts: '30 W', massGrams: '60 g' },
    setup: 'it c7 | body lens card tripod',
    cannotMiss: 'c7',
  },
  supply: { told: { milliwatts: '40 W', inlet: 'C7 mains lead' }, setup: 'it c7 | lamp c13 stand', cannotMiss: 'c7' },
  lead: { told: { inlet: 'C13 mains lead', lengthMm: '2 m', mostAmps: '10' }, setup: 'it | lamp stand' },
  strip: { told: { outlets: '4', lengthMm: '3 m', mostAmps: '16' }, setup: 'it | lamp c13 stand' },
  reel: { told: { outlets: '4', lengthMm: '25 m', mostAmps: '16' }, setup: 'it | lamp c13 stand' },
  'usb-hub': { told: { outlets: '4' }, setup: 'it laptop | drive usb', wants: 'laptop' },
  'network-switch': {
    told: { outlets: '5', inlet: 'C7 mains lead', milliwatts: '10 W' },
    setup: 'it c7',
    cannotMiss: 'c7',
  },
  cable: { told: CABLE('XLR, 3 pin'), setup: `it | mic micStand | ${SOUND}` },
  'cable-adapter': {
    told: { endA: 'HDMI type A', endB: 'HDMI type D (micro)' },
    setup: 'it picture | smallMonitor pack | body lens card pack pack tripod',
    cannotMiss: 'picture',
  },
  card: { told: SD, setup: 'it | body lens pack pack tripod' },
  'card-sleeve': { told: {}, setup: 'it small | body lens pack pack tripod', cannotMiss: 'small' },
  reader: { told: { cardForm: 'SD card' }, setup: 'it usb laptop', cannotMiss: 'laptop' },
  drive: { told: { capacityMegabytes: '2 TB', massGrams: '200 g' }, setup: 'it usb | laptop' },
  nas: {
    told: { capacityMegabytes: '16 TB', inlet: 'C13 mains lead', milliwatts: '40 W' },
    setup: 'it c13 network | net c7',
    cannotMiss: 'c13',
  },
  computer: {
    told: { inlet: 'C13 mains lead', milliwatts: '300 W', videoOut: 'HDMI type A' },
    setup: 'it c13 | screen picture c13',
    cannotMiss: 'c13',
  },
  laptop: { told: { videoOut: 'HDMI type A', massGrams: '1.6 kg' }, setup: 'it | web' },
  tablet: { told: { massGrams: '500 g', screenInches: '11' }, setup: 'it | laptop' },
  backdrop: { told: { widthMinMm: '2.7 m', massGrams: '2 kg' }, setup: 'it support' },
  acoustics: { told: { massGrams: '4 kg' }, setup: `it | ${IN_BODY}` },
  'colour-card': { told: {}, setup: `it | ${IN_BODY}` },
  clapper: { told: {}, setup: `it | ${IN_BODY}` },
  case: { told: { insideMm: '60 cm', takesGrams: '15 kg', massGrams: '3 kg' }, setup: `it | ${IN_BODY}` },
  tool: { told: {}, setup: `it | ${IN_BODY}` },
  furniture: {
    told: { loadGrams: '20 kg', widthMinMm: '80 cm', depthMm: '40 cm', heightMm: '1.8 m', massGrams: '20 kg' },
    setup: `it | ${IN_BODY}`,
  },
  table: {
    told: { loadGrams: '60 kg', widthMinMm: '1.4 m', depthMm: '70 cm', heightMm: '74 cm', massGrams: '25 kg' },
    setup: `it | ${IN_BODY}`,
  },
  seat: { told: { loadGrams: '120 kg', massGrams: '6 kg' }, setup: `it | ${IN_BODY}` },
  prop: { told: { massGrams: '2 kg' }, setup: `it | ${IN_BODY}` },
  household: { told: { massGrams: '1 kg' }, setup: `it | ${IN_BODY}` },
  'cable-cover': { told: {}, setup: 'it | lamp c13 stand' },
  'cleaning-kit': { told: {}, setup: `it | ${IN_BODY}` },
  consumable: { told: {}, setup: `it | ${IN_BODY}` },
  other: { told: { massGrams: '1 kg' }, setup: `it | ${IN_BODY}` },
}
