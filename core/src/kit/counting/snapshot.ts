import { z } from 'zod'
import { amount } from '../../studio/people/secrecy.ts'
import { LIFE_STATES } from '../unit/unit.ts'
/** The kit and the setups as they were: what is worth comparing, under ids that stay. */
export interface SnapshotContents {
  things: SnapshotThing[]
  setups: { id: string; code: string; name: string; things: { id: string; tag: string; role: string }[] }[]
}
export const snapshotThingSchema = z.object({
  id: z.string(),
  tag: z.string(),
  name: z.string(),
  place: z.string().nullable(),
  state: z.string(),
  /** Null for a thing of its own. */
  quantity: z.number().nullable(),
  valueMinor: amount(z.number().nullable()),
})
export type SnapshotThing = z.infer<typeof snapshotThingSchema>

export const snapshotDifferenceSchema = z.object({
  came: z.array(snapshotThingSchema),
  went: z.array(snapshotThingSchema),
  changed: z.array(
    z.object({
      thing: snapshotThingSchema,
      fields: z.array(
        z.object({
          field: z.string(),
          before: z.string(),
          after: z.string(),
        }),
      ),
    }),
  ),
  setups: z.array(
    z.object({
      code: z.string(),
      name: z.string(),
      change: z.enum(['came', 'went', 'changed']),
      added: z.array(z.string()),
      removed: z.array(z.string()),
    }),
  ),
})
export type SnapshotDifference = z.infer<typeof snapshotDifferenceSchema>
const COMPARED = ['tag', 'name', 'place', 'state', 'quantity'] as const

/** States in which a thing is not of the kit, not yet or no longer, by their labels: snapshots keep words. */
const NOT_OURS: ReadonlySet<string> = new Set(
  (['wished', 'ordered', 'sold', 'returned', 'lost', 'written-off'] as const).map((it) => LIFE_STATES[it].label),
)

/** What of a snapshot was of the kit: what is only wished for, or was sold, is written down and not counted. */
export const listOwnThings = ({ things }: SnapshotContents): SnapshotThing[] =>
  things.filter((it) => !NOT_OURS.has(it.state))

/**
 * What is different in `after`. Sorted by tag and code; what is the same is not named. What was sold went, though it is still
 * written down, and what was delivered came.
 */
export function compareSnapshots(before: SnapshotContents, after: SnapshotContents): SnapshotDifference {
  const old = new Map(listOwnThings(before).map((it) => [it.id, it]))
  const now = new Map(listOwnThings(after).map((it) => [it.id, it]))
  // In which state it is that went is worth more than in which it was.
  const written = new Map(after.things.map((it) => [it.id, it]))
  const changed = [...now.values()].flatMap((thing) => {
    const was = old.get(thing.id)
    if (!was) return []
    const fields = COMPARED.filter((field) => was[field] !== thing[field]).map((field) => ({
      field,
      before: String(was[field] ?? '–'),
      after: String(thing[field] ?? '–'),
    }))
    return fields.length > 0 ? [{ thing, fields }] : []
  })
  return {
    came: sortByTag([...now.values()].filter((it) => !old.has(it.id))),
    went: sortByTag([...old.values()].filter((it) => !now.has(it.id)).map((it) => written.get(it.id) ?? it)),
    changed: changed.sort((a, b) => compareText(a.thing.tag, b.thing.tag)),
    setups: compareSetups(before, after),
  }
}

function compareSetups(before: SnapshotContents, after: SnapshotContents): SnapshotDifference['setups'] {
  const old = new Map(before.setups.map((it) => [it.id, it]))
  const now = new Map(after.setups.map((it) => [it.id, it]))
  const all = [...new Set([...old.keys(), ...now.keys()])]
  return all
    .flatMap((id): SnapshotDifference['setups'] => {
      const was = old.get(id)
      const is = now.get(id)
      const { code, name } = is ?? was ?? { code: '', name: '' }
      const tagsOf = (it: typeof is) => new Set((it?.things ?? []).map((thing) => `${thing.tag} ${thing.role}`))
      const [a, b] = [tagsOf(was), tagsOf(is)]
      const added = [...b].filter((it) => !a.has(it)).sort()
      const removed = [...a].filter((it) => !b.has(it)).sort()
      if (was && is && added.length + removed.length === 0) return []
      return [{ code, name, change: was ? (is ? 'changed' : 'went') : 'came', added, removed }]
    })
    .sort((a, b) => compareText(a.code, b.code))
}

const sortByTag = (things: SnapshotThing[]) => things.sort((a, b) => compareText(a.tag, b.tag))
const compareText = (a: string, b: string) => (a < b ? -1 : a > b ? 1 : 0)
