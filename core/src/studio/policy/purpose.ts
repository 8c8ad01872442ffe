/** What a setup is for. A purpose may have policies of its own, between the studio's and the setup's. */
export const PURPOSES = {
  'talking-head': 'Talking head',
  interview: 'Interview',
  'top-down': 'Top-down',
  demonstration: 'Table demonstration',
  panel: 'Panel with live switcher',
  lecture: 'Lecture capture',
  'green-screen': 'Green screen',
  'close-up': 'Product close-up',
  'voice-over': 'Voice-over',
  'walk-and-talk': 'Walk and talk',
  'live-stream': 'Live stream',
  location: 'Location kit',
  other: 'Something else',
} as const
export type Purpose = keyof typeof PURPOSES
export const PURPOSE_CODES = Object.keys(PURPOSES) as [Purpose, ...Purpose[]]
