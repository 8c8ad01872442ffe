import { CATEGORIES, type Category, isKindOf } from '@exemplar/core'

/** Our own line drawings on a sheet of 32 by 32, one for each family of kinds. */
const SHAPES = {
  camera: 'M4 11h24v15H4zM11 11l2-4h6l2 4M16 14a4.5 4.5 0 1 0 0 9 4.5 4.5 0 0 0 0-9z',
  phone: 'M10 3h12v26H10zM14 26h4',
  lens: 'M6 8h6v16H6zM12 6h9v20h-9zM21 9h5v14h-5z',
  disc: 'M16 5a11 11 0 1 0 0 22 11 11 0 0 0 0-22zM16 8a8 8 0 1 0 0 16 8 8 0 0 0 0-16z',
  screen: 'M4 6h24v16H4zM12 27h8M16 22v5',
  desk: 'M4 12h24v10H4zM8 16h3M14 16h3M20 16h4M8 19h3M14 19h3',
  panel: 'M7 5h18v14H7zM11 9h10v6H11zM16 19v9M11 28h10',
  lamp: 'M5 11h10v8H5zM15 11l9-5v18l-9-5zM10 19v9M6 28h8',
  tube: 'M3 14h26v4H3zM7 14v4M25 14v4',
  softbox: 'M6 13h5v6H6zM11 13l13-8v22l-13-8zM24 5c3 7 3 15 0 22',
  microphone: 'M13 4h6v13h-6zM9 13v3a7 7 0 0 0 14 0v-3M16 23v5M11 28h10',
  headphones: 'M6 19v-2a10 10 0 0 1 20 0v2M4 19h5v8H4zM23 19h5v8h-5z',
  speaker: 'M9 3h14v26H9zM16 7a2 2 0 1 0 0 4 2 2 0 0 0 0-4zM16 15a5 5 0 1 0 0 10 5 5 0 0 0 0-10z',
  tripod: 'M12 4h8v4h-8zM16 8v5M16 13L7 29M16 13l9 16M16 13v14',
  stand: 'M16 3v20M16 23l-8 6M16 23l8 6M13 3h6',
  arm: 'M5 27l10-12 12-6M5 23v8M25 6l4 5M13 13l4 4',
  block: 'M5 12h22v10H5zM9 12V9h14v3',
  bag: 'M7 12c0-3 18-3 18 0l3 14H4zM13 11V7h6v4',
  battery: 'M6 9h20v16H6zM11 9V6h4v3M18 9V6h4v3M11 17h4M20 15v4M18 17h4',
  cell: 'M9 12h18v8H9zM6 14h3v4H6zM21 12v8',
  plug: 'M10 11h12v6a6 6 0 0 1-12 0zM13 11V5M19 11V5M16 23v6',
  strip: 'M3 12h26v8H3zM8 15v2M13 15v2M18 15v2M23 15v2',
  cable: 'M5 8h5v4H5zM22 20h5v4h-5zM10 10c9 0 3 12 12 12',
  card: 'M9 4h10l5 5v19H9zM13 8v4M16 8v4M19 9v3',
  drive: 'M5 10h22v13H5zM22 17h2M5 16h22',
  computer: 'M7 7h18v13H7zM3 24h26M12 24v1h8v-1',
  cloth: 'M3 6h26M6 6v21c4-2 7 2 10 0s6 2 10 0V6',
  table: 'M3 11h26M6 11v16M26 11v16M3 14h26',
  chair: 'M9 4v25M9 17h13v12M9 17v0M9 4h0M22 17v12',
  sheet: 'M8 4h16v24H8zM12 10h8M12 15h8M12 20h5',
} as const
type Shape = keyof typeof SHAPES

const FAMILIES: readonly (readonly [Shape, readonly Category[]])[] = [
  ['phone', ['phone', 'tablet', 'remote']],
  ['camera', ['camera', 'camcorder']],
  ['lens', ['lens', 'lens-adapter', 'matte-box']],
  ['disc', ['filter', 'ring-light', 'follow-focus']],
  ['screen', ['monitor', 'external-recorder', 'prompter']],
  ['panel', ['light', 'panel']],
  ['tube', ['tube']],
  ['lamp', ['cob', 'flash', 'practical']],
  ['softbox', ['modifier', 'flag', 'gel']],
  ['headphones', ['headphones', 'headset']],
  ['microphone', ['microphone', 'wind-protection', 'shock-mount']],
  ['speaker', ['speaker']],
  [
    'desk',
    [
      'switcher',
      'mixer',
      'audio-interface',
      'recorder',
      'preamp',
      'input-unit',
      'capture',
      'converter',
      'splitter',
      'video-link',
      'control-surface',
      'network-switch',
      'usb-hub',
      'nas',
    ],
  ],
  ['tripod', ['tripod', 'head', 'gimbal']],
  ['stand', ['stand', 'mic-stand', 'backdrop-support', 'step-ladder']],
  ['arm', ['arm', 'clamp', 'crossbar', 'grip-head', 'rail', 'safety-bond']],
  ['block', ['plate', 'apple-box', 'trolley']],
  ['bag', ['sandbag', 'case']],
  ['battery', ['pack', 'charger', 'coupler']],
  ['cell', ['cell']],
  ['plug', ['lead', 'supply']],
  ['strip', ['strip', 'cable-cover']],
  ['cable', ['cable', 'cable-adapter']],
  ['card', ['card', 'card-sleeve', 'reader']],
  ['drive', ['drive']],
  ['computer', ['computer']],
  ['cloth', ['backdrop', 'acoustics']],
  ['chair', ['seat']],
  ['table', ['furniture']],
]

const BY_GROUP = {
  camera: 'camera',
  light: 'panel',
  sound: 'microphone',
  support: 'stand',
  power: 'battery',
  media: 'cable',
  set: 'sheet',
} as const satisfies Record<string, Shape>

function findShape(category: Category): Shape {
  // The finest family first: a tube is drawn as a tube, not as a panel.
  const exact = FAMILIES.find(([, kinds]) => kinds.includes(category))
  const wider = FAMILIES.find(([, kinds]) => kinds.some((kind) => isKindOf(category, kind)))
  return (exact ?? wider)?.[0] ?? BY_GROUP[CATEGORIES[category].group]
}

/** What a kind of thing looks like, roughly, where there is no photo of it. It says nothing that is not beside it in words. */
export function Silhouette({ category, className = 'size-9' }: { category: Category; className?: string }) {
  return (
    <svg viewBox="0 0 32 32" aria-hidden="true" className={`${className} shrink-0 text-ink`}>
      <path
        d={SHAPES[findShape(category)]}
        fill="none"
        stroke="currentColor"
        strokeWidth="1.6"
        strokeLinejoin="round"
        strokeLinecap="round"
      />
    </svg>
  )
}
