import type { FindingLevel } from '../studio/finding.ts'

/** One line of Today, in the section that asks its question. */
export type TodayItem = { key: string; level: FindingLevel } & (
  | {
      section: 'next'
      code: 'shoot'
      bookingId: string
      setupId: string | null
      title: string
      startsAt: string
      place: string
      people: string[]
      stops: number
      checks: number
      state: string
    }
  | {
      section: 'before'
      code: 'charge'
      family: string
      packs: number
      bookingId: string
      title: string
      startsAt: string
    }
  | { section: 'before'; code: 'buy'; item: string; quantity: number; reason: string; lineId: string | null }
  | {
      section: 'before'
      code: 'mend'
      unitId: string
      tag: string
      name: string
      title: string
      startsAt: string
      note: string
    }
  | { section: 'before'; code: 'service'; unitId: string; tag: string; name: string; dueOn: string; daysLeft: number }
  | {
      section: 'before'
      code: 'fetch'
      bookingId: string
      title: string
      pieces: number
      places: number
      startsAt: string
    }
  | {
      section: 'out'
      code: 'out'
      bookingId: string
      title: string
      pieces: number
      people: string[]
      endsAt: string
      isLate: boolean
    }
  | {
      section: 'out'
      code: 'loan'
      unitId: string
      tag: string
      name: string
      owner: string
      dueOn: string
      daysLeft: number
      bookedFor: { bookingId: string; title: string; startsAt: string } | null
    }
  | {
      section: 'collides'
      code: 'collision'
      subject: 'unit' | 'place' | 'person'
      label: string
      from: number
      until: number
      bookings: { id: string; title: string }[]
    }
  | { section: 'collides'; code: 'stock'; label: string; wanted: number; have: number; at: number }
  | { section: 'decide'; code: 'fault'; unitId: string; tag: string; name: string; note: string; days: number }
  | { section: 'decide'; code: 'budget'; totalMinor: number; budgetMinor: number; year: number }
  | {
      section: 'before'
      code: 'season'
      unitId: string
      tag: string
      name: string
      season: string
      deed: 'put-out' | 'put-away'
      /** Setups in which it stands. */
      setups: string[]
    }
  | {
      section: 'decide'
      code: 'idle'
      unitId: string
      tag: string
      name: string
      days: number
      priceMinor: number | null
    }
)

export const TODAY_SECTIONS = ['next', 'before', 'out', 'collides', 'decide'] as const
export type TodaySection = (typeof TODAY_SECTIONS)[number]

/** Puts the items of each section in the order in which they press; the same items always come out the same. */
export function arrangeToday(items: readonly TodayItem[]): Record<TodaySection, TodayItem[]> {
  const sections = Object.fromEntries(TODAY_SECTIONS.map((section) => [section, [] as TodayItem[]]))
  for (const item of items) sections[item.section]?.push(item)
  for (const list of Object.values(sections)) {
    list.sort(
      (a, b) =>
        order(a) - order(b) || (moment(a) < moment(b) ? -1 : moment(a) > moment(b) ? 1 : 0) || (a.key < b.key ? -1 : 1),
    )
  }
  return sections as Record<TodaySection, TodayItem[]>
}

const ORDER: Record<FindingLevel, number> = { stop: 0, warn: 1, unknown: 2, advise: 3, ok: 4 }

/** Shoots stand by time; everything else by how bad it is. */
function order(item: TodayItem): number {
  return item.section === 'next' ? 0 : ORDER[item.level]
}

function moment(item: TodayItem): string {
  switch (item.code) {
    case 'shoot':
    case 'charge':
    case 'mend':
    case 'fetch':
      return item.startsAt
    case 'service':
    case 'loan':
      return item.dueOn
    case 'out':
      return item.endsAt
    case 'collision':
      return new Date(item.from).toISOString()
    case 'stock':
      return new Date(item.at).toISOString()
    case 'buy':
      return item.item
    case 'fault':
    case 'budget':
    case 'season':
    case 'idle':
      return item.key
    default:
      return item satisfies never
  }
}
