import {
  CATEGORIES,
  findDate,
  findDisclosureEnd,
  isDutyDone,
  listOpenDuties,
  nameModel,
  sayDisclosure,
  sumGifts,
  type Unit,
} from '@exemplar/core'
import { and, eq, sum } from 'drizzle-orm'
import { alias } from 'drizzle-orm/sqlite-core'
import type { Database } from '../../foundation/database/database.ts'
import { defineRoute } from '../../foundation/http/route.ts'
import { entries } from '../../schema/ledger-tables.ts'
import { films, parties } from '../../schema/studio-tables.ts'
import { loadStudio } from '../../studio/settings/settings-routes.ts'
import { loadLive } from '../exchange/kit-file-store.ts'

/** What is not the studio's own is the owner's to insure. */
const OTHERS: ReadonlySet<string> = new Set(['loan-in', 'rented', 'venue', 'personal', 'household'])
const GONE: ReadonlySet<string> = new Set(['wished', 'ordered', 'sold', 'returned', 'lost', 'written-off'])

/** What came back of the prices of things, without tax, by thing: it was not paid for them in the end. */
function sumBack(db: Database): Map<string | null, number> {
  const paid = alias(entries, 'paid')
  const rows = db
    .select({ unitId: entries.unitId, minor: sum(entries.netMinor) })
    .from(entries)
    .innerJoin(paid, and(eq(paid.id, entries.refundOfId), eq(paid.kind, 'purchase')))
    .groupBy(entries.unitId)
    .all()
  return new Map(rows.map((it) => [it.unitId, Number(it.minor)]))
}

/** What was promised and done, the latest first, and the film by which it was. */
function listDone<T extends Pick<Unit, 'provenance'>>(db: Database, units: readonly T[], today: string) {
  const titles = new Map(
    db
      .select({ id: films.id, title: films.title })
      .from(films)
      .all()
      .map((it) => [it.id, it.title]),
  )
  return units
    .flatMap((unit) =>
      unit.provenance.duties.flatMap((it) =>
        it.doneOn !== null && isDutyDone(it, today)
          ? [{ unit, what: it.what, doneOn: it.doneOn, film: titles.get(it.filmId ?? '') ?? null }]
          : [],
      ),
    )
    .sort((a, b) => (a.doneOn < b.doneOn ? 1 : -1))
}

export const scheduleRoutes = [
  defineRoute('get /kit-schedule', (_, { db }) => {
    const { units, models, places } = loadLive(db)
    const modelOf = new Map(models.map((it) => [it.id, it]))
    const placeOf = new Map(places.map((it) => [it.id, it.name]))
    const back = sumBack(db)
    const rows = units
      .filter((it) => !GONE.has(it.state))
      .flatMap((it) => {
        const model = modelOf.get(it.modelId)
        if (!model) return []
        return [
          {
            id: it.id,
            tag: it.tag,
            name: nameModel(model),
            kind: CATEGORIES[model.category].label,
            group: CATEGORIES[model.category].group,
            serial: it.serial,
            acquisition: it.acquisition,
            isOthers: OTHERS.has(it.acquisition),
            acquiredOn: it.acquiredOn,
            place: placeOf.get(it.placeId ?? '') ?? null,
            priceMinor: it.priceMinor === null ? null : Math.max(0, it.priceMinor - (back.get(it.id) ?? 0)),
            valueMinor: it.provenance.valueMinor,
            insuredMinor: it.provenance.insuredMinor,
            warrantyUntil: it.provenance.warrantyUntil,
            replacementMinor: it.provenance.replacementMinor,
            healthPercent: model.category === 'pack' ? it.healthPercent : null,
          },
        ]
      })
    return { rows }
  }),
  defineRoute('get /kit-duties', (_, { db, now }) => {
    const { zone, giftTaxBasisPoints } = loadStudio(db)
    const on = findDate(now(), zone)
    const { units, models } = loadLive(db)
    const nameOf = new Map(models.map((it) => [it.id, nameModel(it)]))
    const givers = new Map(
      db
        .select({ id: parties.id, name: parties.name })
        .from(parties)
        .all()
        .map((it) => [it.id, it.name]),
    )
    const tell = (it: (typeof units)[number]) => ({ id: it.id, tag: it.tag, name: nameOf.get(it.modelId) ?? '' })
    return {
      doneDuties: listDone(db, units, on).map(({ unit, ...it }) => ({ ...tell(unit), ...it })),
      duties: listOpenDuties(units, on).map(({ unit, what, dueOn }) => ({ ...tell(unit), what, dueOn })),
      disclosures: units.flatMap((it) => {
        const text = sayDisclosure(it, {
          name: nameOf.get(it.modelId) ?? '',
          giver: givers.get(it.partyId ?? '') ?? null,
          on,
        })
        return text ? [{ ...tell(it), text, until: findDisclosureEnd(it.provenance, on) }] : []
      }),
      gifts: sumGifts(units, giftTaxBasisPoints),
      goingBack: units
        .filter((it) => (it.acquisition === 'loan-in' || it.acquisition === 'rented') && it.state !== 'returned')
        .sort((a, b) => ((a.dueOn ?? '9') < (b.dueOn ?? '9') ? -1 : 1))
        .map((it) => ({ ...tell(it), dueOn: it.dueOn, from: givers.get(it.partyId ?? '') ?? null })),
    }
  }),
]
