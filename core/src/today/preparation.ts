import type { Purchase } from '../setups/checks/check.ts'
import type { Finding } from '../setups/verdict/finding.ts'
import type { Readiness } from '../setups/verdict/readiness.ts'
import { addDays } from '../units/wall-time.ts'
import type { TodayItem } from './today.ts'

/** A booking ahead with what is found about its setup, and what of that can only be bought. */
export interface AheadBooking {
  id: string
  title: string
  startsAt: string
  readiness: Pick<Readiness, 'findings' | 'workings'> | null
  toBuy: readonly { finding: Finding; buy: Purchase }[]
}

/** Packs are charged for what is shot within so many days. */
const CHARGE_DAYS = 2

/** What has to be mended, bought and charged before the bookings ahead, each once, for the first that wants it. */
export function listPreparations(
  ahead: readonly AheadBooking[],
  today: string,
  labelOf: (code: string) => string,
): TodayItem[] {
  const items = ahead.flatMap((booking) => [
    ...(booking.readiness?.findings ?? []).flatMap((finding) => makeMending(finding, booking) ?? []),
    ...booking.toBuy.map((it) => makePurchase(it, booking)),
    ...listCharging(booking, today, labelOf),
  ])
  return keepFirst(items)
}

function keepFirst(items: readonly TodayItem[]): TodayItem[] {
  const seen = new Set<string>()
  return items.filter(({ key }) => !seen.has(key) && seen.add(key))
}

function makeMending(finding: Finding, { title, startsAt }: AheadBooking): TodayItem | null {
  if (finding.code !== 'thing-absent') return null
  const { absence, unitId, tag, name, level } = finding
  if (absence.reason !== 'state' && absence.reason !== 'fault') return null
  const note = absence.reason === 'fault' ? absence.note : 'In repair or away'
  return { key: `mend/${unitId}`, level, section: 'before', code: 'mend', unitId, tag, name, title, startsAt, note }
}

function makePurchase({ finding, buy }: AheadBooking['toBuy'][number], { title }: AheadBooking): TodayItem {
  const reason = `${finding.code === 'need-unmet' ? `for ${finding.tag}, ` : ''}${title}`
  const { item, quantity } = buy
  return { key: `buy/${item}`, level: 'stop', section: 'before', code: 'buy', item, quantity, reason, lineId: null }
}

function listCharging(
  { id, title, startsAt, readiness }: AheadBooking,
  today: string,
  labelOf: (code: string) => string,
): TodayItem[] {
  if (startsAt.slice(0, 10) > addDays(today, CHARGE_DAYS)) return []
  return (readiness?.workings ?? []).flatMap((working): TodayItem[] =>
    working.formula === 'pack-hours' && working.uncharged > 0
      ? [
          {
            key: `charge/${working.family}`,
            level: 'advise',
            section: 'before',
            code: 'charge',
            family: labelOf(working.family),
            packs: working.uncharged,
            bookingId: id,
            title,
            startsAt,
          },
        ]
      : [],
  )
}

/** What is on the shopping list already is not asked for a second time. */
export function withoutListed(items: readonly TodayItem[]): TodayItem[] {
  const listed = new Set(items.flatMap((it) => (it.code === 'buy' && it.lineId ? [it.item] : [])))
  return items.filter((it) => it.code !== 'buy' || it.lineId !== null || !listed.has(it.item))
}
