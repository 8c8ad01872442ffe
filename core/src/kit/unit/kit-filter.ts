import { z } from 'zod'
import { idSchema, nameSchema, versionSchema } from '../../studio/identity.ts'
import { dateSchema } from '../../units/wall-time.ts'
import { CATEGORY_CODES, GROUPS } from '../model/category.ts'
import { LIFE_STATE_CODES } from './unit.ts'

/** What a thing has to be, besides what is asked by field. */
export const KIT_ONLY = {
  'in-setup': 'In a setup',
  'in-none': 'In no setup',
  faulty: 'Something wrong',
  borrowed: 'Borrowed',
  'no-place': 'No place recorded',
  'not-at-home': 'Not where it lives',
  unidentified: 'Needs identifying',
  incomplete: 'Parts missing',
  'never-used': 'Never used',
  'no-charging': 'No charging needed',
  'no-mass': 'Mass not recorded',
  'no-price': 'No price or value',
  archived: 'Archived',
} as const
export type KitOnly = keyof typeof KIT_ONLY

export const KIT_SORTS = {
  tag: 'Tag',
  name: 'Name',
  place: 'Place',
  acquired: 'Newest first',
  used: 'Longest idle',
} as const
export type KitSort = keyof typeof KIT_SORTS

/** What somebody looks for in the kit: everything that is given has to hold. */
export const kitFilterSchema = z.object({
  find: z.string().trim().max(80).optional(),
  category: z.enum(CATEGORY_CODES).optional(),
  group: z.enum(GROUPS).optional(),
  state: z.enum(LIFE_STATE_CODES).optional(),
  only: z.enum(Object.keys(KIT_ONLY) as [KitOnly, ...KitOnly[]]).optional(),
  placeId: idSchema.optional(),
  /** Has a port at which this can meet. */
  interface: idSchema.optional(),
  setupId: idSchema.optional(),
  /** Nothing else wants it on that day. */
  freeOn: dateSchema.optional(),
  /** Taken out last at least so many months ago, or never. */
  idleMonths: z.coerce.number().int().min(1).max(240).optional(),
  sort: z.enum(Object.keys(KIT_SORTS) as [KitSort, ...KitSort[]]).optional(),
})
export type KitFilter = z.infer<typeof kitFilterSchema>

export const KIT_COLUMNS = {
  kind: 'Kind',
  usedIn: 'Used in',
  place: 'Place',
  state: 'State',
  serial: 'Serial',
  maker: 'Maker',
  mass: 'Mass',
  acquired: 'Since',
  price: 'Price',
  used: 'Last out',
  complete: 'Recorded',
} as const
export type KitColumn = keyof typeof KIT_COLUMNS
export const KIT_COLUMN_CODES = Object.keys(KIT_COLUMNS) as [KitColumn, ...KitColumn[]]
export const USUAL_COLUMNS: readonly KitColumn[] = ['kind', 'usedIn', 'place', 'state']

export const newSavedViewSchema = z.object({
  name: nameSchema,
  filter: kitFilterSchema,
  columns: z.array(z.enum(KIT_COLUMN_CODES)).max(KIT_COLUMN_CODES.length),
})
export const savedViewSchema = newSavedViewSchema.extend({ id: idSchema, version: versionSchema })
export type SavedView = z.infer<typeof savedViewSchema>
