import {
  assessScene,
  comparePictures,
  describeLookOf,
  drawPicture,
  listJointChoices,
  makeScene,
  PICTURE_KINDS,
  type Picture,
  type PictureKind,
  type PicturesReply,
  readPlaceLevels,
  type Scene,
} from '@exemplar/core'
import { refuseField } from '../foundation/base/problem.ts'
import type { AppContext } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { loadContext } from './assessment-context.ts'
import { loadAssessment } from './assessment-store.ts'
import { loadSetup } from './setup-store.ts'

/** A setup as it stands for one of its bookings, or today. */
function loadScene(app: AppContext, id: string, bookingId: string | undefined): Scene {
  const setup = loadSetup(app, id)
  const request = { setup, context: loadContext(app, setup, bookingId) }
  return makeScene(loadAssessment(app.db, request, loadStudio(app.db)).input)
}

const forEach = <T>(draw: (kind: PictureKind) => T) =>
  Object.fromEntries(PICTURE_KINDS.map((kind) => [kind, draw(kind)])) as Record<PictureKind, T>

function drawAll(scene: Scene): PicturesReply {
  const levels = readPlaceLevels(assessScene(scene).findings)
  return forEach((kind): Picture => drawPicture(kind, scene, levels))
}

export const pictureRoutes = [
  defineRoute('get /setups/:id/pictures', ({ params, query }, app) =>
    drawAll(loadScene(app, params.id ?? '', query.bookingId)),
  ),
  defineRoute('get /setups/:id/picture-and-light', ({ params, query }, app) =>
    describeLookOf(loadScene(app, params.id ?? '', query.bookingId)),
  ),
  defineRoute('get /setups/:id/joints', ({ params, query }, app) => {
    const choices = listJointChoices(loadScene(app, params.id ?? '', query.bookingId), query.key)
    if (!choices) throw refuseField('?key', 'The setup has no such thing now: look at it again.')
    return choices
  }),
  defineRoute('get /setups/:id/picture-changes', ({ params, query }, app) => {
    const before = drawAll(loadScene(app, query.otherId, query.otherBookingId))
    const after = drawAll(loadScene(app, params.id ?? '', query.bookingId))
    return forEach((kind) => comparePictures(before[kind], after[kind]))
  }),
]
