import { findDate, nameModel, sayDisclosure } from '@exemplar/core'
import { asc, eq, isNull } from 'drizzle-orm'
import type { AppContext } from '../../foundation/database/app-context.ts'
import { models, units } from '../../schema/kit-tables.ts'
import { setupUnits } from '../../schema/setups-tables.ts'
import { parties } from '../../schema/studio-tables.ts'
import { loadStudio } from '../settings/settings-routes.ts'

/**
 * What has to be said with a film: of each thing of its setup as that is now, where the thing was here when the film was
 * finished. Null for a film that names no setup.
 */
export function makeFilmDisclosures({ db, now }: Pick<AppContext, 'db' | 'now'>) {
  const today = findDate(now(), loadStudio(db).zone)
  const said = new Map<string, { text: string; since: string | null }[]>()
  const rows = db
    .select({ unit: units, model: models, party: parties.name, setupId: setupUnits.setupId })
    .from(setupUnits)
    .innerJoin(units, eq(units.id, setupUnits.unitId))
    .innerJoin(models, eq(models.id, units.modelId))
    .leftJoin(parties, eq(parties.id, units.partyId))
    .where(isNull(units.archivedAt))
    .orderBy(asc(units.tag))
    .all()
  for (const { unit, model, party, setupId } of rows) {
    const text = sayDisclosure(unit, { name: nameModel(model), giver: party, on: today })
    if (text) said.set(setupId, [...(said.get(setupId) ?? []), { text, since: unit.acquiredOn }])
  }
  return ({ setupId, on }: { setupId: string | null; on: string }): string[] | null => {
    if (setupId === null) return null
    const here = (said.get(setupId) ?? []).filter(({ since }) => since === null || since <= on)
    return [...new Set(here.map(({ text }) => text))]
  }
}
