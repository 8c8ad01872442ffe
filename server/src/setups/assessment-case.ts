import { z } from 'zod'
import type { House } from '../foundation/database/app-context.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { loadReadinessInput } from './assessing.ts'
import { loadSetup, makeBookingOccasion, makePresentOccasion } from './setup-routes.ts'

/** For one of its bookings, or as it stands. */
export const occasionQuery = z.object({ bookingId: z.string().max(64).optional() })

/** A setup with everything that judging it for an occasion reads. */
export function loadCase(house: House, id: string, bookingId: string | undefined) {
  const setup = loadSetup(house, id)
  const occasion = bookingId ? makeBookingOccasion(house, bookingId) : makePresentOccasion(house, setup)
  const settings = loadStudio(house.db)
  return { setup, occasion, settings, ...loadReadinessInput(house.db, setup, occasion, settings) }
}
