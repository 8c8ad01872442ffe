import {
  type AssessmentInput,
  type CameraAngle,
  type Category,
  compareSetups,
  findLikeFraming,
  type Holdings,
  isKindOf,
  type LensOffer,
  type LikeFraming,
  listCameraAngles,
  listInUse,
  type Model,
  makeScene,
  nameModel,
  type Role,
  type Setup,
} from '@exemplar/core'
import { and, eq, isNull, or } from 'drizzle-orm'
import { listAbsences } from '../availability/absences.ts'
import { loadHoldBook } from '../availability/holds.ts'
import { loadBlockingFaults } from '../availability/reference.ts'
import type { AppContext } from '../foundation/database/app-context.ts'
import { minuteOf, remember } from '../foundation/database/cache.ts'
import { defineRoute } from '../foundation/http/route.ts'
import { models, units } from '../schema/kit-tables.ts'
import { setups } from '../schema/setups-tables.ts'
import { loadStudio } from '../studio/settings/settings-routes.ts'
import { makePresentContext } from './assessment-context.ts'
import { loadAssessments } from './assessment-store.ts'
import { loadAllSetups, loadSetup } from './setup-store.ts'

interface OwnLens extends LensOffer {
  mounts: string[]
}

/** The studio's lenses that are to be had now, with their focal lengths, by what they mount on. */
function loadLenses(app: AppContext): OwnLens[] {
  const { db } = app
  const now = app.now()
  const rows = db
    .select({ unit: units, model: models })
    .from(units)
    .innerJoin(models, eq(models.id, units.modelId))
    .where(and(eq(models.category, 'lens'), isNull(units.archivedAt)))
    .orderBy(units.tag)
    .all()
  const stay = { interval: { start: now, end: now + 1 }, exceptBookingId: null, countsBookings: false }
  const own = rows.map((it) => it.unit)
  const book = loadHoldBook(db, stay.interval, now)
  const absent = listAbsences(own, stay, loadStudio(db).zone, loadBlockingFaults(db), book)
  return rows
    .filter(({ unit }) => !absent.has(unit.id))
    .flatMap(({ unit: { tag }, model }): OwnLens[] => {
      const { focalMinMm: least, focalMaxMm: most } = model.specs.more
      const focalMinMm = typeof least === 'number' ? least : typeof most === 'number' ? most : null
      if (focalMinMm === null) return []
      const focalMaxMm = typeof most === 'number' ? most : focalMinMm
      return [{ tag, name: nameModel(model), focalMinMm, focalMaxMm, mounts: listCodes(model, 'guest') }]
    })
}

const listCodes = (model: Model, side: 'host' | 'guest') =>
  model.ports.filter((it) => it.side === side).flatMap((it) => it.interfaces)

const NOTHING: Holdings = { models: new Map(), units: new Map(), stock: new Map() }

/** What would frame on each other camera of the setup as this one does. */
type Alike = { unitId: string; tag: string; like: LikeFraming | null }

type AlikeAngle = CameraAngle & { alike: Alike[] }

/** Setups as they stand, with their angles, in the order of the setups, read all at once. */
function loadAngles(app: AppContext, all: readonly Setup[]): { angles: AlikeAngle[]; holdings: Holdings }[] {
  const lenses = loadLenses(app)
  const requests = all.map((setup) => ({ setup, context: makePresentContext(app.now(), setup) }))
  return loadAssessments(app.db, requests, loadStudio(app.db)).map(({ input }) => ({
    angles: listAngles(input, lenses),
    holdings: input.holdings,
  }))
}

/** What of a role is of a kind: the tag and the name of each, however its role is called. */
function listOfKind({ things }: Role, kind: Category, { units: own, stock, models: all }: Holdings): string[] {
  return things
    .filter((it) => !it.isSpare)
    .flatMap(({ unitId, stockId }) => {
      const thing = own.get(unitId ?? '') ?? stock.get(stockId ?? '')
      const model = all.get(thing?.modelId ?? '')
      return thing && model && isKindOf(model.category, kind) ? [`${thing.tag} ${nameModel(model)}`] : []
    })
}

const isOfLight = (role: Role, holdings: Holdings) =>
  role.group === 'light' || listOfKind(role, 'light', holdings).length > 0

function listAngles(input: AssessmentInput, lenses: readonly OwnLens[]): AlikeAngle[] {
  const cameras = listCameraAngles(makeScene(input))
  const hostsOf = (unitId: string) => {
    const model = input.holdings.models.get(input.holdings.units.get(unitId)?.modelId ?? '')
    return model && isKindOf(model.category, 'camera') ? listCodes(model, 'host') : []
  }
  return cameras.map((camera) => ({
    ...camera,
    alike: cameras.flatMap((other): Alike[] => {
      const { activeWidthMm, focalMm } = camera
      if (other === camera || activeWidthMm === null || focalMm === null || other.activeWidthMm === null) return []
      const codes = hostsOf(other.unitId)
      const fitting = lenses.filter((it) => it.mounts.some((code) => codes.includes(code)))
      const like = findLikeFraming({ activeWidthMm, focalMm }, other.activeWidthMm, fitting)
      return [{ unitId: other.unitId, tag: other.tag, like }]
    }),
  }))
}

function describe(setup: Setup) {
  const { id, code, name, tape } = setup
  return { id, code, name, tape }
}

export const cameraRoutes = [
  defineRoute('get /cameras', (_, app) =>
    remember(app.db, `cameras/${minuteOf(app.now())}`, () => {
      const all = loadAllSetups(app.db, 'code')
      const angles = loadAngles(app, all)
      return all.map((setup, at) => ({ ...describe(setup), angles: angles[at]?.angles ?? [] }))
    }),
  ),
  defineRoute('get /setups/:id/looks', ({ params }, app) => {
    const setup = loadSetup(app, params.id ?? '')
    const rootId = setup.variantOf ?? setup.id
    const family = app.db
      .select()
      .from(setups)
      .where(and(isNull(setups.archivedAt), or(eq(setups.id, rootId), eq(setups.variantOf, rootId))))
      .orderBy(setups.code)
      .all()
      .map(({ archivedAt: _, ...it }) => it)
      .sort((a, b) => Number(b.id === rootId) - Number(a.id === rootId))
    const [root] = family
    const looks = loadAngles(app, family)
    return family.map((it, at) => ({
      ...describe(it),
      angles: looks[at]?.angles ?? [],
      backdrops: it.roles.flatMap((role) =>
        role.providedBy?.kind === 'surface'
          ? `${role.name}: ${role.providedBy.name}`
          : listOfKind(role, 'backdrop', looks[at]?.holdings ?? NOTHING),
      ),
      lights: it.roles
        .filter((role) => isOfLight(role, looks[at]?.holdings ?? NOTHING))
        .map((role) => ({
          role: role.name,
          detail: role.detail,
          position: role.position ?? null,
          things: listInUse(role).length,
        })),
      moves: root && root.id !== it.id ? compareSetups(root, it).length : 0,
    }))
  }),
]
