import { z } from 'zod'
import { idSchema } from '../../studio/identity.ts'
import { dateSchema } from '../../units/wall-time.ts'
import { kitFilterSchema } from './kit-filter.ts'
import { ACQUISITION_CODES, LIFE_STATE_CODES, type Unit } from './unit.ts'

/** What may be changed of many things at once; what is not given stays. */
export const manyChangesSchema = z
  .object({
    state: z.enum(LIFE_STATE_CODES).optional(),
    placeId: idSchema.nullable().optional(),
    nowPlaceId: idSchema.nullable().optional(),
    acquisition: z.enum(ACQUISITION_CODES).optional(),
    acquiredOn: dateSchema.nullable().optional(),
    partyId: idSchema.nullable().optional(),
    ownerId: idSchema.nullable().optional(),
    dueOn: dateSchema.nullable().optional(),
    serviceEveryDays: z.number().int().min(1).max(3650).nullable().optional(),
    archive: z.literal(true).optional(),
    restore: z.literal(true).optional(),
  })
  .refine((it) => Object.values(it).some((value) => value !== undefined), 'Say what is to change.')
export type ManyChanges = z.infer<typeof manyChangesSchema>

/** Which things: those that were ticked, or all that a filter finds. */
export const manySchema = z.object({
  ids: z.array(idSchema).max(20_000).nullable(),
  filter: kitFilterSchema.default({}),
  changes: manyChangesSchema,
})

type Field = Exclude<keyof ManyChanges, 'archive' | 'restore'>
const FIELDS: readonly Field[] = [
  'state',
  'placeId',
  'nowPlaceId',
  'acquisition',
  'acquiredOn',
  'partyId',
  'ownerId',
  'dueOn',
  'serviceEveryDays',
]

/** What truly changes of one thing: a field that has the value already does not. */
export function listManyChanges(
  unit: Pick<Unit, Field>,
  changes: ManyChanges,
): { field: Field; before: Unit[Field]; after: Unit[Field] }[] {
  return FIELDS.flatMap((field) => {
    const after = changes[field]
    if (after === undefined || after === unit[field]) return []
    return [{ field, before: unit[field], after: after as Unit[Field] }]
  })
}
