import type { TimeWords, UnitSystem } from '@exemplar/core'
import { useMemo } from 'react'
import { useStudioQuery } from '../api/api.ts'
import { sayDay, sayWall, toWall } from './calendar-words.ts'

/** How the studio writes instants and days; UTC until its zone is known. */
export function useTimeWords(): TimeWords & {
  sayWall(wall: string): string
  today: string
  zone: string
  system: UnitSystem
} {
  const { data } = useStudioQuery()
  const zone = data?.zone ?? 'UTC'
  const now = data?.now ?? 0
  const system = data?.unitSystem ?? 'metric'
  return useMemo(
    () => ({
      sayInstant: (epochMs: number) => sayWall(toWall(epochMs, zone)),
      sayDay,
      sayWall,
      today: now ? toWall(now, zone).slice(0, 10) : '',
      zone,
      system,
    }),
    [zone, now, system],
  )
}
