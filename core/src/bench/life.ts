import { z } from 'zod'
import { amount } from '../studio/people/secrecy.ts'

/** One month of a thing's life. */
export const lifeMonthSchema = z.object({
  /** `yyyy-mm`. */
  month: z.string(),
  uses: z.number(),
  /** Faults that were reported, and how many of them made it unusable. */
  faults: z.number(),
  failures: z.number(),
  services: z.number(),
  /** What was spent on it, less what came in; what it was bought for as well, where the ledger has it. */
  costMinor: amount(z.number()),
})
export type LifeMonth = z.infer<typeof lifeMonthSchema>

/** What happened to a thing, each with its day. */
export interface LifeFacts {
  /** The day on which it came; null where nobody knows: then its first happening. */
  from: string | null
  until: string
  uses: readonly { day: string; uses: number }[]
  faults: readonly { day: string; isFailure: boolean }[]
  services: readonly string[]
  costs: readonly { day: string; minor: number }[]
}

/** No more months than that are shown: the latest. */
const MOST_MONTHS = 48

const monthOf = (day: string) => day.slice(0, 7)

function nextMonth(month: string): string {
  const [year, number] = month.split('-').map(Number) as [number, number]
  return number === 12 ? `${year + 1}-01` : `${year}-${String(number + 1).padStart(2, '0')}`
}

/**
 * A thing's life by months, from the one in which it came to this one, empty months too; the latest four years of it. What happened
 * before it came, as it was recorded, begins it earlier. Nothing where nothing is known of it.
 */
export function tellLife({ from, until, uses, faults, services, costs }: LifeFacts): LifeMonth[] {
  const days = [...uses, ...faults, ...costs].map((it) => it.day)
  const all = [...days, ...services, ...(from === null ? [] : [from])].filter((it) => it <= until)
  const [first] = all.sort()
  if (first === undefined) return []
  const months: LifeMonth[] = []
  for (let month = monthOf(first); month <= monthOf(until); month = nextMonth(month)) {
    const isOwn = (it: { day: string }) => monthOf(it.day) === month
    const own = faults.filter(isOwn)
    months.push({
      month,
      uses: uses.filter(isOwn).reduce((sum, it) => sum + it.uses, 0),
      faults: own.length,
      failures: own.filter((it) => it.isFailure).length,
      services: services.filter((it) => monthOf(it) === month).length,
      costMinor: costs.filter(isOwn).reduce((sum, it) => sum + it.minor, 0),
    })
  }
  return months.slice(-MOST_MONTHS)
}
