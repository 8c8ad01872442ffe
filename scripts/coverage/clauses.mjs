// How many clauses each need has, by its letter: the first digit is that of need 01, and so on. A need is met when each of its clauses
// is shown by a test that somebody could have made who starts from nothing.
const COUNTS = {
  A: '21422223222211113122222',
  B: '122232222212213231121212311223',
  C: '121222122113221222212112222212111212',
  D: '112212212212221111',
  E: '2122111321211132',
  F: '332112111132212221222112131212222',
  G: '13212212222213223112112211221211122111111221112211',
  H: '21122212143322112111111122',
  I: '121322111211121111111',
  J: '2313111211211111112111',
  K: '211121211112111112',
  L: '1211112111111211111111',
  M: '211111111111',
  N: '1321221122111121112111',
  O: '31212212122121212121122111111111111111111',
  P: '22111111211131',
  Q: '111111111111111',
  S: '33222142212111211111111111111111',
}

/** How many clauses a need has; 0 for one that there is not. */
export function countClauses(need) {
  return Number(COUNTS[need[0]]?.[Number(need.slice(1)) - 1] ?? 0)
}

export const NEEDS_IN_ALL = Object.values(COUNTS).reduce((sum, it) => sum + it.length, 0)
