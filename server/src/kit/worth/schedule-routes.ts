import {
  CATEGORIES,
  findDate,
  findDisclosureEnd,
  listOpenDuties,
  nameModel,
  sayDisclosure,
  sumGifts,
} from '@exemplar/core'
import { defineRoute } from '../../foundation/http/route.ts'
import { parties } from '../../schema/studio-tables.ts'
import { loadStudio } from '../../studio/settings/settings-routes.ts'
import { loadLive } from '../exchange/kit-file-store.ts'

/** What is not the studio's own is the owner's to insure. */
const OTHERS: ReadonlySet<string> = new Set(['loan-in', 'rented', 'venue', 'personal', 'household'])
const GONE: ReadonlySet<string> = new Set(['wished', 'ordered', 'sold', 'returned', 'lost', 'written-off'])

export const scheduleRoutes = [
  defineRoute('get /kit-schedule', (_, { db }) => {
    const { units, models, places } = loadLive(db)
    const modelOf = new Map(models.map((it) => [it.id, it]))
    const placeOf = new Map(places.map((it) => [it.id, it.name]))
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
            priceMinor: it.priceMinor,
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
      duties: listOpenDuties(units).map(({ unit, what, dueOn }) => ({ ...tell(unit), what, dueOn })),
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
