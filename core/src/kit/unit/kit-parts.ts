import { LIFE_STATES, type Unit } from './unit.ts'

type Kin = Pick<Unit, 'id' | 'parentId'>

/** A thing with everything that goes with it, however deep, itself first; each once. */
export function listWithParts<T extends Kin>(id: string, units: readonly T[]): string[] {
  const childrenOf = new Map<string, string[]>()
  for (const it of units) {
    if (it.parentId === null) continue
    childrenOf.set(it.parentId, [...(childrenOf.get(it.parentId) ?? []), it.id])
  }
  const found = [id]
  for (const it of found) for (const child of childrenOf.get(it) ?? []) if (!found.includes(child)) found.push(child)
  return found
}

/** Whether a thing may go with another: not with itself, nor with what goes with it already. */
export function canGoWith<T extends Kin>(id: string, parentId: string, units: readonly T[]): boolean {
  return !listWithParts(id, units).includes(parentId)
}

/** Without these a thing does not do what it does; whatever else goes with it is only packed with it. */
const NEEDED: ReadonlySet<Unit['bond']> = new Set(['part', 'controller'])

/** Parts and controllers that should be with a thing and are not: lost, lent, in repair, or unusable. */
export function listMissingParts<T extends Pick<Unit, 'id' | 'parentId' | 'bond' | 'state'>>(
  id: string,
  units: readonly T[],
  unusableIds: ReadonlySet<string>,
): T[] {
  return units.filter(
    (it) => it.parentId === id && NEEDED.has(it.bond) && (!LIFE_STATES[it.state].usable || unusableIds.has(it.id)),
  )
}
