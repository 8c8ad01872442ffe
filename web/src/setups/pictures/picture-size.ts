import type { PictureNode } from '@exemplar/core'

const LINE = 16
const HEAD = 19
const PADDING = 11

/** So many figures stand in a node; all of them are in its sheet. */
export const MOST_FIGURES = 2

/** How large a node is drawn: what only passes on is small. */
export function sizeNode({ isSmall, figures }: PictureNode): { width: number; height: number } {
  if (isSmall) return { width: 114, height: 28 }
  return { width: 182, height: HEAD + PADDING + Math.min(MOST_FIGURES, figures.length) * LINE }
}
