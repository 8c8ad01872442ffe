import { assessScene, drawPicture, layoutPicture, makeScene, PICTURE_KINDS, readPlaceLevels } from '@exemplar/core'
import { sizeNode } from '../web/src/setups/pictures/picture-size.ts'
import { makeLargeInput } from './assess-row.ts'
import type { Row } from './measure.ts'

/** The three pictures of 60 things drawn and laid out as on the page, against joining and judging the same things. */
export function pictureRow(): Row {
  const input = makeLargeInput()
  const scene = makeScene(input)
  const levels = readPlaceLevels(assessScene(scene).findings)
  return {
    name: 'three pictures of 60 things, laid out',
    reference: 'judging the same 60 things',
    target: 6,
    ours: () => {
      for (const kind of PICTURE_KINDS)
        layoutPicture(drawPicture(kind, scene, levels), { sizeOf: sizeNode, rootWidth: 72, mostWidth: 640 })
    },
    theirs: () => {
      assessScene(makeScene(input))
    },
  }
}
