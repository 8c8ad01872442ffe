/** The groups of the role board and of the kit's filters, in the order in which a rig is built. */
export const GROUPS = ['camera', 'light', 'sound', 'support', 'power', 'media', 'set'] as const
export type Group = (typeof GROUPS)[number]

interface CategoryFacts {
  label: string
  group: Group
  /** First letters of its asset tags. */
  prefix: string
}

/** What a thing is. The code is stored, the label is shown. */
export const CATEGORIES = {
  camera: { label: 'Camera body', group: 'camera', prefix: 'CAM' },
  lens: { label: 'Lens', group: 'camera', prefix: 'LEN' },
  'lens-adapter': { label: 'Lens adapter', group: 'camera', prefix: 'ADP' },
  filter: { label: 'Filter', group: 'camera', prefix: 'FIL' },
  monitor: { label: 'Monitor', group: 'camera', prefix: 'MON' },
  switcher: { label: 'Switcher', group: 'camera', prefix: 'SWI' },
  prompter: { label: 'Prompter', group: 'camera', prefix: 'PRO' },
  light: { label: 'Light', group: 'light', prefix: 'LGT' },
  modifier: { label: 'Modifier', group: 'light', prefix: 'MOD' },
  microphone: { label: 'Microphone', group: 'sound', prefix: 'MIC' },
  recorder: { label: 'Recorder', group: 'sound', prefix: 'REC' },
  mixer: { label: 'Mixer', group: 'sound', prefix: 'MIX' },
  headphones: { label: 'Headphones', group: 'sound', prefix: 'PHN' },
  tripod: { label: 'Tripod', group: 'support', prefix: 'TRI' },
  stand: { label: 'Light stand', group: 'support', prefix: 'STD' },
  'mic-stand': { label: 'Microphone stand', group: 'support', prefix: 'MST' },
  arm: { label: 'Arm or boom', group: 'support', prefix: 'ARM' },
  clamp: { label: 'Clamp', group: 'support', prefix: 'CLP' },
  sandbag: { label: 'Sandbag', group: 'support', prefix: 'BAG' },
  rail: { label: 'Slider or rail', group: 'support', prefix: 'RAI' },
  pack: { label: 'Battery pack', group: 'power', prefix: 'PAK' },
  cell: { label: 'Cell', group: 'power', prefix: 'CEL' },
  charger: { label: 'Charger', group: 'power', prefix: 'CHG' },
  supply: { label: 'Power supply', group: 'power', prefix: 'SUP' },
  lead: { label: 'Mains lead', group: 'power', prefix: 'LED' },
  strip: { label: 'Strip or reel', group: 'power', prefix: 'STR' },
  cable: { label: 'Signal cable', group: 'media', prefix: 'CBL' },
  card: { label: 'Memory card', group: 'media', prefix: 'SDC' },
  reader: { label: 'Card reader', group: 'media', prefix: 'RDR' },
  drive: { label: 'Drive', group: 'media', prefix: 'DRV' },
  computer: { label: 'Computer', group: 'media', prefix: 'COM' },
  backdrop: { label: 'Backdrop', group: 'set', prefix: 'BKD' },
  furniture: { label: 'Furniture', group: 'set', prefix: 'FUR' },
  consumable: { label: 'Consumable', group: 'set', prefix: 'CON' },
  other: { label: 'Other', group: 'set', prefix: 'OTH' },
} as const satisfies Record<string, CategoryFacts>

export type Category = keyof typeof CATEGORIES
export const CATEGORY_CODES = Object.keys(CATEGORIES) as [Category, ...Category[]]

/** Reads a category as people write it: its code, its label, or either in the plural, in any case. */
export function readCategory(text: string): Category | null {
  const wanted = text.trim().toLowerCase().replace(/s$/, '')
  return (
    CATEGORY_CODES.find((code) =>
      [code, code.replace('-', ' '), CATEGORIES[code].label.toLowerCase()].some(
        (name) => name.replace(/s$/, '') === wanted,
      ),
    ) ?? null
  )
}
