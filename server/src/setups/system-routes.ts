import {
  type Category,
  countBodyPoints,
  countDays,
  crossModifiers,
  estimateResale,
  findDate,
  isKindOf,
  isOwnFamily,
  judgeConformity,
  LIFE_STATE_CODES,
  LIFE_STATES,
  listMakerMixes,
  listSystems,
  makeScene,
  type Piece,
  rankPortability,
  resolvePolicies,
} from '@exemplar/core'
import { and, eq, inArray, isNull } from 'drizzle-orm'
import { loadInterfaces } from '../availability/reference.ts'
import type { AppContext } from '../foundation/database/app-context.ts'
import { remember } from '../foundation/database/cache.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { models, units } from '../schema/kit-tables.ts'
import { setups } from '../schema/setups-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { makePresentContext } from './assessment-context.ts'
import { loadAssessments } from './assessment-store.ts'
import { loadAllSetups } from './setup-store.ts'

/** Ours or soon ours: what was sold, lost or went back belongs to no system any more. */
const COUNTED = LIFE_STATE_CODES.filter((code) => LIFE_STATES[code].usable || ['in-repair', 'lent'].includes(code))
const WISHED = ['wished', 'ordered'] as const
const MOST_CROSSED = 60

function loadPieces({ db, now }: AppContext, states: readonly (typeof LIFE_STATE_CODES)[number][]): Piece[] {
  const today = findDate(now(), loadStudio(db).zone)
  return db
    .select({ unit: units, model: models })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(and(inArray(units.state, [...states]), isNull(units.archivedAt)))
    .orderBy(units.tag)
    .all()
    .map(({ unit: { id, tag, priceMinor, acquiredOn, provenance }, model }) => ({
      ...{ unitId: id, tag, model, priceMinor },
      resaleMinor:
        priceMinor === null || acquiredOn === null ? null : estimateResale(priceMinor, countDays(acquiredOn, today)),
      againMinor: provenance.replacementMinor ?? priceMinor,
    }))
}

/** For each body the most that one setup hangs on it, or would where there were room, lens, card and pack aside: as it is judged today. */
function countAttachments(app: AppContext): Map<string, { setup: string; attachments: number }> {
  const most = new Map<string, { setup: string; attachments: number }>()
  const all = loadAllSetups(app.db, 'code')
  const requests = all.map((setup) => ({ setup, context: makePresentContext(app.now(), setup) }))
  for (const [at, { input }] of loadAssessments(app.db, requests, loadStudio(app.db)).entries()) {
    const { joints, interfaces, unmet, items } = makeScene(input)
    const counts = new Map<string, number>()
    const isCarry = (code: string) => interfaces.get(code)?.kind === 'carry'
    const count = (key: string, by: number) => counts.set(key, (counts.get(key) ?? 0) + by)
    for (const { host, interfaceCode } of joints) if (isCarry(interfaceCode)) count(host.key, 1)
    for (const { side, interfaces: codes, supply, missing } of unmet) {
      // What finds its only place taken hangs nowhere, and asks for one all the same.
      const [only, ...others] = items.filter((it) => supply.includes(it.tag))
      if (side === 'guest' && only && others.length === 0 && codes.every(isCarry)) count(only.key, missing)
    }
    for (const [key, attachments] of counts) {
      if (attachments > (most.get(key)?.attachments ?? 0)) most.set(key, { setup: all[at]?.code ?? '', attachments })
    }
  }
  return most
}

export const systemRoutes = [
  defineRoute('get /systems', ({ query }, app) => {
    const owned = loadPieces(app, COUNTED)
    const wished = loadPieces(app, WISHED)
    const interfaces = [...loadInterfaces(app.db).values()]
    const of = (...kinds: Category[]) => owned.filter(({ model }) => kinds.some((it) => isKindOf(model.category, it)))
    const plates = interfaces.filter((it) => it.kind === 'carry')
    const plate = query.plate ?? plates.find((it) => isOwnFamily(it.code))?.code ?? 'thread-1-4'
    return {
      systems: listSystems(owned, interfaces),
      follows: resolvePolicies(loadStudio(app.db), null).school('system'),
      plates: plates.map(({ code, label }) => ({ code, label })),
      plate,
      conformity: judgeConformity(owned, plate, query.eachMinor ?? null),
      portability: rankPortability(of('microphone'), [...owned, ...wished]),
      bodies: countBodyPoints(
        of('camera'),
        remember(app.db, 'attachments-of-bodies', () => countAttachments(app)),
      ),
      mixes: listMakerMixes(
        app.db
          .select()
          .from(setups)
          .where(isNull(setups.archivedAt))
          .orderBy(setups.code)
          .all()
          .map(({ code, name, roles }) => {
            const ids = new Set(roles.flatMap((role) => role.things.map((it) => it.unitId)))
            return { code, name, pieces: owned.filter((it) => ids.has(it.unitId)) }
          }),
      ),
      modifiers: crossModifiers(of('light').slice(0, MOST_CROSSED), of('modifier').slice(0, MOST_CROSSED)),
    }
  }),
]
