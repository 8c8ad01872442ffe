import { z } from 'zod'
import type { FindingLevel } from '../studio/finding.ts'
import { findingLevelSchema } from '../studio/finding.ts'
import { amount } from '../studio/people/secrecy.ts'
export const TODAY_SECTIONS = ['next', 'before', 'out', 'collides', 'decide'] as const
export type TodaySection = (typeof TODAY_SECTIONS)[number]
/** One line of Today, in the section that asks its question. */
export const todayItemSchema = z
  .object({
    key: z.string(),
    level: findingLevelSchema,
  })
  .and(
    z.discriminatedUnion('code', [
      z.object({
        section: z.literal('next'),
        code: z.literal('shoot'),
        bookingId: z.string(),
        setupId: z.string().nullable(),
        title: z.string(),
        startsAt: z.string(),
        place: z.string(),
        people: z.array(z.string()),
        stops: z.number(),
        checks: z.number(),
        state: z.string(),
      }),
      z.object({
        section: z.literal('before'),
        code: z.literal('charge'),
        family: z.string(),
        packs: z.number(),
        bookingId: z.string(),
        title: z.string(),
        startsAt: z.string(),
      }),
      z.object({
        section: z.literal('before'),
        code: z.literal('buy'),
        item: z.string(),
        quantity: z.number(),
        reason: z.string(),
        lineId: z.string().nullable(),
      }),
      z.object({
        section: z.literal('before'),
        code: z.literal('mend'),
        unitId: z.string(),
        tag: z.string(),
        name: z.string(),
        title: z.string(),
        startsAt: z.string(),
        note: z.string(),
      }),
      z.object({
        section: z.literal('before'),
        code: z.literal('service'),
        /** What is done: a plan, to so many things at once; null is a thing's own interval. */
        plan: z.string().nullable(),
        things: z.number(),
        tag: z.string(),
        name: z.string(),
        dueOn: z.string(),
        daysLeft: z.number(),
      }),
      z.object({
        section: z.literal('before'),
        code: z.literal('fetch'),
        bookingId: z.string(),
        title: z.string(),
        pieces: z.number(),
        places: z.number(),
        startsAt: z.string(),
      }),
      z.object({
        section: z.literal('out'),
        code: z.literal('out'),
        bookingId: z.string(),
        title: z.string(),
        pieces: z.number(),
        people: z.array(z.string()),
        endsAt: z.string(),
        isLate: z.boolean(),
      }),
      z.object({
        section: z.literal('out'),
        code: z.literal('loan'),
        unitId: z.string(),
        tag: z.string(),
        name: z.string(),
        owner: z.string(),
        dueOn: z.string(),
        daysLeft: z.number(),
        bookedFor: z
          .object({
            bookingId: z.string(),
            title: z.string(),
            startsAt: z.string(),
          })
          .nullable(),
      }),
      z.object({
        section: z.literal('collides'),
        code: z.literal('collision'),
        /** All that both bookings want at once, things first. */
        wanted: z.array(z.object({ subject: z.enum(['unit', 'place', 'person']), label: z.string() })),
        from: z.number(),
        until: z.number(),
        bookings: z.array(
          z.object({
            id: z.string(),
            title: z.string(),
          }),
        ),
      }),
      z.object({
        section: z.literal('collides'),
        code: z.literal('stock'),
        label: z.string(),
        wanted: z.number(),
        have: z.number(),
        at: z.number(),
      }),
      z.object({
        section: z.literal('decide'),
        code: z.literal('fault'),
        unitId: z.string(),
        tag: z.string(),
        name: z.string(),
        note: z.string(),
        days: z.number(),
      }),
      z.object({
        section: z.literal('decide'),
        code: z.literal('fault-again'),
        unitId: z.string(),
        tag: z.string(),
        name: z.string(),
        note: z.string(),
        /** Within a year, this one among them. */
        times: z.number(),
      }),
      z.object({
        section: z.literal('before'),
        code: z.literal('repair'),
        unitId: z.string(),
        tag: z.string(),
        name: z.string(),
        /** It is back and not tried; its claim runs out; a price waits for yes or no; it is late. */
        what: z.enum(['try', 'claim', 'quote', 'late']),
        on: z.string().nullable(),
      }),
      z.object({
        section: z.literal('before'),
        code: z.literal('recheck'),
        unitId: z.string(),
        tag: z.string(),
        name: z.string(),
        text: z.string(),
        recheckOn: z.string(),
      }),
      z.object({
        section: z.literal('before'),
        code: z.literal('supply'),
        tag: z.string(),
        name: z.string(),
        /** The session for which too little is there, or none that is still good. */
        shortOn: z.string().nullable(),
        missing: z.number(),
        orderBy: z.string().nullable(),
        source: z.string(),
        secondSource: z.string(),
        expiresOn: z.string().nullable(),
        isExpired: z.boolean(),
      }),
      z.object({
        section: z.literal('decide'),
        code: z.literal('warranty'),
        unitId: z.string(),
        tag: z.string(),
        name: z.string(),
        until: z.string(),
        terms: z.string(),
        /** It has an open fault. */
        isFaulty: z.boolean(),
      }),
      z.object({
        section: z.literal('decide'),
        code: z.literal('wish'),
        wishId: z.string(),
        name: z.string(),
        /** It served long enough to say whether it cured anything, or what it waited for has had its day. */
        why: z.enum(['outcome', 'waited']),
        on: z.string(),
        waitsFor: z.string(),
      }),
      z.object({
        section: z.literal('decide'),
        code: z.literal('budget'),
        totalMinor: amount(z.number()),
        budgetMinor: amount(z.number()),
        year: z.number(),
      }),
      z.object({
        section: z.literal('before'),
        code: z.literal('season'),
        unitId: z.string(),
        tag: z.string(),
        name: z.string(),
        season: z.string(),
        deed: z.enum(['put-out', 'put-away']),
        /** Setups in which it stands. */
        setups: z.array(z.string()),
      }),
      z.object({
        section: z.literal('decide'),
        code: z.literal('idle'),
        unitId: z.string(),
        tag: z.string(),
        name: z.string(),
        days: z.number(),
        priceMinor: amount(z.number().nullable()),
      }),
    ]),
  )
export type TodayItem = z.infer<typeof todayItemSchema>

export const todaySectionSchema = z.enum(TODAY_SECTIONS)

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

const ORDER: Record<FindingLevel, number> = {
  stop: 0,
  'unknown-stop': 1,
  warn: 2,
  unknown: 3,
  advise: 4,
  ok: 5,
}

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
    case 'warranty':
      return item.until
    case 'wish':
      return item.on
    case 'repair':
      return item.on ?? ''
    case 'recheck':
      return item.recheckOn
    case 'supply':
      return item.orderBy ?? item.shortOn ?? item.expiresOn ?? ''
    case 'fault-again':
    case 'fault':
    case 'budget':
    case 'season':
    case 'idle':
      return item.key
    default:
      return item satisfies never
  }
}
