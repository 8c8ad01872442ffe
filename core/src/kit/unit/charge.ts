import { z } from 'zod'
import { idSchema } from '../../studio/identity.ts'
import { countDays, dateSchema } from '../../units/wall-time.ts'
import { isKindOf } from '../model/category.ts'
import type { Model } from '../model/model.ts'

/** What somebody saw last of what a pack holds: it came off the charger, or it was worked from. Never measured, only said. */
export const chargeSchema = z.object({ state: z.enum(['full', 'used']), on: dateSchema })
export type Charge = z.infer<typeof chargeSchema>

/** Several that came off their chargers, or were worked from, on one day. */
export const newChargesSchema = z.object({
  unitIds: z.array(idSchema).min(1, 'Which of them?').max(200),
  ...chargeSchema.shape,
})
export type NewCharges = z.infer<typeof newChargesSchema>

/** Lying longer than that, a full pack is not counted on as full. Common practice: they lose some of it lying. */
const DAYS_FULL = 30
/** After so many days nobody knows: packs are charged after work, whether or not somebody says so. Common practice. */
const DAYS_USED = 3

const OWN_PACK = ['phone', 'tablet', 'computer'] as const

/** Whether it holds what it was charged with: a pack, or what has one inside. */
export function holdsCharge({ category, specs }: Pick<Model, 'category' | 'specs'>): boolean {
  return category === 'pack' || specs.more.fedBy === 'own pack' || OWN_PACK.some((kind) => isKindOf(category, kind))
}

/** Whether something is full on a day, as far as anybody said: what was said too long ago, or of a day to come, says nothing. */
export function readCharge(charge: Charge | null, today: string): Charge['state'] | 'unsaid' {
  if (!charge) return 'unsaid'
  const days = countDays(charge.on, today)
  if (days < 0) return 'unsaid'
  return days <= (charge.state === 'full' ? DAYS_FULL : DAYS_USED) ? charge.state : 'unsaid'
}
