import {
  assessSetup,
  type Conduit,
  type EventKind,
  findDate,
  type Holdings,
  isKindOf,
  isLessonFor,
  isStillOf,
  listPlacedItems,
  listPowerSources,
  listSoundRoutes,
  listStartLines,
  listSunMoves,
  makeScene,
  nameModel,
  type PowerSource,
  REFERENCE_STILL,
  type Setup,
  type SoundDevice,
} from '@exemplar/core'
import { and, desc, eq, inArray, isNull, ne } from 'drizzle-orm'
import { isAnyOf } from '../availability/holdings.ts'
import { loadKinWithModels } from '../availability/kin.ts'
import type { AppContext } from '../foundation/database/app-context.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { incidents } from '../schema/bench-tables.ts'
import { attachments, events } from '../schema/studio-tables.ts'
import { loadCase } from './assessment-case.ts'
import { loadConduits } from './cable-routes.ts'
import { loadFreeStore } from './free-store.ts'

/** After these a memory bank may have lost what it held. */
const DISTURBING: EventKind[] = ['state-changed', 'fault-mended', 'serviced']

function loadDisturbed({ db }: AppContext, unitIds: readonly string[], zone: string): Map<string, string> {
  const rows = db
    .select({ subjectId: events.subjectId, at: events.at })
    .from(events)
    .where(and(eq(events.subjectType, 'unit'), isAnyOf(events.subjectId, unitIds), inArray(events.kind, DISTURBING)))
    .orderBy(desc(events.at))
    .all()
  // The newest comes first, and the first one stays.
  return new Map([...rows].reverse().map((it) => [it.subjectId, findDate(it.at, zone)]))
}

/** What was learned, as far as it is of this setup: the newest first. */
function loadLessons({ db }: AppContext, setup: Setup, holdings: Holdings) {
  return db
    .select()
    .from(incidents)
    .where(ne(incidents.lesson, ''))
    .orderBy(desc(incidents.on), desc(incidents.id))
    .all()
    .filter((it) => isLessonFor(it.lessonFor, setup, setup.id, holdings))
    .map(({ id, lesson, what, on }) => ({ id, lesson, what, on }))
}

/** The picture of how a setup should look: kept with it under that name, the newest one. */
function findStill({ db }: AppContext, setupId: string): string | null {
  const kept = db
    .select()
    .from(attachments)
    .where(
      and(eq(attachments.subjectType, 'setup'), eq(attachments.subjectId, setupId), isNull(attachments.archivedAt)),
    )
    .orderBy(desc(attachments.addedAt))
    .all()
  return kept.find((it) => isStillOf(REFERENCE_STILL, it))?.id ?? null
}

export const startRoutes = [
  defineRoute('get /setups/:id/start', ({ params, query }, app) => {
    const { setup, settings, input } = loadCase(app, params.id ?? '', query.bookingId)
    const ids = [...input.holdings.units.keys()]
    const white = input.policies.school('white-balance')
    const sunMoves = input.filming ? listSunMoves(makeScene(input)) : []
    const lines = listStartLines({
      sunMoves,
      stillId: findStill(app, setup.id),
      // Nobody who never chose is told to.
      takesWhiteByCard: white.way === 'card' && white.from !== 'default',
      setupId: setup.id,
      setup,
      holdings: input.holdings,
      away: input.absences,
      kin: loadKinWithModels(app.db, ids),
      missing: input.missingParts ?? new Map(),
      lessons: loadLessons(app, setup, input.holdings),
      day: input.crew?.firstDay ?? findDate(app.now(), settings.zone),
      disturbedOn: loadDisturbed(app, ids, settings.zone),
    })
    const sources = listPlacedItems(setup, input.holdings, null).flatMap(
      ({ key, tag, name, powerMode }): { tag: string; name: string; source: PowerSource }[] => {
        const model = input.holdings.models.get(input.holdings.units.get(key)?.modelId ?? '')
        const source = powerMode?.source ?? (model && listPowerSources(model)[0])
        return source && source !== 'none' ? [{ tag, name, source }] : []
      },
    )
    return { setup: { id: setup.id, code: setup.code, tape: setup.tape, name: setup.name }, lines, sources }
  }),
  defineRoute('get /setups/:id/sound-routes', ({ params, query }, app) => {
    const loaded = loadCase(app, params.id ?? '', query.bookingId)
    const { setup, input } = loaded
    // What is away carries no sound, and neither does what another booking holds at that time.
    const own = [...input.holdings.units.values()].flatMap((unit) => {
      const model = input.holdings.models.get(unit.modelId)
      return model && !input.absences.has(unit.id) ? [{ unit, model }] : []
    })
    const devices = own.map(
      ({ unit, model }): SoundDevice => ({ unitId: unit.id, tag: unit.tag, model, isInSetup: true }),
    )
    const store = loadFreeStore(app.db, loaded, (model) => isKindOf(model.category, 'recorder'))
    const free = store.units.map(
      ({ unit, model }): SoundDevice => ({ unitId: unit.id, tag: unit.tag, model, isInSetup: false }),
    )
    const ownCables = own.filter(({ model }) => model.category === 'cable' || model.category === 'cable-adapter')
    const conduits: Conduit[] = [
      ...ownCables.map(({ unit, model }) => ({ unitId: unit.id, tag: unit.tag, model, usedBySetups: 0 })),
      ...loadConduits(app, loaded.context).filter(
        (it) => !input.holdings.units.has(it.unitId) && ['cable', 'cable-adapter'].includes(it.model.category),
      ),
    ]
    const { chains } = assessSetup(input).signals
    // The cable of one microphone is not offered to another.
    const takenByOthers = (tag: string) => new Set(chains.filter((it) => it.from.tag !== tag).flatMap((it) => it.via))
    const microphones = devices.filter((it) => isKindOf(it.model.category, 'microphone'))
    return {
      follows: input.policies.school('sound-path'),
      microphones: microphones.map((microphone) => ({
        tag: microphone.tag,
        name: nameModel(microphone.model),
        routes: listSoundRoutes({
          microphone,
          devices: [...devices, ...free],
          conduits: conduits.filter((it) => !takenByOthers(microphone.tag).has(it.tag)),
          own: new Set(ownCables.map(({ unit }) => unit.id)),
          interfaces: input.interfaces,
          plannedMinutes: setup.plannedMinutes,
        }),
      })),
    }
  }),
]
