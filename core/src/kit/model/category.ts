import { z } from 'zod'
/** The groups of the role board and of the kit's filters, in the order in which a rig is built. */
export const GROUPS = ['camera', 'light', 'sound', 'support', 'power', 'media', 'set'] as const
export type Group = (typeof GROUPS)[number]
export const groupSchema = z.enum(GROUPS)

interface CategoryFacts {
  label: string
  group: Group
  /** First letters of its asset tags. */
  prefix: string
  /** The wider kind that it also is: whoever wants a light is served by a tube. */
  isA?: string
  /** Other words by which people call it, in the singular, for reading lists. */
  words?: readonly string[]
  /** Counted by the handful rather than tagged one by one. */
  isCounted?: true
}

/** What a thing is. The code is stored, the label is shown. */
export const CATEGORIES = {
  camera: { label: 'Camera body', group: 'camera', prefix: 'CAM', words: ['body', 'mirrorless', 'cam'] },
  phone: { label: 'Phone', group: 'camera', prefix: 'PHO', isA: 'camera', words: ['smartphone', 'mobile'] },
  camcorder: { label: 'Camcorder', group: 'camera', prefix: 'CMC', isA: 'camera', words: ['video camera'] },
  'action-camera': { label: 'Action camera', group: 'camera', prefix: 'ACT', isA: 'camera', words: ['action cam'] },
  webcam: { label: 'Web camera', group: 'camera', prefix: 'WEB', isA: 'camera', words: ['web cam', 'webcam'] },
  drone: { label: 'Drone', group: 'camera', prefix: 'DRO', isA: 'camera', words: ['quadcopter'] },
  lens: { label: 'Lens', group: 'camera', prefix: 'LEN', words: ['lenses', 'prime', 'zoom', 'objective', 'macro'] },
  'lens-adapter': { label: 'Lens adapter', group: 'camera', prefix: 'ADP', words: ['mount adapter', 'focal reducer'] },
  filter: { label: 'Filter', group: 'camera', prefix: 'FIL', words: ['nd', 'polariser', 'polarizer'] },
  'step-ring': {
    label: 'Step ring',
    group: 'camera',
    prefix: 'STP',
    isA: 'filter',
    words: ['step up ring', 'step down ring'],
  },
  monitor: { label: 'Monitor', group: 'camera', prefix: 'MON', words: ['screen', 'display'] },
  television: {
    label: 'Television',
    group: 'camera',
    prefix: 'TEL',
    isA: 'monitor',
    words: ['tv', 'tv set', 'wall screen'],
  },
  'desk-monitor': {
    label: 'Desk monitor',
    group: 'camera',
    prefix: 'DMO',
    isA: 'monitor',
    words: ['desktop monitor', 'computer screen', 'computer monitor'],
  },
  'external-recorder': {
    label: 'Video recorder',
    group: 'camera',
    prefix: 'EXR',
    words: ['external recorder', 'monitor recorder'],
  },
  switcher: { label: 'Switcher', group: 'camera', prefix: 'SWI', words: ['vision mixer', 'video mixer'] },
  capture: { label: 'Capture card', group: 'camera', prefix: 'CAP', words: ['capture', 'capture device', 'grabber'] },
  converter: { label: 'Signal converter', group: 'camera', prefix: 'CNV', words: ['video converter', 'scaler'] },
  splitter: {
    label: 'Picture splitter',
    group: 'camera',
    prefix: 'SPT',
    words: ['splitter', 'distribution amplifier'],
  },
  'video-link': {
    label: 'Wireless picture set',
    group: 'camera',
    prefix: 'WVL',
    words: ['wireless video', 'video transmitter', 'video link'],
  },
  prompter: { label: 'Prompter', group: 'camera', prefix: 'PRO', words: ['teleprompter', 'autocue'] },
  'control-surface': { label: 'Control surface', group: 'camera', prefix: 'CTL', words: ['controller', 'shuttle'] },
  remote: {
    label: 'Remote control',
    group: 'camera',
    prefix: 'RMT',
    words: ['remote', 'remote trigger', 'intervalometer'],
  },
  'matte-box': { label: 'Matte box', group: 'camera', prefix: 'MAT', words: ['matte box', 'lens hood', 'sun hood'] },
  'follow-focus': { label: 'Follow focus', group: 'camera', prefix: 'FOL', words: ['follow focus', 'focus motor'] },
  light: { label: 'Light', group: 'light', prefix: 'LGT', words: ['lamp', 'led', 'fixture', 'luminaire', 'head'] },
  panel: { label: 'Panel light', group: 'light', prefix: 'PAN', isA: 'light', words: ['led panel', 'panel', 'mat'] },
  cob: { label: 'COB light', group: 'light', prefix: 'COB', isA: 'light', words: ['cob', 'spot', 'fresnel'] },
  tube: { label: 'Tube light', group: 'light', prefix: 'TUB', isA: 'light', words: ['tube', 'wand', 'light stick'] },
  'ring-light': { label: 'Ring light', group: 'light', prefix: 'RNG', isA: 'light', words: ['ring lamp', 'ring'] },
  practical: {
    label: 'Practical',
    group: 'light',
    prefix: 'PRA',
    isA: 'light',
    words: ['practical lamp', 'string light', 'bulb', 'fairy light'],
  },
  flash: { label: 'Flash', group: 'light', prefix: 'FLA', isA: 'light', words: ['speedlight', 'strobe'] },
  modifier: {
    label: 'Modifier',
    group: 'light',
    prefix: 'MOD',
    words: ['grid', 'diffuser', 'diffusion', 'barn door', 'snoot'],
  },
  softbox: {
    label: 'Softbox',
    group: 'light',
    prefix: 'SBX',
    isA: 'modifier',
    words: ['softbox', 'octabox', 'strip box', 'lantern', 'dome'],
  },
  umbrella: { label: 'Umbrella', group: 'light', prefix: 'UMB', isA: 'modifier', words: ['umbrella', 'brolly'] },
  reflector: {
    label: 'Reflector',
    group: 'light',
    prefix: 'RFL',
    isA: 'modifier',
    words: ['reflector', 'bounce board', 'bounce'],
  },
  flag: { label: 'Flag', group: 'light', prefix: 'FLG', words: ['cutter', 'net', 'black wrap', 'scrim', 'v flat'] },
  gel: { label: 'Gel', group: 'light', prefix: 'GEL', words: ['gels', 'cto', 'ctb', 'foil', 'colour filter'] },
  microphone: { label: 'Microphone', group: 'sound', prefix: 'MIC', words: ['mic', 'mike', 'condenser'] },
  lavalier: {
    label: 'Lavalier',
    group: 'sound',
    prefix: 'LAV',
    isA: 'microphone',
    words: ['lav', 'lav mic', 'lavalier mic', 'clip mic', 'lapel mic', 'lavalier microphone'],
  },
  shotgun: {
    label: 'Shotgun microphone',
    group: 'sound',
    prefix: 'SHO',
    isA: 'microphone',
    words: ['shotgun', 'shotgun mic', 'boom mic'],
  },
  'dynamic-mic': {
    label: 'Dynamic microphone',
    group: 'sound',
    prefix: 'DYN',
    isA: 'microphone',
    words: ['dynamic mic', 'handheld mic', 'reporter mic', 'broadcast mic'],
  },
  'usb-mic': {
    label: 'USB microphone',
    group: 'sound',
    prefix: 'UMC',
    isA: 'microphone',
    words: ['usb mic', 'podcast mic'],
  },
  headset: {
    label: 'Headset with microphone',
    group: 'sound',
    prefix: 'HST',
    isA: 'microphone',
    words: ['headset', 'gaming headset'],
  },
  'boundary-mic': {
    label: 'Boundary microphone',
    group: 'sound',
    prefix: 'BDM',
    isA: 'microphone',
    words: ['boundary mic', 'table mic'],
  },
  'camera-mic': {
    label: 'On-camera microphone',
    group: 'sound',
    prefix: 'OCM',
    isA: 'microphone',
    words: ['on camera mic', 'camera microphone', 'camera mic', 'shoe mic'],
  },
  'wireless-set': {
    label: 'Wireless set',
    group: 'sound',
    prefix: 'WLS',
    isA: 'microphone',
    words: ['wireless mic', 'radio mic', 'wireless', 'transmitter', 'radio microphone'],
  },
  'input-unit': {
    label: 'Camera-top input unit',
    group: 'sound',
    prefix: 'INP',
    words: ['xlr unit', 'input unit', 'camera xlr adapter'],
  },
  preamp: { label: 'In-line preamp', group: 'sound', prefix: 'PRE', words: ['preamp', 'booster', 'mic booster'] },
  'wind-protection': {
    label: 'Wind protection',
    group: 'sound',
    prefix: 'WND',
    words: ['windshield', 'windjammer', 'blimp', 'pop filter', 'pop shield'],
  },
  'shock-mount': { label: 'Shock mount', group: 'sound', prefix: 'SHK', words: ['shock mount', 'spider'] },
  recorder: {
    label: 'Recorder',
    group: 'sound',
    prefix: 'REC',
    words: ['sound recorder', 'audio recorder', 'field recorder'],
  },
  mixer: { label: 'Mixer', group: 'sound', prefix: 'MIX', words: ['mixing desk', 'audio mixer', 'desk mixer'] },
  'audio-interface': {
    label: 'Audio interface',
    group: 'sound',
    prefix: 'AIF',
    words: ['interface', 'usb interface', 'sound card'],
  },
  headphones: {
    label: 'Headphones',
    group: 'sound',
    prefix: 'PHN',
    words: ['headphone', 'earphone', 'cans'],
  },
  speaker: { label: 'Speaker', group: 'sound', prefix: 'SPK', words: ['loudspeaker', 'monitor speaker'] },
  tripod: { label: 'Tripod', group: 'support', prefix: 'TRI', words: ['sticks', 'legs'] },
  monopod: { label: 'Monopod', group: 'support', prefix: 'MNP', words: ['monopod'] },
  head: { label: 'Tripod head', group: 'support', prefix: 'HED', words: ['fluid head', 'pan head'] },
  'ball-head': { label: 'Ball head', group: 'support', prefix: 'BLH', isA: 'head', words: ['ball head'] },
  stand: { label: 'Light stand', group: 'support', prefix: 'STD', words: ['stand', 'lightstand'] },
  'c-stand': { label: 'C-stand', group: 'support', prefix: 'CST', isA: 'stand', words: ['c stand', 'century stand'] },
  'wheeled-stand': {
    label: 'Wheeled stand',
    group: 'support',
    prefix: 'WST',
    isA: 'stand',
    words: ['rolling stand', 'roller stand'],
  },
  'combo-boom': {
    label: 'Combo boom stand',
    group: 'support',
    prefix: 'CBO',
    isA: 'stand',
    words: ['boom stand', 'combo boom'],
  },
  'mic-stand': { label: 'Microphone stand', group: 'support', prefix: 'MST', words: ['mic stand', 'mike stand'] },
  arm: { label: 'Arm or boom', group: 'support', prefix: 'ARM', words: ['arm', 'boom'] },
  'standing-arm': {
    label: 'Arm with its own base',
    group: 'support',
    prefix: 'ARM',
    isA: 'arm',
    words: ['overhead arm', 'standing arm', 'arm with base'],
  },
  'boom-arm': { label: 'Boom arm', group: 'support', prefix: 'BOM', isA: 'arm', words: ['boom pole', 'boompole'] },
  'desk-arm': { label: 'Desk arm', group: 'support', prefix: 'DSK', isA: 'arm', words: ['desk mount', 'scissor arm'] },
  'screen-arm': {
    label: 'Screen arm',
    group: 'support',
    prefix: 'SCA',
    isA: 'arm',
    words: ['monitor arm', 'screen arm', 'monitor mount', 'wall bracket'],
  },
  'friction-arm': {
    label: 'Friction arm',
    group: 'support',
    prefix: 'FRI',
    isA: 'arm',
    words: ['articulating arm', 'magic arm'],
  },
  'grip-head': { label: 'Grip head', group: 'support', prefix: 'GRH', words: ['grip head', 'gobo head'] },
  crossbar: {
    label: 'Crossbar',
    group: 'support',
    prefix: 'XBR',
    words: ['bridge bar', 'span bar', 'truss bar', 'pipe'],
  },
  rail: { label: 'Slider or rail', group: 'support', prefix: 'RAI', words: ['slider', 'rail', 'dolly', 'track'] },
  gimbal: { label: 'Gimbal', group: 'support', prefix: 'GIM', words: ['stabiliser', 'stabilizer'] },
  clamp: {
    label: 'Clamp',
    group: 'support',
    prefix: 'CLP',
    words: ['grip', 'super clamp', 'spring clamp'],
    isCounted: true,
  },
  plate: {
    label: 'Plate',
    group: 'support',
    prefix: 'PLT',
    words: ['quick release plate', 'baseplate', 'bracket'],
  },
  cage: { label: 'Camera cage', group: 'support', prefix: 'CGE', isA: 'plate', words: ['cage', 'top handle'] },
  'phone-holder': {
    label: 'Phone holder',
    group: 'support',
    prefix: 'PHH',
    isA: 'plate',
    words: ['phone clamp', 'phone mount', 'phone grip'],
  },
  'apple-box': { label: 'Apple box', group: 'support', prefix: 'APB', words: ['riser', 'riser box', 'pancake'] },
  'step-ladder': { label: 'Step ladder', group: 'support', prefix: 'LAD', words: ['ladder', 'steps'] },
  trolley: { label: 'Trolley', group: 'support', prefix: 'TRO', words: ['cart', 'trolley', 'hand truck'] },
  'safety-bond': {
    label: 'Safety bond',
    group: 'support',
    prefix: 'SFB',
    words: ['safety wire', 'safety cable', 'safety chain'],
    isCounted: true,
  },
  sandbag: { label: 'Sandbag', group: 'support', prefix: 'BAG', words: ['weight bag', 'shot bag'], isCounted: true },
  'backdrop-support': {
    label: 'Backdrop support',
    group: 'support',
    prefix: 'BKS',
    words: ['background stand', 'backdrop stand', 'cross bar', 'roller system'],
  },
  pack: {
    label: 'Battery pack',
    group: 'power',
    prefix: 'PAK',
    words: ['battery', 'batteries', 'power bank', 'v pack'],
  },
  cell: {
    label: 'Cell',
    group: 'power',
    prefix: 'CEL',
    words: ['aa battery', 'aa cell', '9 v battery'],
    isCounted: true,
  },
  charger: { label: 'Charger', group: 'power', prefix: 'CHG', words: ['battery charger', 'charging cradle'] },
  coupler: { label: 'AC coupler', group: 'power', prefix: 'CPL', words: ['dummy battery', 'dc coupler'] },
  supply: { label: 'Power supply', group: 'power', prefix: 'SUP', words: ['psu', 'mains adapter', 'power brick'] },
  lead: {
    label: 'Mains lead',
    group: 'power',
    prefix: 'LED',
    words: ['power lead', 'power cord', 'power cable', 'kettle lead'],
  },
  strip: {
    label: 'Strip or reel',
    group: 'power',
    prefix: 'STR',
    words: ['power strip', 'extension', 'extension lead', 'extension cord', 'stinger', 'gang'],
  },
  reel: { label: 'Cable reel', group: 'power', prefix: 'REL', isA: 'strip', words: ['reel', 'drum', 'extension reel'] },
  'usb-hub': { label: 'USB hub', group: 'media', prefix: 'HUB', words: ['usb hub', 'hub', 'dock', 'docking station'] },
  'network-switch': {
    label: 'Network switch',
    group: 'media',
    prefix: 'NSW',
    words: ['network switch', 'router', 'access point'],
  },
  cable: { label: 'Signal cable', group: 'media', prefix: 'CBL', words: ['cable', 'wire', 'patch'] },
  'cable-adapter': {
    label: 'Cable adapter',
    group: 'media',
    prefix: 'CAD',
    words: ['adapter', 'adaptor', 'converter', 'dongle'],
  },
  card: { label: 'Memory card', group: 'media', prefix: 'SDC', words: ['sd card', 'sd', 'microsd', 'micro sd card'] },
  'card-sleeve': {
    label: 'Card sleeve',
    group: 'media',
    prefix: 'SLV',
    words: ['sleeve', 'sd adapter', 'microsd adapter', 'micro sd adapter'],
  },
  reader: { label: 'Card reader', group: 'media', prefix: 'RDR', words: ['reader'] },
  drive: { label: 'Drive', group: 'media', prefix: 'DRV', words: ['ssd', 'hdd', 'hard drive', 'hard disk', 'disk'] },
  nas: { label: 'Network storage', group: 'media', prefix: 'NAS', isA: 'drive', words: ['nas', 'file server'] },
  computer: { label: 'Computer', group: 'media', prefix: 'COM', words: ['desktop', 'pc', 'workstation', 'mini pc'] },
  laptop: { label: 'Laptop', group: 'media', prefix: 'LAP', isA: 'computer', words: ['laptop', 'notebook'] },
  tablet: { label: 'Tablet', group: 'media', prefix: 'TAB', words: ['tablet computer'] },
  backdrop: {
    label: 'Backdrop',
    group: 'set',
    prefix: 'BKD',
    words: ['background', 'paper roll', 'green screen', 'muslin'],
  },
  acoustics: {
    label: 'Rug or acoustic panel',
    group: 'set',
    prefix: 'ACO',
    words: ['rug', 'carpet', 'acoustic panel', 'moving blanket', 'foam'],
  },
  'colour-card': {
    label: 'Colour or grey card',
    group: 'set',
    prefix: 'CRD',
    words: ['grey card', 'gray card', 'colour checker', 'white balance card', 'chart'],
  },
  clapper: { label: 'Clapper', group: 'set', prefix: 'CLA', words: ['slate', 'clapperboard'] },
  case: {
    label: 'Case or bag',
    group: 'set',
    prefix: 'CAS',
    words: ['bag', 'flight case', 'pouch', 'backpack', 'sleeve'],
  },
  tool: {
    label: 'Tool',
    group: 'set',
    prefix: 'TOO',
    words: ['screwdriver', 'hex key', 'tester', 'meter', 'tape measure'],
  },
  furniture: { label: 'Furniture', group: 'set', prefix: 'FUR', words: ['shelf', 'cupboard', 'cabinet'] },
  table: { label: 'Table or desk', group: 'set', prefix: 'TBL', isA: 'furniture', words: ['table', 'desk', 'bench'] },
  seat: {
    label: 'Chair or stool',
    group: 'set',
    prefix: 'CHR',
    isA: 'furniture',
    words: ['chair', 'stool', 'armchair', 'sofa'],
  },
  prop: { label: 'Prop', group: 'set', prefix: 'PRP', words: ['props', 'plant', 'decoration', 'ornament'] },
  household: { label: 'Household thing', group: 'set', prefix: 'HOU', words: ['tray', 'tub', 'cloth', 'blanket'] },
  'cable-cover': {
    label: 'Cable cover',
    group: 'set',
    prefix: 'CCV',
    words: ['cable ramp', 'cable protector', 'cable mat'],
  },
  'cleaning-kit': {
    label: 'Cleaning kit',
    group: 'set',
    prefix: 'CLN',
    words: ['blower', 'lens cloth', 'cleaning kit', 'sensor swab'],
  },
  consumable: {
    label: 'Consumable',
    group: 'set',
    prefix: 'CON',
    words: ['tape', 'gaffer tape', 'wipes'],
    isCounted: true,
  },
  other: { label: 'Other', group: 'set', prefix: 'OTH' },
} as const satisfies Record<string, CategoryFacts>

export type Category = keyof typeof CATEGORIES
export const CATEGORY_CODES = Object.keys(CATEGORIES) as [Category, ...Category[]]

/** All that is known of a kind, also what most kinds have not. */
export const factsOf = (code: Category): CategoryFacts => CATEGORIES[code]

/** Whether somebody who wants a `wanted` is served by a `category`: a tube is a light, a light need not be a tube. */
export function isKindOf(category: Category, wanted: Category): boolean {
  return category === wanted || IS_A.get(category) === wanted
}

/** Asked thousands of times for one verdict, so that only what is of another kind is looked up. */
const IS_A: ReadonlyMap<Category, string> = new Map(
  CATEGORY_CODES.flatMap((code) => {
    const { isA } = factsOf(code)
    return isA ? [[code, isA] as const] : []
  }),
)

/** A kind with all that are also that. */
export function listKindsOf(wanted: Category): Category[] {
  return CATEGORY_CODES.filter((code) => isKindOf(code, wanted))
}

export function isCounted(category: Category): boolean {
  return factsOf(category).isCounted === true
}
