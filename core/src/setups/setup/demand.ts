/** What the content of a setup asks of the things in it, beyond that they fit together. */
export const DEMANDS = {
  'self-view': 'Whoever is in the picture sees it',
  'steady-focus': 'Nobody pulls focus, so it has to hold by itself',
  alone: 'One person alone starts it from where they are',
  'menus-in-sight': 'A camera hangs where its own screen is not seen',
  'close-up': 'Small things come close',
  'true-colour': 'Colours have to be true',
  'long-take': 'One take without a break',
  spectacles: 'Whoever is in it wears spectacles',
} as const
export type ContentDemand = keyof typeof DEMANDS
export const DEMAND_CODES = Object.keys(DEMANDS) as [ContentDemand, ...ContentDemand[]]

/** Figures from which a thing meets a demand. Common practice, from memory. */
export const DEMAND_LIMITS = { closestMm: 250, colourRendering: 95, armMm: 700, eyeMm: 1700 }
