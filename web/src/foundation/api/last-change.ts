/** Which change each reply was of, so that the note about it takes back that one and no other. */
const changeOf = new WeakMap<object, number>()
/** Changes of this page: what the server tells of them is known already. */
const own = new Set<number>()

/** Remembers the change that a reply was of, by its header. Null where it was none. */
export function noteChange(reply: unknown, header: string | null): number | null {
  if (!header || !/^\d+$/.test(header)) return null
  const changeId = Number(header)
  own.add(changeId)
  if (typeof reply === 'object' && reply !== null) changeOf.set(reply, changeId)
  return changeId
}

export function findChange(reply: unknown): number | null {
  return typeof reply === 'object' && reply !== null ? (changeOf.get(reply) ?? null) : null
}

export const isOwnChange = (changeId: number): boolean => own.has(changeId)
