import { z } from 'zod'
import { countDays } from '../../units/wall-time.ts'
import { sayNumber } from '../../units/wording.ts'

/** What somebody's things and repairs came to. */
export const vendorRecordSchema = z.object({
  /** Things that came from them, and of those that served a year or failed before it how many did fail. */
  things: z.number(),
  judged: z.number(),
  failed: z.number(),
  /** Orders that they cancelled. */
  cancelled: z.number(),
  /** Repairs that came back, and the middle of how many days each took; null where none did. */
  repairs: z.number(),
  medianDays: z.number().nullable(),
  /** Those that came later than was said, of those of which a day was said. */
  late: z.number(),
  promised: z.number(),
})
export type VendorRecord = z.infer<typeof vendorRecordSchema>

export interface VendorFacts {
  /** Since when each thing is here, and when it first could not be used. */
  things: readonly { acquiredOn: string | null; failedOn: string | null }[]
  cancelled: number
  repairs: readonly { sentOn: string | null; dueOn: string | null; backOn: string | null }[]
}

const YEAR = 365

/**
 * How a shop or mender did: what failed within a year of coming, of what is a year old or failed before; how long repairs took. Young
 * things that work say nothing yet, and what came back on its day is not late.
 */
export function recordVendor({ things, cancelled, repairs }: VendorFacts, today: string): VendorRecord {
  const failedEarly = (it: VendorFacts['things'][number]) =>
    it.acquiredOn !== null && it.failedOn !== null && countDays(it.acquiredOn, it.failedOn) <= YEAR
  const judged = things.filter(
    (it) => failedEarly(it) || (it.acquiredOn !== null && countDays(it.acquiredOn, today) >= YEAR),
  )
  const back = repairs.flatMap(({ sentOn, backOn }) => (sentOn && backOn ? [countDays(sentOn, backOn)] : []))
  const days = back.sort((a, b) => a - b)
  const middle = days.length / 2
  const promised = repairs.filter((it) => it.dueOn !== null && (it.backOn !== null || it.dueOn < today))
  return {
    things: things.length,
    judged: judged.length,
    failed: judged.filter(failedEarly).length,
    cancelled,
    repairs: days.length,
    medianDays: days.length === 0 ? null : ((days[Math.ceil(middle) - 1] ?? 0) + (days[Math.floor(middle)] ?? 0)) / 2,
    late: promised.filter((it) => (it.backOn ?? today) > (it.dueOn ?? '')).length,
    promised: promised.length,
  }
}

/** The record in one sentence; blank where there is nothing to go by. */
export function sayVendorRecord(it: VendorRecord): string {
  const parts = [
    it.things > 0 && `${sayNumber(it.things, 'thing')} from them`,
    it.judged > 0
      ? it.failed === 0
        ? `none of ${it.judged} failed within a year`
        : `${it.failed} of ${it.judged} failed within a year`
      : it.things > 0 && 'none a year old yet',
    it.cancelled > 0 && `${sayNumber(it.cancelled, 'order')} cancelled`,
    it.medianDays !== null &&
      `${sayNumber(it.repairs, 'repair')}, ${sayNumber(it.medianDays, 'day')}${it.repairs > 1 ? ' in the middle' : ''}`,
    it.promised > 0 && `${it.late} of ${it.promised} late`,
  ]
  const said = parts.filter(Boolean).join('; ')
  return said === '' ? '' : `${said}.`
}
