import type { Fixture, NewPlace } from './place.ts'

/** Something that a place had and another has not: a bar, a clip, a socket near the ceiling, a switchable light. */
export interface Missed {
  text: string
  of: 'bar' | 'ceiling-socket' | 'fixture' | 'circuit'
}

/** A socket from this height on was put there for hung lamps. */
const CEILING_MM = 1800

/** What a move from one place to another would leave behind, as open wishes for the new one. Same names count as there. */
export function listMissed(old: NewPlace, next: NewPlace): Missed[] {
  const has = (list: readonly { name: string }[], name: string) =>
    list.some((it) => it.name.toLowerCase() === name.toLowerCase())
  const useful = (it: Fixture) => it.kind === 'light' && it.canSwitchOff
  const highOld = old.details.sockets.filter((it) => it.zMm >= CEILING_MM)
  const highNext = next.details.sockets.filter((it) => it.zMm >= CEILING_MM)
  const wished = (text: string) => next.details.wishes.some((it) => it.text === text)
  const missed: Missed[] = [
    ...old.details.bars
      .filter((it) => !has(next.details.bars, it.name))
      .map((it): Missed => ({ of: 'bar', text: `${it.name}, as in ${old.name}` })),
    ...(highOld.length > highNext.length
      ? [
          {
            of: 'ceiling-socket' as const,
            text: `${highOld.length - highNext.length} sockets up high, as in ${old.name}`,
          },
        ]
      : []),
    ...old.details.fixtures
      .filter((it) => useful(it) && !has(next.details.fixtures, it.name))
      .map((it): Missed => ({ of: 'fixture', text: `${it.name}, as in ${old.name}` })),
    ...(old.circuits.length > next.circuits.length
      ? [
          {
            of: 'circuit' as const,
            text: `${old.circuits.length - next.circuits.length} more circuits, as in ${old.name}`,
          },
        ]
      : []),
  ]
  return missed.filter((it) => !wished(it.text))
}
