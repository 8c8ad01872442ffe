import { z } from 'zod'
import type { AppContext } from '../foundation/database/app-context.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { loadAssessmentInput } from './assessing.ts'
import { loadSetup, makeBookingContext, makePresentContext } from './setup-routes.ts'

/** For one of its bookings, or as it stands. */
export const contextQuery = z.object({ bookingId: z.string().max(64).optional() })

/** A setup with everything that judging it for an occasion reads. */
export function loadCase(app: AppContext, id: string, bookingId: string | undefined) {
  const setup = loadSetup(app, id)
  const occasion = bookingId ? makeBookingContext(app, bookingId) : makePresentContext(app, setup)
  const settings = loadStudio(app.db)
  return { setup, occasion, settings, ...loadAssessmentInput(app.db, setup, occasion, settings) }
}
