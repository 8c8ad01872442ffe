import type { AppContext } from '../foundation/database/app-context.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { loadContext } from './assessment-context.ts'
import { loadAssessment } from './assessment-store.ts'
import { loadSetup } from './setup-store.ts'

/** A setup with everything that judging it, for a booking or as it stands, reads. */
export function loadCase(app: AppContext, id: string, bookingId: string | undefined) {
  const setup = loadSetup(app, id)
  const settings = loadStudio(app.db)
  const context = loadContext(app, setup, bookingId)
  return { settings, ...loadAssessment(app.db, { setup, context }, settings), setup }
}
