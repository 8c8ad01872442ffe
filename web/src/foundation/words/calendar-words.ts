const day = new Intl.DateTimeFormat('en-GB', { weekday: 'short', day: 'numeric', month: 'short', timeZone: 'UTC' })
const dayWithYear = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
})
const longDay = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone: 'UTC' })

/** A plain date or wall time belongs to no zone; formatted as UTC it stays what it is. */
function toDate(wall: string): Date {
  return new Date(`${wall.length === 10 ? `${wall}T00:00` : wall}:00Z`)
}

export const sayDay = (date: string): string => day.format(toDate(date.slice(0, 10))).replace(',', '')
export const sayDayWithYear = (date: string): string => dayWithYear.format(toDate(date.slice(0, 10)))
export const sayLongDay = (date: string): string => longDay.format(toDate(date)).replace(',', '')
export const sayTime = (wall: string): string => wall.slice(11, 16)
export const sayWall = (wall: string): string => `${sayDay(wall)} ${sayTime(wall)}`

const wallFormats = new Map<string, Intl.DateTimeFormat>()

/** Made once for each zone: making one takes fifty times as long as using it. */
function findWallFormat(timeZone: string): Intl.DateTimeFormat {
  const known = wallFormats.get(timeZone)
  if (known) return known
  const made = new Intl.DateTimeFormat('sv-SE', { dateStyle: 'short', timeStyle: 'short', timeZone })
  wallFormats.set(timeZone, made)
  return made
}

/** Wall time `YYYY-MM-DDTHH:mm` of an instant in a zone, by the browser's own tables. */
export function toWall(epochMs: number, zone: string): string {
  return findWallFormat(zone).format(epochMs).replace(' ', 'T')
}

export function shiftDate(date: string, days: number): string {
  const at = toDate(date)
  at.setUTCDate(at.getUTCDate() + days)
  return at.toISOString().slice(0, 10)
}
