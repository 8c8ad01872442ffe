import type { StudioSettings } from '@exemplar/core'
import type { Database } from '../foundation/database/database.ts'

/** How far Today looks ahead. */
export const DAYS_AHEAD = 14

/** What every section of Today is gathered from. */
export interface TodayContext {
  db: Database
  settings: StudioSettings
  now: number
  today: string
}
