/** A backup as retention sees it. */
export interface Kept {
  name: string
  takenAt: number
  isAutomatic: boolean
}

export interface Retention {
  keepDaily: number
  keepWeekly: number
  keepMonthly: number
}

const DAY = 86_400_000

/**
 * Which automatic backups may go: kept are the newest of each of the last so many days, weeks and months that have
 * one (UTC; weeks begin on Monday as in ISO 8601). What a person made by hand is never dropped, nor the newest one.
 */
export function listBackupsToDrop(
  backups: readonly Kept[],
  { keepDaily, keepWeekly, keepMonthly }: Retention,
): string[] {
  const automatic = backups.filter((it) => it.isAutomatic).sort((a, b) => b.takenAt - a.takenAt)
  const kept = new Set<string>(automatic.slice(0, 1).map((it) => it.name))
  const keepNewestOf = (count: number, periodOf: (takenAt: number) => string) => {
    const seen = new Set<string>()
    for (const { name, takenAt } of automatic) {
      const period = periodOf(takenAt)
      if (seen.has(period)) continue
      if (seen.size >= count) break
      seen.add(period)
      kept.add(name)
    }
  }
  keepNewestOf(keepDaily, (at) => String(Math.floor(at / DAY)))
  // 1 January 1970 was a Thursday, so Mondays lie three days off the multiples of seven.
  keepNewestOf(keepWeekly, (at) => String(Math.floor((at / DAY + 3) / 7)))
  keepNewestOf(keepMonthly, (at) => new Date(at).toISOString().slice(0, 7))
  return automatic.filter((it) => !kept.has(it.name)).map((it) => it.name)
}

/**
 * An automatic backup is due a day after the last one; reached is due. So is one where the last lies in the future: the
 * clock was set back, and nobody waits until it has caught up.
 */
export function isBackupDue(newestAutomaticAt: number | null, now: number): boolean {
  return newestAutomaticAt === null || now - newestAutomaticAt >= DAY || newestAutomaticAt > now
}
