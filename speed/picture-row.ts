import { assessScene, drawPicture, layoutPicture, makeScene, PICTURE_KINDS, readPlaceLevels } from '@exemplar/core'
import { sizeNode } from '../web/src/setups/pictures/picture-size.ts'
import { makeLargeInput } from './assess-row.ts'
import type { Row } from './measure.ts'

/** The three pictures of 60 things drawn and laid out as on the page, against joining and judging the same things. */
export function pictureRow(): Row {
  const input = makeLargeInput()
  const scene = makeScene(input)
  const levels = readPlaceLevels(assessScene(scene).findings)
  // Another width each time, so that each is laid out anew and none is known from before.
  let round = 0
  const sizeAnew: typeof sizeNode = (node) => ({ ...sizeNode(node), width: sizeNode(node).width + round / 1_000 })
  return {
    name: 'three pictures of 60 things, laid out',
    reference: 'judging the same 60 things',
    target: 6,
    ours: () => {
      round++
      for (const kind of PICTURE_KINDS)
        layoutPicture(drawPicture(kind, scene, levels), { sizeOf: sizeAnew, rootWidth: 72, mostWidth: 640 })
    },
    theirs: () => {
      assessScene(makeScene(input))
    },
  }
}
