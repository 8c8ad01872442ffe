/** Groups of things as a list of money names them. */
export const GROUP_NAMES = {
  camera: 'Camera',
  light: 'Light',
  sound: 'Sound',
  support: 'Support',
  power: 'Power',
  media: 'Media and cables',
  set: 'Set',
} as const
