import { z } from 'zod'
import { CATEGORIES } from '../../kit/model/category.ts'
import type { Interface } from '../../kit/model/interface.ts'
import type { Conduit } from './cable-finder.ts'
/** Cables with the same two ends: how many there are, and how many of them no setup counts on. */
export const cableKindSchema = z.object({
  what: z.string(),
  ends: z.string(),
  owned: z.number(),
  spare: z.number(),
})
export type CableKind = z.infer<typeof cableKindSchema>

/** Counts cables, leads and adapters by their ends, whichever way round; what is scarcest by spares comes first. */
export function countCables(conduits: readonly Conduit[], interfaces: ReadonlyMap<string, Interface>): CableKind[] {
  const kinds = new Map<string, CableKind>()
  for (const { model, usedBySetups } of conduits) {
    const codes = [...new Set(model.ports.map((port) => port.interfaces.join('/')))].sort()
    const labels = codes.map((it) =>
      it
        .split('/')
        .map((code) => interfaces.get(code)?.label ?? code)
        .join(' or '),
    )
    const ends = labels.length > 1 ? labels.join(' – ') : `${labels[0] ?? 'ends not recorded'}`
    const what = CATEGORIES[model.category].label
    const key = `${what}\n${ends}`
    const known = kinds.get(key) ?? { what, ends, owned: 0, spare: 0 }
    kinds.set(key, { ...known, owned: known.owned + 1, spare: known.spare + Number(usedBySetups === 0) })
  }
  return [...kinds.values()].sort((a, b) => a.spare - b.spare || (a.what + a.ends < b.what + b.ends ? -1 : 1))
}
