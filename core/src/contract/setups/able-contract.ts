import { z } from 'zod'
import { ABILITY_CODES, type AbilityCode, wantedAbilitySchema } from '../../kit/unit/ability.ts'
import { absenceSchema } from '../../kit/unit/absence.ts'
import { defineContract } from '../contract.ts'

const ableThingSchema = z.object({
  id: z.string(),
  kind: z.enum(['unit', 'stock']),
  tag: z.string(),
  name: z.string(),
  place: z.string().nullable(),
  /** Pieces that are free, of what is counted. */
  free: z.number().nullable(),
  /** How many setups count on it. */
  usedBySetups: z.number(),
  /** Why it is not to be had now. */
  absence: absenceSchema.nullable(),
  /** What nobody wrote down, and would have to be known. */
  unsaid: z.array(z.string()),
})
export type AbleThing = z.infer<typeof ableThingSchema>

/** "holds:2000,picture-in" as a list of what is wanted. */
const wantsQuerySchema = z.string().transform((text, context) => {
  const read = z
    .array(wantedAbilitySchema)
    .min(1)
    .max(4)
    .safeParse(
      text.split(',').map((part) => {
        const [code, least] = part.split(':')
        return { code, ...(least === undefined ? {} : { least: Number(least) }) }
      }),
    )
  if (read.success) return read.data
  context.addIssue({ code: 'custom', message: `Ask for some of: ${ABILITY_CODES.join(', ')}.` })
  return z.NEVER
})

/** What is wanted as it stands in an address. */
export const writeWants = (wants: readonly { code: AbilityCode; least: number }[]): string =>
  wants.map(({ code, least }) => (least > 0 ? `${code}:${least}` : code)).join(',')

/** Routes of looking through what is here. */
export const ableContract = defineContract('setups', {
  'get /able': {
    summary: 'What of the kit could do something, whatever it was bought for, and of what nobody knows',
    permission: 'see-studio',
    query: z.object({ wants: wantsQuerySchema }),
    reply: z.object({
      able: z.array(ableThingSchema),
      /** Of these something would have to be known. */
      perhaps: z.array(ableThingSchema),
    }),
  },
})
