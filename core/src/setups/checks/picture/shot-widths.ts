import type { Shot } from '../../setup/setup.ts'

/** How wide the frame is about a person, in a picture of 16 to 9, in millimetres. Common practice, from memory. */
export const SHOT_WIDTHS_MM: Readonly<Record<Shot, number>> = {
  close: 1100,
  half: 1800,
  full: 3700,
  wide: 5300,
}
