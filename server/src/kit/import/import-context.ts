import type { ImportContext } from '@exemplar/core'
import { isNull } from 'drizzle-orm'
import { loadInterfaces } from '../../availability/reference.ts'
import type { Transaction } from '../../foundation/database/app-context.ts'
import type { Database } from '../../foundation/database/database.ts'
import { columnMaps, models, stock, units } from '../../schema/kit-tables.ts'
import { places } from '../../schema/studio-tables.ts'
import { loadStudio } from '../../studio/settings/settings-routes.ts'

/** Everything in the kit that the line of a list may mean; archived things keep their tags, so they are in it too. */
export function loadImportContext(db: Database | Transaction): ImportContext {
  const studio = loadStudio(db)
  return {
    units: db
      .select({
        id: units.id,
        tag: units.tag,
        modelId: units.modelId,
        serial: units.serial,
        placeId: units.placeId,
        acquisition: units.acquisition,
        acquiredOn: units.acquiredOn,
        priceMinor: units.priceMinor,
        serviceEveryDays: units.serviceEveryDays,
        note: units.note,
        state: units.state,
        nickname: units.nickname,
        dueOn: units.dueOn,
        provenance: units.provenance,
        archivedAt: units.archivedAt,
      })
      .from(units)
      .orderBy(units.tag)
      .all(),
    stock: db
      .select({
        id: stock.id,
        tag: stock.tag,
        modelId: stock.modelId,
        quantity: stock.quantity,
        placeId: stock.placeId,
      })
      .from(stock)
      .orderBy(stock.tag)
      .all(),
    places: db.select({ id: places.id, name: places.name }).from(places).all(),
    interfaces: [...loadInterfaces(db).values()],
    models: db.select().from(models).where(isNull(models.archivedAt)).all(),
    currency: studio.currency,
    isDayFirst: studio.unitSystem !== 'imperial',
    remembered: Object.assign(
      {},
      ...db
        .select()
        .from(columnMaps)
        .all()
        .map((it) => it.mapping),
    ),
  }
}
