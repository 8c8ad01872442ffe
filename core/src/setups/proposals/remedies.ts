import { isKindOf } from '../../kit/model/category.ts'
import type { Model } from '../../kit/model/model.ts'
import { nameModel } from '../../kit/model/model.ts'
import type { Absence } from '../../kit/unit/absence.ts'
import type { Stock, Unit } from '../../kit/unit/unit.ts'
import type { Circuit } from '../../studio/places/place.ts'
import { type DemandFinding, isSelfView } from '../checks/content/demands.ts'
import type { MicrophoneGain } from '../checks/sound/microphone-gain.ts'
import { listUnitIds, type NewSetup, type Role, suitsRole } from '../setup/setup.ts'
import { makeJudge } from '../verdict/incremental.ts'
import { type AssessmentInput, assessSetup, type Readiness, type ReadinessFinding } from '../verdict/readiness.ts'
import { applyRemedy, type Remedy } from './remedy.ts'

/** A thing of the store that is free for the whole time that is judged. */
export interface FreeItem {
  unit: Unit
  model: Model
  /** How many setups count on it: the fewer, the sooner it is offered. */
  usedBySetups: number
}

export interface Store {
  units: readonly FreeItem[]
  stock: readonly { stock: Stock; model: Model; free: number }[]
  /** Things of the same kinds that are not to be had, and why. */
  away?: readonly { unit: Unit; model: Model; absence: Absence }[]
  /** Circuits of the setup's room. */
  circuits: readonly Circuit[]
}

/** How many ways out are offered for one finding, and how many things are tried to find them. */
const MOST_OFFERED = 3
const MOST_TRIED = 12

/**
 * Judges a setup and looks for ways out of each finding among what is free. Every way out was tried on the setup: the
 * finding it stands under goes away, or gets smaller, and no stop is added.
 */
export function assessWithWaysOut(input: AssessmentInput, store: Store): Readiness {
  const readiness = assessSetup(input)
  const trial = makeTrial(input, readiness, store)
  const findings = readiness.findings.map((finding): ReadinessFinding => {
    const remedies = listWaysOut(finding, input, store, trial)
    if (finding.code !== 'need-unmet') return { ...finding, remedies }
    const inStore = countFitting(finding, input, store)
    // What lies in the store and cannot be joined is not mended by buying one more of it.
    return {
      ...finding,
      inStore,
      away: listAway(finding, inStore, input, store),
      remedies: remedies.filter((it) => it.kind !== 'shop' || inStore < finding.missing),
    }
  })
  return { ...readiness, findings }
}

/** Free things that could stand in for a unit of the setup without adding a stop, best first. */
export function findStandIns(input: AssessmentInput, unitId: string, store: Store): FreeItem[] {
  const readiness = assessSetup(input)
  const trial = makeTrial(input, readiness, store)
  const role = input.setup.roles.find((it) => it.things.some((thing) => thing.unitId === unitId))
  if (!role) return []
  return listReplacements(role, unitId, input, store).filter((candidate) => {
    const after = trial([makeReplacement(role, unitId, candidate)])
    return after.counts.stop <= readiness.counts.stop
  })
}

type Trial = (remedies: Remedy[]) => Readiness

function makeTrial(input: AssessmentInput, before: Readiness, store: Store): Trial {
  const models = new Map(input.holdings.models)
  const units = new Map(input.holdings.units)
  const stock = new Map(input.holdings.stock)
  for (const { unit, model } of store.units) {
    units.set(unit.id, unit)
    models.set(model.id, model)
  }
  for (const it of store.stock) {
    stock.set(it.stock.id, it.stock)
    models.set(it.model.id, it.model)
  }
  const freeStock = new Map([...store.stock.map((it) => [it.stock.id, it.free] as const), ...input.freeStock])
  // One after the other differ by a thing or two: what they have in common is joined once.
  const judge = makeJudge()
  judge.assess(input)
  return (remedies) => {
    const setup = remedies.reduce<NewSetup>(applyRemedy, input.setup)
    if (setup === input.setup) return before
    const circuit = store.circuits.find((it) => it.id === setup.circuitId) ?? input.circuit
    return judge.assess({ ...input, setup, circuit, freeStock, holdings: { models, units, stock } })
  }
}

function listWaysOut(finding: ReadinessFinding, input: AssessmentInput, store: Store, trial: Trial): Remedy[] {
  const before = trial([])
  const offers = listIdeas(finding, input, store).flatMap((remedy, order) => {
    const worth = remedy.kind === 'shop' ? 2 : weighRemedy(finding, before, trial([remedy]))
    return worth === null ? [] : [{ remedy, worth, order }]
  })
  return offers
    .sort((a, b) => a.worth - b.worth || a.order - b.order)
    .slice(0, MOST_OFFERED)
    .map((offer) => offer.remedy)
}

/** 0 where the finding goes away, 1 where it gets smaller, null where a remedy does not help or adds a stop. */
function weighRemedy(finding: ReadinessFinding, before: Readiness, after: Readiness): 0 | 1 | null {
  const same = after.findings.find((it) => it.key === finding.key)
  // A body put into an empty role wants a lens next: that is the way forward, not a new fault.
  if (finding.code === 'role-empty') return same ? null : 0
  if (after.counts.stop > before.counts.stop) return null
  if (same) return isSmaller(same, finding) ? 1 : null
  // The same fault on the thing that stands in would carry another key, so the count of its level has to fall too.
  return after.counts[finding.level] < before.counts[finding.level] ? 0 : null
}

function isSmaller(after: ReadinessFinding, before: ReadinessFinding): boolean {
  if (after.code === 'need-unmet' && before.code === 'need-unmet') return after.missing < before.missing
  if (after.code === 'packs-short' && before.code === 'packs-short') {
    return after.working.wanted - after.working.have < before.working.wanted - before.working.have
  }
  if (after.code === 'cards-short' && before.code === 'cards-short')
    return after.working.minutes > before.working.minutes
  if (after.code === 'circuit-load' && before.code === 'circuit-load') {
    return after.working.totalMilliwatts < before.working.totalMilliwatts
  }
  if (after.code === 'microphones-short' && before.code === 'microphones-short') return after.have > before.have
  if (after.code === 'sound-inputs-short' && before.code === 'sound-inputs-short') return after.have > before.have
  if (after.code === 'gain-short' && before.code === 'gain-short') return isNearer(after.working, before.working)
  return false
}

const isNearer = (after: MicrophoneGain, before: MicrophoneGain) =>
  after.wantedDb - after.haveDb < before.wantedDb - before.haveDb

/** Tags of the things of a setup in whose stead another of the kind could mend a finding. */
export function listReplaceable(finding: ReadinessFinding): readonly string[] {
  switch (finding.code) {
    case 'thing-absent':
    case 'need-unmet':
    case 'part-missing':
    case 'bound-elsewhere':
      return [finding.tag]
    case 'carried-load':
      return [finding.working.tag]
    case 'height-out-of-reach':
      return finding.carriers
    case 'circle-small':
      return [finding.lens]
    case 'gain-short':
      return [finding.working.tag, finding.working.input.tag]
    case 'feed-missing':
      return [finding.tag, finding.input]
    case 'sound-inputs-short':
    case 'link-slow':
      return finding.tags
    default:
      return []
  }
}

/** What could be tried, in the order of what it costs: something free, another way to run it, buying. */
function listIdeas(finding: ReadinessFinding, input: AssessmentInput, store: Store): Remedy[] {
  const role = input.setup.roles.find((it) => it.id === finding.roleId)
  switch (finding.code) {
    case 'role-empty':
      return role
        ? listAssignments(
            role,
            store,
            (it) => (role.wants === null && !role.anyOfUnitIds?.length) || suitsRole(role, it.model, it.unit.id),
          )
        : []
    case 'bound-elsewhere':
    case 'part-missing':
    case 'thing-absent':
      return role ? makeReplacements(role, finding.unitId, input, store) : []
    case 'need-unmet':
      return role ? listIdeasForNeed(finding, role, input, store) : []
    case 'stock-short':
      return [{ kind: 'shop', item: finding.name, quantity: finding.wanted - finding.have, stockId: finding.stockId }]
    case 'packs-short':
      return listIdeasForPacks(finding.label, finding.working, input, store)
    case 'cards-short':
      return role ? listIdeasForCards(finding.working, role, input, store) : []
    case 'circuit-load':
      return orderByPower(input, listCircuits(input, store), listPowerModes(input, 'packs'))
    case 'circuit-missing':
      return listCircuits(input, store)
    case 'demand-unmet':
      return role ? listIdeasForDemand(finding, input, store) : []
    case 'spare-missing':
      return [{ kind: 'shop', item: `Spare for ${finding.name}`, quantity: 1, stockId: null }]
    case 'carried-load':
      return finding.working.level === 'stop' ? listStandInsFor([finding.working.tag], input, store) : []
    case 'height-out-of-reach':
      return listStandInsFor(finding.carriers, input, store)
    case 'circle-small':
      return [...listRecordingModesOf(finding.tag, input), ...listStandInsFor([finding.lens], input, store)]
    case 'gain-short':
      return listStandInsFor([finding.working.tag, finding.working.input.tag], input, store)
    case 'link-slow':
      return finding.level === 'warn' ? listStandInsFor(finding.tags, input, store) : []
    case 'feed-missing':
      return listStandInsFor([finding.input, finding.tag], input, store)
    case 'microphones-short':
      return [
        ...(role ? listAssignments(role, store, (it) => isKindOf(it.model.category, 'microphone')) : []),
        { kind: 'shop', item: 'Microphone', quantity: finding.speakers - finding.have, stockId: null },
      ]
    case 'sound-inputs-short':
      return listStandInsFor(finding.tags, input, store)
    case 'beyond-room':
    case 'double-duty':
    case 'given-lacking':
    case 'feed-unknown':
    case 'gain-unknown':
    case 'microphone-unsuited':
    case 'link-trouble':
    case 'sound-unrecorded':
    case 'sound-single':
    case 'demand-unknown':
    case 'work-around':
    case 'joint-unknown':
    case 'watts-unknown':
    case 'skill-missing':
    case 'skill-single':
    case 'person-limit':
    case 'consent-refused':
    case 'owner-not-asked':
    case 'place-closed':
      return []
    default:
      return finding satisfies never
  }
}

/** A screen beside the camera, or another thing of the kind that falls short; the trial decides which of them do. */
function listIdeasForDemand(
  { demand, unitIds, roleId }: DemandFinding,
  input: AssessmentInput,
  store: Store,
): Remedy[] {
  const home = input.setup.roles.find((it) => it.id === roleId)
  const screens =
    demand === 'self-view' && home ? listAssignments(home, store, (it) => isSelfView(it.model.category)) : []
  const others = unitIds.flatMap((unitId) => {
    const role = input.setup.roles.find((it) => it.things.some((thing) => thing.unitId === unitId))
    return role ? makeReplacements(role, unitId, input, store) : []
  })
  return [...screens, ...others]
}

/** Others of the same kind for the things with these tags. */
function listStandInsFor(tags: readonly string[], input: AssessmentInput, store: Store): Remedy[] {
  return [...input.holdings.units.values()]
    .filter((unit) => tags.includes(unit.tag))
    .flatMap((unit) => {
      const role = input.setup.roles.find((it) => it.things.some((thing) => thing.unitId === unit.id))
      return role ? makeReplacements(role, unit.id, input, store) : []
    })
}

type NeedUnmet = Extract<ReadinessFinding, { code: 'need-unmet' }>

function listIdeasForNeed(finding: NeedUnmet, role: Role, input: AssessmentInput, store: Store): Remedy[] {
  const unitId = finding.key.split('/')[1] ?? ''
  const isUnit = input.holdings.units.has(unitId)
  const stock = store.stock
    .filter((it) => it.free >= finding.missing && fits(finding, it.model, input))
    .map(
      (it): Remedy => ({
        kind: 'assign-stock',
        roleId: role.id,
        stockId: it.stock.id,
        quantity: finding.missing,
        name: nameModel(it.model),
      }),
    )
  const units = listAssignments(role, store, (it) => fits(finding, it.model, input), finding.missing)
  const emptyStock = store.stock.find((it) => fits(finding, it.model, input))
  const item = emptyStock?.model.name ?? finding.interfaces.map((it) => it.label).join(' or ')
  return [
    ...stock,
    ...units,
    ...(isUnit ? listPowerModesOf(role, unitId, input) : []),
    ...(isUnit ? makeReplacements(role, unitId, input, store) : []).slice(0, 2),
    { kind: 'shop', item, quantity: finding.missing, stockId: emptyStock?.stock.id ?? null },
  ]
}

function countFitting(finding: NeedUnmet, input: AssessmentInput, store: Store): number {
  const units = store.units.filter((it) => fits(finding, it.model, input)).length
  return store.stock.reduce((sum, it) => sum + (fits(finding, it.model, input) ? it.free : 0), units)
}

/** What would fit and is out, booked or in repair: worth knowing only where too little is free. */
function listAway(
  finding: NeedUnmet,
  inStore: number,
  input: AssessmentInput,
  store: Store,
): { tag: string; absence: Absence }[] {
  if (inStore >= finding.missing) return []
  const fitting = (store.away ?? []).filter((it) => fits(finding, it.model, input))
  return fitting.slice(0, MOST_OFFERED).map(({ unit, absence }) => ({ tag: unit.tag, absence }))
}

/** Whether a model has an end of the other side of the interface; the trial decides the rest. */
function fits(finding: NeedUnmet, model: Model, input: AssessmentInput): boolean {
  const thingKey = finding.key.split('/')[1] ?? ''
  const portId = finding.key.split('/')[2] ?? ''
  const side = findSide(thingKey, portId, input)
  return model.ports.some(
    (port) => port.side !== side && port.interfaces.some((code) => finding.interfaces.some((it) => it.code === code)),
  )
}

function findSide(thingKey: string, portId: string, { holdings }: AssessmentInput): 'host' | 'guest' | null {
  const stockId = /^stock:(.+):\d+$/.exec(thingKey)?.[1]
  const modelId = stockId ? holdings.stock.get(stockId)?.modelId : holdings.units.get(thingKey)?.modelId
  return holdings.models.get(modelId ?? '')?.ports.find((port) => port.id === portId)?.side ?? null
}

/** Puts `count` free things of one model into a role, or as many as there are. */
function listAssignments(role: Role, store: Store, suits: (it: FreeItem) => boolean, count = 1): Remedy[] {
  const byModel = new Map<string, FreeItem[]>()
  for (const it of rankStore(store.units.filter(suits))) {
    byModel.set(it.model.id, [...(byModel.get(it.model.id) ?? []), it])
  }
  return [...byModel.values()].slice(0, MOST_TRIED).map((group): Remedy => {
    const taken = group.slice(0, count)
    return {
      kind: 'assign',
      roleId: role.id,
      unitIds: taken.map((it) => it.unit.id),
      tags: taken.map((it) => it.unit.tag),
      name: nameModel(group[0]?.model ?? { maker: '', name: '' }),
    }
  })
}

function rankStore(units: FreeItem[]): FreeItem[] {
  return units.sort((a, b) => a.usedBySetups - b.usedBySetups || (a.unit.tag < b.unit.tag ? -1 : 1))
}

function listReplacements(role: Role, unitId: string, { holdings }: AssessmentInput, store: Store): FreeItem[] {
  const old = holdings.models.get(holdings.units.get(unitId)?.modelId ?? '')
  const wanted = old?.category ?? role.wants
  // Where the role lists what takes turns, those and no others stand in for each other.
  const listed = role.anyOfUnitIds ?? []
  const alike = store.units.filter((it) =>
    listed.length > 0 ? listed.includes(it.unit.id) : wanted !== null && isKindOf(it.model.category, wanted),
  )
  return rankStore(alike)
    .sort((a, b) => Number(b.model.id === old?.id) - Number(a.model.id === old?.id))
    .slice(0, MOST_TRIED)
}

function makeReplacements(role: Role, unitId: string, input: AssessmentInput, store: Store): Remedy[] {
  return listReplacements(role, unitId, input, store).map((it) => makeReplacement(role, unitId, it))
}

function makeReplacement(role: Role, unitId: string, { unit, model }: FreeItem): Remedy {
  return { kind: 'replace', roleId: role.id, unitId, byUnitId: unit.id, tag: unit.tag, name: nameModel(model) }
}

function listIdeasForPacks(
  label: string,
  { family, wanted, have, devices }: { family: string; wanted: number; have: number; devices: { tag: string }[] },
  input: AssessmentInput,
  store: Store,
): Remedy[] {
  const home = input.setup.roles.find((role) => role.things.some((it) => holdsFamily(it.unitId, family, input)))
  const isPack = ({ model }: FreeItem) =>
    model.ports.some((it) => it.side === 'guest' && it.interfaces.includes(family))
  const free = home ? listAssignments(home, store, isPack, wanted - have) : []
  const found = free.reduce((most, it) => (it.kind === 'assign' ? Math.max(most, it.unitIds.length) : most), 0)
  const fed = new Set(devices.map((device) => device.tag))
  const missing = wanted - have - found
  return [
    ...orderByPower(
      input,
      listPowerModes(input, 'mains').filter((it) => it.kind === 'power-mode' && fed.has(it.tag)),
      free,
    ),
    ...(missing > 0 ? [{ kind: 'shop' as const, item: `Packs of ${label}`, quantity: missing, stockId: null }] : []),
  ]
}

/** What keeps to the mains and what goes to packs, in the order of the studio's school; without one, things before modes. */
function orderByPower({ policies }: AssessmentInput, mains: Remedy[], packs: Remedy[]): Remedy[] {
  const { way } = policies.school('power')
  if (way === 'mains') return [...mains, ...packs]
  if (way === 'packs') return [...packs, ...mains]
  const isMode = (it: Remedy) => it.kind === 'power-mode'
  return [...mains, ...packs].sort((a, b) => Number(isMode(a)) - Number(isMode(b)))
}

function holdsFamily(unitId: string | null, family: string, { holdings }: AssessmentInput): boolean {
  const model = holdings.models.get(holdings.units.get(unitId ?? '')?.modelId ?? '')
  return model?.ports.some((port) => port.side === 'guest' && port.interfaces.includes(family)) ?? false
}

function listIdeasForCards(
  working: { tag: string; minutes: number; plannedMinutes: number },
  role: Role,
  input: AssessmentInput,
  store: Store,
): Remedy[] {
  const cards = store.units
    .filter((it) => it.model.category === 'card')
    .sort((a, b) => (b.model.specs.capacityMegabytes ?? 0) - (a.model.specs.capacityMegabytes ?? 0))
  return [
    ...listAssignments(role, { ...store, units: cards }, () => true),
    ...listRecordingModesOf(working.tag, input),
    { kind: 'shop', item: 'A larger memory card', quantity: 1, stockId: null },
  ]
}

/** Every other way in which a thing of the setup can record. */
function listRecordingModesOf(tag: string, { setup, holdings }: AssessmentInput): Remedy[] {
  return setup.roles.flatMap((role) =>
    role.things.flatMap(({ unitId, recordingModeId }): Remedy[] => {
      const unit = holdings.units.get(unitId ?? '')
      const modes = holdings.models.get(unit?.modelId ?? '')?.recordingModes ?? []
      if (!unit || unit.tag !== tag) return []
      const chosen = recordingModeId ?? modes[0]?.id
      return modes
        .filter((mode) => mode.id !== chosen)
        .map(({ id, label }) => ({
          kind: 'recording-mode',
          roleId: role.id,
          unitId: unit.id,
          tag,
          recordingModeId: id,
          label,
        }))
    }),
  )
}

function listCircuits({ setup }: AssessmentInput, store: Store): Remedy[] {
  return store.circuits
    .filter((circuit) => circuit.id !== setup.circuitId)
    .map((circuit) => ({ kind: 'circuit', circuitId: circuit.id, name: circuit.name }))
}

/** Every other way to power a thing of the setup from the given source. */
function listPowerModes(input: AssessmentInput, source: 'mains' | 'packs'): Remedy[] {
  return input.setup.roles.flatMap((role) =>
    listUnitIds({ roles: [role] }).flatMap((unitId) => listPowerModesOf(role, unitId, input, source)),
  )
}

function listPowerModesOf(
  role: Role,
  unitId: string,
  { holdings }: AssessmentInput,
  source?: 'mains' | 'packs',
): Remedy[] {
  const unit = holdings.units.get(unitId)
  const model = holdings.models.get(unit?.modelId ?? '')
  const chosen = role.things.find((it) => it.unitId === unitId)?.powerModeId ?? model?.powerModes[0]?.id
  return (model?.powerModes ?? [])
    .filter((mode) => mode.id !== chosen && (source === undefined || mode.source === source))
    .map((mode) => ({
      kind: 'power-mode',
      roleId: role.id,
      unitId,
      tag: unit?.tag ?? '',
      powerModeId: mode.id,
      label: mode.label,
    }))
}
