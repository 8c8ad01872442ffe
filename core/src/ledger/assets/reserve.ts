import type { Group } from '../../kit/model/category.ts'
import { addMonths } from '../../units/wall-time.ts'

/** How long such things usually serve, in years. Common practice, from memory; everybody changes them. */
export const USUAL_LIFE: Readonly<Record<Group, number>> = {
  camera: 5,
  light: 8,
  sound: 8,
  support: 15,
  power: 4,
  media: 4,
  set: 10,
}

/** Something that will have served its time, and what another costs; null where nobody knows. */
export interface Ending {
  id: string
  endsOn: string | null
  costMinor: number | null
}

/** What is to be put by each month so that whatever ends is paid for when it does. */
export interface Reserve {
  perMonthMinor: number
  /** Until when what is put by is all needed: the month that asks for most. Null where nothing ends. */
  decidedBy: string | null
  /** Twelve quarters, each by its last month: what ends in it, and what others cost. */
  quarters: { until: string; minor: number; ids: string[] }[]
  /** Of these nobody knows when, or what another costs: they are in no sum. */
  unknown: string[]
}

const MONTHS = 36

/**
 * The least even sum a month with which nothing that ends within three years comes short, from what is there already. What has served its
 * time counts as ending within a month. Whole minor units, rounded up; `today` is `yyyy-mm-dd`.
 */
export function planReserve(endings: readonly Ending[], today: string, haveMinor = 0): Reserve {
  const costs = Array.from({ length: MONTHS + 1 }, () => 0)
  const quarters = Array.from({ length: MONTHS / 3 }, (_, at) => ({
    until: addMonths(`${today.slice(0, 7)}-01`, at * 3 + 3).slice(0, 7),
    minor: 0,
    ids: [] as string[],
  }))
  const unknown: string[] = []
  for (const { id, endsOn, costMinor } of endings) {
    if (endsOn === null || costMinor === null) {
      unknown.push(id)
      continue
    }
    const month = Math.max(1, countMonths(today, endsOn))
    if (month > MONTHS) continue
    costs[month] = (costs[month] ?? 0) + costMinor
    const quarter = quarters[Math.floor((month - 1) / 3)]
    if (!quarter) continue
    quarter.minor += costMinor
    quarter.ids.push(id)
  }
  let sum = 0
  let perMonthMinor = 0
  let decidedBy: string | null = null
  for (let month = 1; month <= MONTHS; month++) {
    sum += costs[month] ?? 0
    const asked = Math.ceil((sum - haveMinor) / month)
    if (asked <= perMonthMinor) continue
    perMonthMinor = asked
    decidedBy = addMonths(`${today.slice(0, 7)}-01`, month).slice(0, 7)
  }
  return { perMonthMinor, decidedBy, quarters, unknown }
}

const countMonths = (from: string, to: string) =>
  (Number(to.slice(0, 4)) - Number(from.slice(0, 4))) * 12 + Number(to.slice(5, 7)) - Number(from.slice(5, 7))
