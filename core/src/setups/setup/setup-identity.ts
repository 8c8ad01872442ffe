import { TAPES, type Tape } from './setup.ts'

/** The next two letters from a name that no setup has, and the next tape nobody uses. */
export function suggestIdentity(
  name: string,
  used: readonly { code: string; tape: string }[],
): { code: string; tape: Tape } {
  const letters = name.toUpperCase().replace(/[^A-Z ]/g, '')
  const words = letters.split(' ').filter(Boolean)
  const wanted = [
    (words[0]?.[0] ?? '') + (words[1]?.[0] ?? ''),
    (words[0] ?? '').slice(0, 2),
    ...[...letters.replace(/ /g, '')].map((letter) => (words[0]?.[0] ?? '') + letter),
  ]
  const taken = new Set(used.map((it) => it.code))
  const code = wanted.find((it) => /^[A-Z]{2}$/.test(it) && !taken.has(it)) ?? 'XX'
  const counts = TAPES.map((tape) => used.filter((it) => it.tape === tape).length)
  return { code, tape: TAPES[counts.indexOf(Math.min(...counts))] ?? 'slate' }
}
