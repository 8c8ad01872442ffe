import { z } from 'zod'
import { CATEGORY_CODES, isKindOf } from '../kit/model/category.ts'
import { SEVERITIES } from '../kit/unit/fault.ts'
import type { Holdings } from '../setups/placed/placed-item.ts'
import type { NewSetup } from '../setups/setup/setup.ts'
import { idSchema, versionSchema } from '../studio/identity.ts'
import { PURPOSE_CODES } from '../studio/policy/purpose.ts'
import { dateSchema } from '../units/wall-time.ts'

/** On which start lists a lesson stands. */
export const lessonForSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('all') }),
  z.object({ kind: z.literal('setup'), setupId: idSchema }),
  /** Of every setup in which such a thing stands. */
  z.object({ kind: z.literal('category'), category: z.enum(CATEGORY_CODES) }),
  z.object({ kind: z.literal('purpose'), purpose: z.enum(PURPOSE_CODES) }),
])
export type LessonFor = z.infer<typeof lessonForSchema>

const text = (most: number) => z.string().trim().max(most).default('')

const incidentFields = z.object({
  on: dateSchema,
  what: z.string().trim().min(1, 'Say in a few words what happened.').max(600),
  cause: text(600),
  /** What kept it from being worse: a hood, a tether, a hand. */
  saved: text(300),
  /** What is done otherwise from now on; a line of the start list. Blank is none. */
  lesson: text(200),
  lessonFor: lessonForSchema,
})

/** What went wrong, what it hit, and what is learned from it. */
export const newIncidentSchema = incidentFields.extend({
  /** What was hit, and whether it still works; null where it is as it was. */
  hit: z.array(z.object({ unitId: idSchema, severity: z.enum(SEVERITIES).nullable() })).max(40),
})
export type NewIncident = z.infer<typeof newIncidentSchema>

/** What was hit is a fact of that day; what is said of it may be put better. */
export const incidentChangeSchema = incidentFields

export const incidentSchema = incidentFields.extend({
  id: idSchema,
  version: versionSchema,
  personId: idSchema.nullable(),
})
export type Incident = z.infer<typeof incidentSchema>

/** Whether a lesson is one of a setup. Of a kind it is where such a thing stands in it, single or counted, in case as well. */
export function isLessonFor(
  about: LessonFor,
  setup: Pick<NewSetup, 'purposeKind' | 'roles'>,
  setupId: string,
  { units, stock, models }: Holdings,
): boolean {
  switch (about.kind) {
    case 'all':
      return true
    case 'setup':
      return about.setupId === setupId
    case 'purpose':
      return about.purpose === setup.purposeKind
    case 'category':
      return setup.roles.some((role) =>
        role.things.some(({ unitId, stockId }) => {
          const model = models.get(units.get(unitId ?? '')?.modelId ?? stock.get(stockId ?? '')?.modelId ?? '')
          return model !== undefined && isKindOf(model.category, about.category)
        }),
      )
    default:
      return about satisfies never
  }
}
