import { z } from 'zod'
/** A question on which good studios disagree, and the ways they go. Nothing here is an opinion of Exemplar's. */
export interface School {
  question: string
  /** The first way is taken where nothing was chosen. */
  ways: Readonly<Record<string, string>>
  /** What the choice changes today; null where it is kept for checks that do not ask it yet. */
  changes: string | null
}

/** Schools by code, in the order in which a studio meets the questions. */
export const PRACTICES = {
  redundancy: {
    question: 'If you have one, have you none?',
    ways: { spare: 'A spare for what stops the shoot', lean: 'Run lean and accept the risk' },
    changes: 'A missing spare pack is warned of, or only mentioned where you run lean.',
  },
  'buy-first': {
    question: 'What is bought first?',
    ways: { sound: 'Sound first', light: 'Light first', lens: 'Lens before body', body: 'Body first' },
    changes: 'The shopping list stands in this order.',
  },
  power: {
    question: 'Mains or packs?',
    ways: { mixed: 'Both, as it comes', mains: 'Mains wherever there is a socket', packs: 'Packs, for freedom' },
    changes: 'Ways out offer mains before packs, or packs before mains.',
  },
  standing: {
    question: 'Does the rig stay up?',
    ways: { packed: 'Packed away each time', half: 'Key, camera and backdrop stay', standing: 'Always rigged' },
    changes:
      'The minutes for rigging and striking that a new booking starts with, and which roles are reckoned as standing.',
  },
  numbers: {
    question: 'By numbers or by feel?',
    ways: { figures: 'Measure and state settings', plain: 'Plain words, figures on demand' },
    changes: 'How findings are worded until somebody chooses for their own device.',
  },
  'phone-start': {
    question: 'Start with the phone?',
    ways: {
      depends: 'Only for some content',
      phone: 'The phone is enough to begin',
      camera: 'A proper camera at once',
    },
    changes: null,
  },
  'sound-path': {
    question: 'Where is sound recorded?',
    ways: { both: 'In the camera and apart', camera: 'Straight into the camera', recorder: 'In a separate recorder' },
    changes: 'Whether one recorder for all the sound of a setup is worth a word, and which way for the sound is yours.',
  },
  'microphone-place': {
    question: 'Where does the microphone go?',
    ways: {
      above: 'Above, out of frame',
      below: 'Below, when the face looks down',
      worn: 'Worn',
      lead: 'On a lead in front',
      camera: 'On the camera',
      desk: 'In sight on the desk',
    },
    changes: null,
  },
  floor: {
    question: 'Hang, roll or clamp?',
    ways: { wheels: 'Everything on wheels', hang: 'Off the floor, on arms and bars', clamp: 'Clamped to the desk' },
    changes: null,
  },
  lasting: {
    question: 'Cheap, or once and well?',
    ways: { once: 'Buy well once', cheap: 'Cheap does it', middle: 'Neither the bottom tier nor the top' },
    changes: null,
  },
  system: {
    question: 'One system or many?',
    ways: { mixed: 'The best for each job', one: 'One maker’s system' },
    changes: 'Whether choosing for you keeps to the makers that stand in a setup.',
  },
  lens: {
    question: 'Zoom or fixed lens?',
    ways: { zoom: 'Zoom', fixed: 'Fixed, with a wide aperture' },
    changes: null,
  },
  focus: {
    question: 'Blur or dependable focus?',
    ways: { moderate: 'Moderate aperture, focus that holds', blur: 'Strong blur behind' },
    changes: null,
  },
  key: {
    question: 'One soft key or several lamps?',
    ways: { one: 'One soft key', several: 'Several lamps' },
    changes: null,
  },
  ring: { question: 'A ring of light round the lens?', ways: { no: 'No', yes: 'Yes' }, changes: null },
  grid: {
    question: 'Grid on the key?',
    ways: { on: 'On, against spill', off: 'Off, because of spectacles' },
    changes: null,
  },
  window: {
    question: 'Window or lamps?',
    ways: { lamps: 'Lamps, at any hour', window: 'Window light', tamed: 'The window, with diffusion' },
    changes: null,
  },
  colour: {
    question: 'Match all lamps or mix?',
    ways: { match: 'All lamps alike', mix: 'Warm or coloured background on purpose' },
    changes:
      'Whether choosing for you keeps to the colour of the lamps that stand in a setup, and whether lamps that are not for the face are told when theirs is another.',
  },
  'white-balance': {
    question: 'White balance from where?',
    ways: { card: 'By a grey card', camera: 'By the camera or a preset' },
    changes:
      'Whether the start list asks for the grey card once all lights are on, and what is said beside lamps of differing colour.',
  },
  backdrop: {
    question: 'Which backdrop?',
    ways: {
      wall: 'A plain wall',
      paper: 'Paper',
      cloth: 'Cloth',
      vinyl: 'Vinyl',
      popup: 'Pop-up',
      objects: 'Real objects',
    },
    changes: null,
  },
  head: {
    question: 'Which head on the tripod?',
    ways: { any: 'Any', fluid: 'Fluid head', ball: 'Ball head' },
    changes: null,
  },
  lock: {
    question: 'Which locks on supports?',
    ways: { lever: 'Lever locks', twist: 'Twist locks' },
    changes: null,
  },
  'self-view': {
    question: 'How does the presenter see the picture?',
    ways: {
      flip: 'The flip screen is enough',
      under: 'A bigger screen under the lens',
      beside: 'A bigger screen beside it',
    },
    changes: null,
  },
  cut: {
    question: 'Cut live or afterwards?',
    ways: { later: 'Edit later', live: 'Cut live' },
    changes: null,
  },
  keep: {
    question: 'Which files are kept?',
    ways: { everything: 'Everything', masters: 'Masters and archived sources', rotate: 'Cards are rotated' },
    changes: null,
  },
  prompter: { question: 'With a prompter?', ways: { no: 'No', yes: 'Yes' }, changes: null },
  posture: {
    question: 'Sit or stand?',
    ways: { sit: 'Sit', stand: 'Stand', alternate: 'Alternate' },
    changes: null,
  },
  upgrade: {
    question: 'When is something replaced?',
    ways: { limit: 'When a limit bites', worn: 'When it is worn', next: 'When the next model comes' },
    changes: null,
  },
  used: { question: 'New or used?', ways: { new: 'New, with cover', used: 'Used' }, changes: null },
  shop: {
    question: 'From whom?',
    ways: { dealer: 'A dealer who advises', market: 'A marketplace' },
    changes: null,
  },
  gifts: {
    question: 'Gifts for coverage?',
    ways: { refuse: 'Refused', accept: 'Accepted, with disclosure' },
    changes: null,
  },
  reserve: {
    question: 'Power in reserve?',
    ways: { more: 'More than is wanted', enough: 'Just enough' },
    changes: 'Whether a key at its full output is told.',
  },
  'on-camera-light': {
    question: 'Where does the light sit?',
    ways: { axis: 'Soft key off the axis', camera: 'On the camera', ring: 'Round the lens' },
    changes: null,
  },
} as const satisfies Record<string, School>
export type PracticeCode = keyof typeof PRACTICES
export const PRACTICE_CODES = Object.keys(PRACTICES) as [PracticeCode, ...PracticeCode[]]
export const practiceCodeSchema = z.enum(PRACTICE_CODES)

export function findPractice(code: PracticeCode): School {
  return PRACTICES[code]
}
