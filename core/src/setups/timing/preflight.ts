import { z } from 'zod'
import { type Category, isKindOf } from '../../kit/model/category.ts'
import { type Model, nameModel, type PowerMode, powerModeSchema } from '../../kit/model/model.ts'
import { importanceSchema } from '../../kit/model/port.ts'
import { holdsCharge, readCharge } from '../../kit/unit/charge.ts'
import type { Unit } from '../../kit/unit/unit.ts'
import type { Purpose } from '../../studio/policy/purpose.ts'
import type { Holdings } from '../placed/placed-item.ts'
import { printLights } from '../setup/lights-print.ts'
import { printSettings, settingSchema } from '../setup/setting-card.ts'
import { listInUse, type NewSetup } from '../setup/setup.ts'
/** Why a memory bank does not hold what it should: changed since, or the thing was away or reset since. */
export const bankTroubleSchema = z.enum(['settings-changed', 'was-away'])
export type BankTrouble = z.infer<typeof bankTroubleSchema>

/** One thing to do before it counts, in the order in which it is done. */
export const startLineSchema = z
  .object({
    key: z.string(),
    importance: importanceSchema,
  })
  .and(
    z.discriminatedUnion('kind', [
      z.object({
        kind: z.literal('mind'),
        role: z.string(),
        tags: z.array(z.string()),
      }),
      z.object({
        kind: z.literal('lesson'),
        lesson: z.string(),
        what: z.string(),
        on: z.string(),
      }),
      z.object({
        kind: z.literal('fetch-controller'),
        controller: z.string(),
        of: z.string(),
        isMissing: z.boolean(),
      }),
      z.object({
        kind: z.literal('pair'),
        controller: z.string(),
        of: z.string(),
      }),
      z.object({
        kind: z.literal('charge'),
        tags: z.array(z.string()),
        name: z.string(),
        source: powerModeSchema.shape.source,
        count: z.number(),
        /** What holds its charge, and what was said of it for that day; nothing where cells are put in. */
        packs: z.array(z.object({ unitId: z.string(), tag: z.string(), charge: z.enum(['full', 'used', 'unsaid']) })),
      }),
      z.object({
        kind: z.literal('plug-in'),
        tags: z.array(z.string()),
      }),
      z.object({
        kind: z.literal('open-app'),
        app: z.string(),
        version: z.string(),
        on: z.string(),
        of: z.string(),
      }),
      z.object({
        kind: z.literal('empty-card'),
        tags: z.array(z.string()),
      }),
      z.object({
        kind: z.literal('recall-bank'),
        tag: z.string(),
        bank: z.string(),
        role: z.string(),
        why: bankTroubleSchema.nullable(),
      }),
      z.object({
        kind: z.literal('set'),
        role: z.string(),
        tag: z.string(),
        settings: z.array(settingSchema),
      }),
      z.object({
        kind: z.literal('mirror'),
        things: z.array(z.string()),
      }),
      z.object({
        kind: z.literal('no-calls'),
        tag: z.string(),
        roles: z.array(z.string()),
      }),
      z.object({ kind: z.literal('white-balance'), kelvin: z.number().nullable(), isOld: z.boolean() }),
      z.object({ kind: z.literal('eyesore'), what: z.string(), cure: z.string(), role: z.string() }),
      z.object({ kind: z.literal('sun'), pane: z.string(), at: z.string(), comes: z.boolean() }),
      /** With the still of how it should look, where somebody keeps one with the setup. */
      z.object({ kind: z.literal('tidy'), stillId: z.string().nullable() }),
      z.object({ kind: z.literal('chart'), tags: z.array(z.string()) }),
      z.object({ kind: z.literal('magnify'), tags: z.array(z.string()) }),
      z.object({
        kind: z.literal('test'),
      }),
    ]),
  )
export type StartLine = z.infer<typeof startLineSchema>

export interface StartFacts {
  setupId: string
  setup: Pick<NewSetup, 'roles' | 'isMirrored' | 'stage' | 'purposeKind'>
  /** When the sun comes to a window or leaves it while it is filmed. */
  sunMoves?: readonly { pane: string; at: string; comes: boolean }[]
  /** The picture of how it should look, that somebody keeps with it. */
  stillId?: string | null
  /** White balance is taken by a card here. */
  takesWhiteByCard?: boolean
  holdings: Holdings
  /** Things that belong to those of the setup, with their models. */
  kin: readonly { unit: Unit; model: Model }[]
  /** What cannot be counted on that day, by its id. */
  away?: { has(id: string): boolean }
  /** Tags of what should be with a thing and is not there, by its id. */
  missing: ReadonlyMap<string, readonly string[]>
  /** What was learned from accidents, as far as it is of this setup. */
  lessons?: readonly { id: string; lesson: string; what: string; on: string }[]
  /** The day on which it records. */
  day: string
  /** The last day on which a thing came back from a loan or a repair, or was reset. */
  disturbedOn: ReadonlyMap<string, string>
}

/** For these nothing is behind anybody, or it is wherever one goes. */
const UNSEEN_BEHIND: readonly Purpose[] = ['top-down', 'close-up', 'voice-over', 'walk-and-talk']

const LETTERED: readonly Category[] = ['prop', 'backdrop', 'monitor', 'furniture']

/** What is done before a setup records: controllers paired, packs charged, cards emptied, settings set, ten seconds tried. */
export function listStartLines(facts: StartFacts): StartLine[] {
  const filled = listFilled(facts)
  return [
    ...listForgotten(facts),
    ...(facts.lessons ?? []).map(
      ({ id, ...it }): StartLine => ({ key: `lesson/${id}`, importance: 'essential', kind: 'lesson', ...it }),
    ),
    ...listControllers(facts, filled),
    ...listPower(facts, filled),
    ...listCountedPacks(facts),
    ...listApps(facts, filled),
    ...listCards(filled),
    ...listBanks(facts, filled),
    ...listSettings(filled),
    ...listSeveralJobs(facts, filled),
    ...listLooked(facts),
    ...listMirrored(facts, filled),
    ...(facts.sunMoves ?? []).map(
      (it): StartLine => ({ key: `sun/${it.pane}/${it.at}`, importance: 'wanted', kind: 'sun', ...it }),
    ),
    { key: 'test', importance: 'essential', kind: 'test' },
  ]
}

/** What is easily forgotten stands first, with what fills it; counted things by what they are called. */
function listForgotten({ setup, holdings: { units, stock } }: StartFacts): StartLine[] {
  return setup.roles
    .filter((it) => it.oftenForgotten)
    .map(({ id, name, importance, things }): StartLine => {
      const tags = things.flatMap((it) => units.get(it.unitId ?? '')?.tag ?? stock.get(it.stockId ?? '')?.tag ?? [])
      return { key: `mind/${id}`, importance, kind: 'mind', role: name, tags }
    })
}

interface Filled {
  unit: Unit
  model: Model
  role: NewSetup['roles'][number]
  mode: PowerMode | null
}

function listFilled({ setup, holdings: { units, models } }: StartFacts): Filled[] {
  const seen = new Set<string>()
  return setup.roles.flatMap((role) =>
    role.things.flatMap(({ unitId, powerModeId }): Filled[] => {
      const unit = units.get(unitId ?? '')
      const model = models.get(unit?.modelId ?? '')
      if (!unit || !model || seen.has(unit.id)) return []
      seen.add(unit.id)
      const mode = model.powerModes.find((it) => it.id === powerModeId) ?? model.powerModes[0] ?? null
      return [{ unit, model, role, mode }]
    }),
  )
}

function listControllers({ kin, missing, day }: StartFacts, filled: readonly Filled[]): StartLine[] {
  return filled.flatMap(({ unit, role }) =>
    kin
      .filter((it) => it.unit.parentId === unit.id && it.unit.bond === 'controller')
      .flatMap((it): StartLine[] => {
        const isMissing = (missing.get(unit.id) ?? []).some((name) => name.startsWith(it.unit.tag))
        const common = { importance: role.importance, controller: it.unit.tag, of: unit.tag }
        const key = `controller/${it.unit.id}`
        const needsPower = it.model.powerModes.some((mode) => mode.source !== 'mains') || holdsCharge(it.model)
        const charge: StartLine = {
          key: `charge/${it.unit.id}`,
          importance: role.importance,
          kind: 'charge',
          tags: [it.unit.tag],
          name: nameModel(it.model),
          source: it.model.powerModes[0]?.source ?? 'packs',
          count: 1,
          packs: sayPack(it, day),
        }
        return [
          { ...common, key, kind: 'fetch-controller', isMissing },
          ...(needsPower ? [charge] : []),
          { ...common, key: `pair/${it.unit.id}`, kind: 'pair' },
        ]
      }),
  )
}

/** What is charged, what gets fresh cells and what is plugged in, each by its own way of now; packs of one kind at once. */
function listPower({ day }: StartFacts, filled: readonly Filled[]): StartLine[] {
  const charges = new Map<string, StartLine & { kind: 'charge' }>()
  for (const { unit, model, role, mode } of filled) {
    const isPack = model.category === 'pack'
    const isOwn = !isPack && holdsCharge(model) && mode?.source !== 'mains'
    const hasCells = mode?.source === 'cells'
    if (!isPack && !isOwn && !hasCells) continue
    const key = isPack ? `charge/${role.id}/${model.id}` : `charge/${unit.id}`
    const known = charges.get(key)
    const count = hasCells && mode ? countCells(model, mode) : 1
    const packs = hasCells ? [] : sayPack({ unit, model }, day)
    charges.set(key, {
      key,
      packs: [...(known?.packs ?? []), ...packs],
      importance: role.importance,
      kind: 'charge',
      tags: [...(known?.tags ?? []), unit.tag],
      name: nameModel(model),
      source: hasCells ? 'cells' : 'packs',
      count: (known?.count ?? 0) + count,
    })
  }
  const mains = filled.filter(({ mode }) => mode?.source === 'mains').map(({ unit }) => unit.tag)
  const plugged: StartLine = { key: 'plug-in', importance: 'essential', kind: 'plug-in', tags: mains }
  return [...charges.values(), ...(mains.length > 0 ? [plugged] : [])]
}

/** Packs that are counted: which of them is full nobody can say. */
function listCountedPacks({ setup, holdings: { stock, models } }: StartFacts): StartLine[] {
  return setup.roles.flatMap((role) =>
    role.things.flatMap(({ stockId, quantity }): StartLine[] => {
      const counted = stock.get(stockId ?? '')
      const model = models.get(counted?.modelId ?? '')
      if (!counted || model?.category !== 'pack') return []
      return [
        {
          key: `charge/${role.id}/${counted.id}`,
          importance: role.importance,
          kind: 'charge',
          tags: [counted.tag],
          name: nameModel(model),
          source: 'packs',
          count: quantity,
          packs: [],
        },
      ]
    }),
  )
}

/** What was said of its charge, where it holds one. */
const sayPack = ({ unit, model }: { unit: Unit; model: Model }, day: string) =>
  holdsCharge(model) ? [{ unitId: unit.id, tag: unit.tag, charge: readCharge(unit.charge, day) }] : []

function listCards(filled: readonly Filled[]): StartLine[] {
  const tags = filled.filter(({ model }) => model.category === 'card').map(({ unit }) => unit.tag)
  return tags.length > 0 ? [{ key: 'empty-card', importance: 'essential', kind: 'empty-card', tags }] : []
}

function countCells(model: Model, mode: PowerMode): number {
  return model.ports.filter((it) => mode.portIds.includes(it.id)).reduce((sum, it) => sum + it.count, 0)
}

function listApps({ holdings, kin }: StartFacts, filled: readonly Filled[]): StartLine[] {
  const tagOf = (id: string | null) =>
    (id && (holdings.units.get(id)?.tag ?? kin.find((it) => it.unit.id === id)?.unit.tag)) || ''
  return filled.flatMap(({ unit, role }) =>
    unit.software
      .filter((it) => it.kind === 'app')
      .map(
        ({ name, version, where, onUnitId }): StartLine => ({
          key: `app/${unit.id}/${name}`,
          importance: role.importance,
          kind: 'open-app',
          app: name,
          version,
          on: tagOf(onUnitId) || where,
          of: unit.tag,
        }),
      ),
  )
}

function listBanks({ setupId, disturbedOn }: StartFacts, filled: readonly Filled[]): StartLine[] {
  return filled.flatMap(({ unit, role }) =>
    unit.banks
      .filter((it) => it.setupId === setupId && it.roleId === role.id)
      .map(({ bank, print, storedOn }): StartLine => {
        const wasAway = (disturbedOn.get(unit.id) ?? '') >= storedOn
        const why = print !== printSettings(role.settings ?? []) ? 'settings-changed' : wasAway ? 'was-away' : null
        const key = `bank/${unit.id}/${bank}`
        return { key, importance: role.importance, kind: 'recall-bank', tag: unit.tag, bank, role: role.name, why }
      }),
  )
}

function listSettings(filled: readonly Filled[]): StartLine[] {
  const seen = new Set<string>()
  return filled.flatMap(({ unit, role }): StartLine[] => {
    if (!role.settings?.length || seen.has(role.id)) return []
    seen.add(role.id)
    const { importance, name, settings } = role
    return [{ key: `set/${role.id}`, importance, kind: 'set', role: name, tag: unit.tag, settings }]
  })
}

function listSeveralJobs({ setup }: StartFacts, filled: readonly Filled[]): StartLine[] {
  return filled.flatMap(({ unit, model, role }): StartLine[] => {
    const roles = setup.roles.filter((it) => it.things.some((thing) => thing.unitId === unit.id)).map((it) => it.name)
    if (model.category !== 'phone' && roles.length < 2) return []
    return [{ key: `no-calls/${unit.id}`, importance: role.importance, kind: 'no-calls', tag: unit.tag, roles }]
  })
}

/** What is looked at once all of it is lit: white, what should not be seen, and the focus where no larger screen shows it. */
/** Single things and counted ones that are used and there, by what they are. */
function listThere({ setup, holdings, away }: StartFacts): { tag: string; model: Model }[] {
  return setup.roles.flatMap(listInUse).flatMap(({ unitId, stockId }) => {
    const thing = holdings.units.get(unitId ?? '') ?? holdings.stock.get(stockId ?? '')
    const model = holdings.models.get(thing?.modelId ?? '')
    return thing && model && !away?.has(thing.id) ? [{ tag: thing.tag, model }] : []
  })
}

function listLooked(facts: StartFacts): StartLine[] {
  const { setup, stillId = null, takesWhiteByCard = false } = facts
  const { whiteBalance, eyesores, background, backdropMm } = setup.stage
  const there = listThere(facts)
  const tagsOf = (kind: Category) => [
    ...new Set(there.filter(({ model }) => isKindOf(model.category, kind)).map(({ tag }) => tag)),
  ]
  const cameras = tagsOf('camera')
  if (cameras.length === 0) return []
  const isDescribed = background !== null || backdropMm !== null
  const charts = tagsOf('colour-card')
  const hasScreen = tagsOf('monitor').length > 0
  const white: StartLine = {
    key: 'white-balance',
    importance: 'wanted',
    kind: 'white-balance',
    kelvin: whiteBalance?.kelvin ?? null,
    isOld: whiteBalance !== null && whiteBalance.lights !== printLights(setup),
  }
  return [
    ...(takesWhiteByCard || whiteBalance ? [white] : []),
    ...eyesores.map(({ id, what, cure, roleId }): StartLine => {
      const role = setup.roles.find((it) => it.id === roleId)?.name ?? ''
      return { key: `eyesore/${id}`, importance: 'wanted', kind: 'eyesore', what, cure, role }
    }),
    ...(isDescribed || !UNSEEN_BEHIND.includes(setup.purposeKind)
      ? [{ key: 'tidy', importance: 'wanted', kind: 'tidy', stillId } as const]
      : []),
    ...(charts.length > 0 ? [{ key: 'chart', importance: 'wanted', kind: 'chart', tags: charts } as const] : []),
    ...(isDescribed && !hasScreen
      ? [{ key: 'magnify', importance: 'wanted', kind: 'magnify', tags: cameras } as const]
      : []),
  ]
}

/** Whatever carries letters reads backwards in a picture that is turned round. */
function listMirrored({ setup }: StartFacts, filled: readonly Filled[]): StartLine[] {
  if (!setup.isMirrored) return []
  const things = filled
    .filter(({ model }) => LETTERED.some((kind) => isKindOf(model.category, kind)))
    .map(({ unit }) => unit.tag)
  return [{ key: 'mirror', importance: 'wanted', kind: 'mirror', things }]
}
