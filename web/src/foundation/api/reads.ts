import { CHANGE_SUBJECTS, type ChangeSubject } from '@exemplar/core'

/**
 * What a query may be tagged with: a subject, the history that every change goes into, who is signed in, or the backups,
 * which lie beside the studio and are no change of it.
 */
export type Tag = ChangeSubject | 'history' | 'Me' | 'backups'
export const TAGS: readonly Tag[] = [...CHANGE_SUBJECTS, 'history', 'Me', 'backups']

const KIT = ['units', 'stock', 'models', 'interfaces'] as const
const HOLDING = ['units', 'stock', 'models', 'setups', 'bookings', 'faults'] as const
/** What a verdict stands on. */
const VERDICT = [...KIT, 'setups', 'bookings', 'faults', 'places', 'people', 'parties'] as const

/**
 * From what each query's answer follows. It loads again when one of these was changed, by oneself or by somebody else;
 * settings and what cannot be told change everything.
 */
const READS = {
  studio: [],
  people: ['people', 'bookings'],
  parties: ['parties', 'units', 'entries'],
  places: ['places'],
  events: ['history'],
  /** Of a setup only what changes it is told. */
  setupEvents: ['setups'],
  interfaces: ['interfaces'],
  units: [...HOLDING, 'places', 'stocktakes'],
  unitCount: [...HOLDING, 'places', 'stocktakes'],
  unit: [...VERDICT, 'shopping', 'history', 'entries', 'films', 'attachments', 'stocktakes'],
  stock: [...KIT, 'setups', 'bookings', 'places'],
  setups: VERDICT,
  setupNames: ['setups'],
  setup: ['setups', 'units', 'stock', 'models', 'bookings', 'places', 'attachments'],
  remedies: [...VERDICT, 'attachments'],
  readiness: VERDICT,
  pictures: VERDICT,
  pictureAndLight: VERDICT,
  joints: VERDICT,
  pictureChanges: VERDICT,
  moveCheck: VERDICT,
  things: ['units', 'stock', 'models'],
  diary: [...HOLDING, 'places', 'people', 'parties'],
  booking: [...HOLDING, 'places', 'people', 'parties'],
  bookingTroubles: VERDICT,
  checkBooking: VERDICT,
  bench: [...HOLDING, 'services', 'places', 'entries', 'incidents', 'shopping', 'repairs', 'history'],
  services: [...HOLDING, 'services', 'places', 'history'],
  incidents: ['incidents', 'units', 'stock', 'models', 'faults', 'setups', 'people'],
  repairs: ['repairs', 'units', 'models', 'faults', 'parties'],
  readings: ['readings', 'units', 'models'],
  supplies: ['stock', 'models', 'places', 'bookings', 'setups', 'units'],
  reliability: [...HOLDING, 'services', 'incidents', 'parties', 'history'],
  upkeep: [...HOLDING, 'services', 'incidents', 'entries', 'places', 'people', 'history'],
  spending: ['entries', 'models', 'repairs', 'shopping', 'units'],
  entries: ['entries', 'units', 'parties'],
  shopping: ['shopping', 'setups', 'units', 'stock', 'models'],
  wishes: [...VERDICT, 'shopping', 'entries'],
  wishPlaces: ['setups', 'units', 'models'],
  hindrances: [...VERDICT, 'shopping'],
  forSale: [...KIT, 'setups'],
  decisions: ['shopping'],
  kitPlans: ['shopping', 'setups'],
  kitPlan: [...VERDICT, 'shopping', 'entries', 'films'],
  kits: [...VERDICT, 'shopping', 'films'],
  upgradePlan: [...VERDICT, 'shopping'],
  today: [...VERDICT, 'services', 'entries', 'shopping', 'repairs', 'history'],
  find: ['units', 'stock', 'models', 'setups', 'bookings', 'people', 'places', 'parties', 'films'],
  heard: ['units', 'models'],
  riders: VERDICT,
  thingWants: VERDICT,
  able: [...HOLDING, 'places'],
  models: ['models', 'units', 'stock'],
  cableWays: VERDICT,
  cableStock: VERDICT,
  modelQuestions: ['models', 'units', 'stock', 'interfaces'],
  model: ['models'],
  modelFits: ['models', 'units', 'interfaces'],
  previewMany: [...HOLDING, 'places', 'people', 'parties'],
  kitViews: ['views'],
  ownInterfaces: ['interfaces', 'models'],
  interfaceFits: ['interfaces', 'models', 'units'],
  stocktakes: ['stocktakes', 'places', 'people'],
  stocktake: ['stocktakes', 'units', 'stock', 'models', 'places', 'people'],
  snapshots: ['snapshots'],
  snapshotDifference: ['snapshots', ...KIT, 'setups', 'places', 'people', 'parties', 'entries', 'faults'],
  schedule: [...KIT, 'places', 'people', 'parties', 'entries'],
  figures: [...HOLDING, 'places', 'entries', 'history', 'interfaces', 'people'],
  duties: [...KIT, 'places', 'parties', 'films'],
  systems: [...KIT, 'setups', 'entries', 'attachments'],
  orders: ['shopping', 'units', 'models', 'setups', 'parties', 'entries'],
  connectPlan: VERDICT,
  choosing: VERDICT,
  without: VERDICT,
  setupDifference: ['setups', 'units', 'stock', 'models', 'places'],
  resilience: VERDICT,
  minutes: VERDICT,
  changeOver: VERDICT,
  bookingChangeOver: VERDICT,
  cameras: VERDICT,
  looks: VERDICT,
  start: [...VERDICT, 'incidents', 'history'],
  soundRoutes: VERDICT,
  swap: VERDICT,
  party: ['parties', 'units', 'models', 'bookings', 'entries', 'films'],
  placeSun: ['places', 'studio'],
  place: ['places', 'units', 'stock', 'models', 'bookings', 'setups'],
  films: ['films', 'units', 'models', 'parties', 'setups'],
  accounts: ['people'],
  changes: ['history'],
  backups: ['history', 'backups'],
  checkBackup: ['history', 'backups'],
  health: ['history', 'backups'],
  attachments: ['attachments'],
  photos: ['attachments', 'units'],
} satisfies Record<string, readonly Tag[]>

/** The tags of a query by its name. */
export const readsOf = (name: keyof typeof READS): Tag[] => [...READS[name], 'studio', 'rest']

/** What loads again after a change of these subjects, as the server names them: "units,faults". */
export function readTags(subjects: string): Tag[] {
  const known = TAGS.filter((tag) => subjects.split(',').includes(tag))
  return [...(known.length > 0 ? known : (['rest'] as const)), 'history']
}
