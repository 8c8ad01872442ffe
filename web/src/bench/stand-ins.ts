import type { NewReading } from '@exemplar/core'

/** How a simulated device behaves: as it should, or as devices do. */
export const BEHAVIOURS = {
  well: 'All goes well',
  unplugged: 'Taken out before it was full',
  late: 'Its reading comes a day late',
  twice: 'It tells the same twice',
  absurd: 'It tells nonsense',
} as const
export type Behaviour = keyof typeof BEHAVIOURS

/** What a simulated device needs to know of what is in it. */
export interface Plugged {
  tag: string
  ratedMilliwattHours: number | null
  healthPercent: number | null
  cycles: number | null
}

const DAY_MS = 86_400_000
/** What a charger loses in measuring, so that it tells a little less than there is. */
const MEASURED = 0.99

/**
 * A simulated charger that empties a pack, fills it again and tells what it gave: the readings that it sends, in their order. It ships
 * in the place of a real one, and speaks to the same route.
 */
export function simulateCharger(
  { tag, ratedMilliwattHours, healthPercent, cycles }: Plugged,
  behaviour: Behaviour,
  now: number,
  number: string,
): NewReading[] {
  const full = Math.round((ratedMilliwattHours ?? 50_000) * ((healthPercent ?? 100) / 100) * MEASURED)
  const tell = (state: 'full' | 'unplugged', milliwattHours: number | null): NewReading => ({
    deviceId: 'Simulated charger',
    number,
    tag,
    at: behaviour === 'late' ? now - DAY_MS : now,
    reading: { kind: 'charger', state, milliwattHours, cycles: cycles === null ? null : cycles + 1 },
  })
  switch (behaviour) {
    case 'unplugged':
      return [tell('unplugged', null)]
    case 'twice':
      return [tell('full', full), tell('full', full)]
    case 'absurd':
      return [tell('full', full * 9)]
    default:
      return [tell('full', full)]
  }
}

/** A simulated socket that measures what is on it: what it draws, and for how long it has been on. */
export function simulateSocket(
  tag: string,
  { milliwatts, hours }: { milliwatts: number; hours: number },
  behaviour: Behaviour,
  now: number,
  number: string,
): NewReading[] {
  const tell = (): NewReading => ({
    deviceId: 'Simulated socket',
    number,
    tag,
    at: behaviour === 'late' ? now - DAY_MS : now,
    reading: {
      kind: 'socket',
      milliwatts: behaviour === 'absurd' ? -milliwatts : milliwatts,
      onSeconds: behaviour === 'unplugged' ? 0 : Math.round(hours * 3600),
    },
  })
  return behaviour === 'twice' ? [tell(), tell()] : [tell()]
}
