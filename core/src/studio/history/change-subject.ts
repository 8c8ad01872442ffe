/** What a change may touch, as far as pages tell it apart: what they show loads again only where it was touched. */
export const CHANGE_SUBJECTS = [
  'studio',
  'people',
  'parties',
  'places',
  'films',
  'attachments',
  'interfaces',
  'models',
  'units',
  'stock',
  'views',
  'stocktakes',
  'snapshots',
  'setups',
  'bookings',
  'faults',
  'services',
  'incidents',
  'repairs',
  'readings',
  'entries',
  'shopping',
  /** Whatever cannot be told: accounts, sessions, backups, the demo being filled. */
  'rest',
] as const
export type ChangeSubject = (typeof CHANGE_SUBJECTS)[number]
