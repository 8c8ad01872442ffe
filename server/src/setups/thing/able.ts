import { type AbleThing, judgeAbilities, type Model, nameModel, type WantedAbility } from '@exemplar/core'
import { loadHoldBook } from '../../availability/holds.ts'
import { loadPlaces } from '../../availability/reference.ts'
import type { Database } from '../../foundation/database/database.ts'
import { loadStudio } from '../../studio/settings/settings-routes.ts'
import { makePresentContext } from '../assessment-context.ts'
import { loadFreeStore } from '../free-store.ts'

/** So many of each are told. */
const MOST_TOLD = 24

/** What of the kit could do all that is wanted, and of what nobody knows; what is free first, then what setups count on, then what is away. */
export function listAble(db: Database, now: number, wants: readonly WantedAbility[]) {
  const judged = new Map<string, ReturnType<typeof judgeAbilities>>()
  const judge = (model: Model) => {
    const known = judged.get(model.id) ?? judgeAbilities(model, wants)
    judged.set(model.id, known)
    return known
  }
  const context = makePresentContext(now, { plannedMinutes: 1 })
  const store = loadFreeStore(
    db,
    {
      setup: { roles: [] },
      zone: loadStudio(db).zone,
      // What others hold today is told as away.
      context: { ...context, countsBookings: true },
      book: loadHoldBook(db, context.interval, now),
      circuits: [],
    },
    (model) => judge(model).answer !== 'no',
  )
  const places = loadPlaces(db)
  const nameOf = (id: string | null) => (id ? (places.get(id)?.name ?? null) : null)
  const found: (AbleThing & { rank: number })[] = [
    ...store.units.map(({ unit, model, usedBySetups }) => ({
      ...tell(unit, model, nameOf(unit.nowPlaceId ?? unit.placeId)),
      kind: 'unit' as const,
      free: null,
      usedBySetups,
      absence: null,
      rank: usedBySetups > 0 ? 1 : 0,
      unsaid: judge(model).unsaid,
    })),
    ...store.stock
      .filter(({ stock }) => stock.quantity > 0)
      .map(({ stock, model, free }) => ({
        ...tell(stock, model, nameOf(stock.placeId)),
        kind: 'stock' as const,
        free,
        usedBySetups: 0,
        absence: null,
        rank: free > 0 ? 0 : 1,
        unsaid: judge(model).unsaid,
      })),
    ...(store.away ?? []).map(({ unit, model, absence }) => ({
      ...tell(unit, model, nameOf(unit.nowPlaceId ?? unit.placeId)),
      kind: 'unit' as const,
      free: null,
      usedBySetups: 0,
      absence,
      rank: 2,
      unsaid: judge(model).unsaid,
    })),
  ].sort((a, b) => a.rank - b.rank || a.usedBySetups - b.usedBySetups || (a.tag < b.tag ? -1 : 1))
  const pick = (isMeant: (it: AbleThing) => boolean) =>
    found
      .filter(isMeant)
      .slice(0, MOST_TOLD)
      .map(({ rank: _, ...it }): AbleThing => it)
  return { able: pick((it) => it.unsaid.length === 0), perhaps: pick((it) => it.unsaid.length > 0) }
}

const tell = ({ id, tag }: { id: string; tag: string }, model: Model, place: string | null) => ({
  id,
  tag,
  name: nameModel(model),
  place,
})
