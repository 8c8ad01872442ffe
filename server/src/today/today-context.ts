import type { StudioSettings } from '@exemplar/core'
import type { HoldBook } from '../availability/holds.ts'
import type { Database } from '../foundation/database/database.ts'

/** So many days ahead things are looked for that are wanted and go back before. */
export const LOAN_DAYS_AHEAD = 60

/** How far Today looks ahead. */
export const DAYS_AHEAD = 14

/** What every section of Today is gathered from. */
export interface TodayContext {
  db: Database
  settings: StudioSettings
  now: number
  today: string
  /** What bookings hold from now on, for as long as any section looks ahead. */
  book: HoldBook
}
