import { z } from 'zod'

const month = z.number().int().min(1).max(12)

/** The months in which a prop or backdrop is shown, both included; from November to January goes over the new year. */
export const seasonSchema = z.object({ from: month, to: month })
export type Season = z.infer<typeof seasonSchema>

export const MONTH_NAMES = [
  'January',
  'February',
  'March',
  'April',
  'May',
  'June',
  'July',
  'August',
  'September',
  'October',
  'November',
  'December',
] as const

export function isInSeason({ from, to }: Season, date: string): boolean {
  const now = Number(date.slice(5, 7))
  return from <= to ? from <= now && now <= to : now >= from || now <= to
}

/** What is to be done with a thing of a season: put it out when its time has come, away when it is over. */
export function checkSeason(season: Season, date: string, stands: boolean): 'put-out' | 'put-away' | null {
  const isIn = isInSeason(season, date)
  if (isIn === stands) return null
  return isIn ? 'put-out' : 'put-away'
}

/** "November to January", "May". */
export function saySeason({ from, to }: Season): string {
  const first = MONTH_NAMES[from - 1] ?? ''
  return from === to ? first : `${first} to ${MONTH_NAMES[to - 1]}`
}
