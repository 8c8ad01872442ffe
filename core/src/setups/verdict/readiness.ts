import type { Interface } from '../../kit/model/interface.ts'
import type { Absence } from '../../kit/unit/absence.ts'
import { type FindingLevel, findWorstLevel, LEVELS_WORST_FIRST } from '../../studio/finding.ts'
import type { Bar, Circuit, Place, Size } from '../../studio/places/place.ts'
import type { Policies, PolicyRef } from '../../studio/policy/policy.ts'
import { type DemandFinding, judgeDemands } from '../checks/content/demands.ts'
import { type CardMinutes, computeCardTimes } from '../checks/media/card-minutes.ts'
import { type Crew, type CrewFinding, judgeCrew } from '../checks/people/crew.ts'
import {
  type CameraAngle,
  judgePicture,
  listCameraAngles,
  type PictureFinding,
} from '../checks/picture/camera-angles.ts'
import { type CircuitLoad, computeCircuitLoad } from '../checks/power/circuit-load.ts'
import { computePackHours, type PackHours } from '../checks/power/pack-hours.ts'
import { type Carriage, type CarriedLoad, computeCarriedLoads } from '../checks/rigging/carried-load.ts'
import { type HeightFinding, judgeWorkingHeights } from '../checks/rigging/working-height.ts'
import {
  listAbsences,
  listBoundElsewhere,
  listEmptyRoles,
  listMissingSpares,
  listShortStock,
  listWhatTheCrewSays,
} from '../checks/roles/role-findings.ts'
import { checkSharedItems, type DutyFinding } from '../checks/roles/shared-item.ts'
import { countInputs, type InputUse } from '../checks/sound/inputs.ts'
import { type FeedFinding, judgeMicrophones, type MicrophoneGain } from '../checks/sound/microphone-gain.ts'
import { judgeSignalRates, type RateFinding } from '../checks/sound/signal-rate.ts'
import { judgeSound, type Signals, type SoundFinding, traceSignals } from '../checks/sound/signals.ts'
import { judgeSpeakers, type SpeakerFinding } from '../checks/sound/speakers.ts'
import { checkCableRuns, type LinkFinding } from '../joining/cable-run.ts'
import { type Completeness, checkCompleteness, type Joint } from '../joining/completeness.ts'
import type { Holdings, PlacedItem } from '../placed/placed-item.ts'
import { listSceneItems } from '../placed/venue.ts'
import type { Remedy } from '../proposals/remedy.ts'
import type { Acceptance, NewSetup } from '../setup/setup.ts'
import { markAccepted } from './acceptance.ts'

/** Figures with the numbers they came from; words.ts sets them out as the working. */
export type Working = CircuitLoad | PackHours | CardMinutes | CarriedLoad | MicrophoneGain

interface Common {
  /** Stable between two judgements of the same thing, so that one can be compared with the other. */
  key: string
  level: FindingLevel
  roleId: string | null
  remedies: Remedy[]
  /** Somebody lives with it as it is: it stays in the list and out of the verdict. */
  accepted?: Acceptance
}

export type ReadinessFinding = Common &
  (
    | { code: 'role-empty'; role: string }
    | { code: 'thing-absent'; unitId: string; tag: string; name: string; absence: Absence }
    | {
        code: 'need-unmet'
        tag: string
        name: string
        interfaces: { code: string; label: string; kind: Interface['kind']; partner: string }[]
        wanted: number
        missing: number
        rivals: string[]
        supply: string[]
        /** Free things and pieces of stock in the store that would fit. */
        inStore: number
        /** Things that would fit and are not to be had. */
        away: { tag: string; absence: Absence }[]
      }
    | { code: 'bound-elsewhere'; unitId: string; tag: string; name: string; room: string; here: string }
    | { code: 'part-missing'; unitId: string; tag: string; name: string; parts: string[] }
    | { code: 'work-around'; tag: string; name: string; text: string }
    | { code: 'stock-short'; stockId: string; tag: string; name: string; wanted: number; have: number }
    | { code: 'joint-unknown'; tag: string; name: string; other: string; fact: 'card-speed' | 'mass' | 'load-limit' }
    | { code: 'watts-unknown'; tag: string; name: string }
    | { code: 'circuit-missing'; milliwatts: number }
    | { code: 'circuit-load'; working: CircuitLoad }
    | { code: 'packs-short'; label: string; working: PackHours }
    | { code: 'cards-short'; working: CardMinutes }
    | CrewFinding
    | DemandFinding
    | SoundFinding
    | LinkFinding
    | PictureFinding
    | HeightFinding
    | FeedFinding
    | RateFinding
    | SpeakerFinding
    | DutyFinding
    | { code: 'carried-load'; working: CarriedLoad }
    | { code: 'gain-short'; working: MicrophoneGain }
    | { code: 'spare-missing'; tag: string; name: string; role: string; policy: 'must' | 'nice' }
  )

export type FindingCode = ReadinessFinding['code']

/** The worst that is found about one role. */
export interface RoleStanding {
  roleId: string
  level: FindingLevel
}

export interface Readiness {
  level: FindingLevel
  counts: Record<FindingLevel, number>
  findings: ReadinessFinding[]
  roles: RoleStanding[]
  /** Who met whose need, for the board: "16 mm spigot from STD-03". */
  joints: Joint[]
  /** Every sum that was made, also where it came out well. */
  workings: Working[]
  totalMassGrams: number
  /** Each camera with its lens and what it frames. */
  cameras: CameraAngle[]
  /** Where every signal goes, along the cables that are in the setup. */
  signals: Signals
  /** Inputs in use of inputs there are. */
  inputs: InputUse[]
  /** Which policies each sum followed. */
  follows: Record<Working['formula'], PolicyRef[]>
}

export interface AssessmentInput {
  setup: NewSetup
  holdings: Holdings
  interfaces: ReadonlyMap<string, Interface>
  circuit: Circuit | null
  policies: Policies
  /** People and place; null judges the things alone. */
  crew: Crew | null
  /** Why a unit cannot be counted on at the time that is judged. */
  absences: ReadonlyMap<string, Absence>
  /** Pieces of each stock that nothing else holds at that time. */
  freeStock: ReadonlyMap<string, number>
  /** Parts that should be with a unit and are not there, by its id: tag and name. */
  missingParts?: ReadonlyMap<string, string[]>
  /** For each unit of a role with a spare policy: how many free things of its kind lie in the store. */
  spares?: ReadonlyMap<string, number>
  /** Bars and ceiling clips of the room. */
  bars?: readonly Bar[]
  /** The inside of the room, where somebody measured it. */
  roomSize?: Size | null
  /** Where it is to be, and the places of the studio, for what belongs to a room and stays there. */
  where?: { placeId: string | null; places: ReadonlyMap<string, Pick<Place, 'id' | 'name' | 'kind' | 'parentId'>> }
}

/** Judges a setup as it stands: who is missing, what does not fit, and whether the sums come out. Without remedies. */
export function assessSetup(input: AssessmentInput): Readiness {
  const { setup, holdings, interfaces } = input
  const things = listSceneItems(setup, holdings, input)
  return assessThings(input, things, checkCompleteness(things, interfaces, setup.links))
}

/** The same of things that were listed and joined already. */
export function assessThings(
  input: AssessmentInput,
  things: readonly PlacedItem[],
  completeness: Completeness,
): Readiness {
  const { setup, holdings, interfaces } = input
  const findings: ReadinessFinding[] = [
    ...listEmptyRoles(setup.roles),
    ...listAbsences(input),
    ...listMissingSpares(input),
    ...listBoundElsewhere(input),
    ...listWhatTheCrewSays(input),
    ...listShortStock(input),
    ...listCrewFindings(input),
    ...withoutRemedies(judgeDemands(setup, holdings)),
    ...withoutRemedies(checkSharedItems(setup, holdings)),
    ...completeness.unmet.map(
      (need): ReadinessFinding => ({
        key: `need-unmet/${need.thing.key}/${need.portId}`,
        level: need.level,
        roleId: need.thing.roleId,
        remedies: [],
        code: 'need-unmet',
        tag: need.thing.tag,
        name: need.thing.name,
        interfaces: need.interfaces.map((code) => describeInterface(code, need.side, interfaces)),
        wanted: need.wanted,
        missing: need.missing,
        rivals: need.rivals,
        supply: need.supply,
        inStore: 0,
        away: [],
      }),
    ),
    ...completeness.unknown.map(
      ({ thing, other, fact }): ReadinessFinding => ({
        key: `joint-unknown/${thing.key}/${other.key}`,
        level: 'unknown',
        roleId: thing.roleId,
        remedies: [],
        code: 'joint-unknown',
        tag: thing.tag,
        name: thing.name,
        other: other.tag,
        fact,
      }),
    ),
  ]
  const signals = traceSignals(things, completeness.joints, interfaces)
  const carriage = computeCarriedLoads(things, completeness.joints, interfaces)
  const size = input.roomSize ?? null
  const cameras = listCameraAngles(setup, things, carriage.above, holdings, size)
  const microphones = judgeMicrophones(setup, things, signals.chains, holdings)
  findings.push(
    ...withoutRemedies(judgeSound(things, signals, input.policies.school('sound-path'))),
    ...withoutRemedies(checkCableRuns(setup.links, things, completeness.joints, (key) => readLength(key, holdings))),
    ...withoutRemedies(judgePicture(cameras, size)),
    ...withoutRemedies(judgeWorkingHeights(setup, things, carriage.below, holdings)),
    ...withoutRemedies(microphones.findings),
    ...withoutRemedies(judgeSignalRates(things, signals.chains, holdings)),
    ...withoutRemedies(judgeSpeakers(setup, things, completeness.joints, signals, holdings)),
    ...listBadLoads(carriage),
    ...listWeakMicrophones(microphones.gains),
  )
  const sums = judgeSums(things, input)
  findings.push(...sums.findings)
  const marked = markAccepted(withoutDoubles(findings), setup.accepted).sort(byLevel)
  const open = marked.filter((it) => !it.accepted)
  return {
    level: findWorstLevel(open.map((finding) => finding.level)),
    counts: countLevels(open),
    findings: marked,
    roles: setup.roles.map((role) => ({
      roleId: role.id,
      level: findWorstLevel(open.filter((it) => it.roleId === role.id).map((it) => it.level)),
    })),
    joints: completeness.joints,
    workings: [
      ...sums.workings,
      // What cannot be told is a finding, and no sum that comes out.
      ...carriage.loads.flatMap(({ roleId: _, ...working }) => (working.level === 'unknown' ? [] : [working])),
      ...microphones.gains.map(({ roleId: _, ...working }) => working),
    ],
    cameras,
    totalMassGrams: things.reduce((sum, thing) => sum + (thing.massGrams ?? 0), 0),
    signals,
    inputs: countInputs(things, completeness.joints),
    follows: listFollowed(input.policies),
  }
}

function listFollowed({ figure, school }: Policies): Readiness['follows'] {
  return {
    'circuit-load': [figure('continuousLoadPercent')],
    'pack-hours': [figure('packEfficiencyPercent'), figure('sparePacks'), school('redundancy')],
    'card-minutes': [figure('cardHeadroomPercent')],
    'carried-load': [],
    'microphone-gain': [],
  }
}

function withoutRemedies<T extends object>(findings: readonly T[]): (T & { remedies: Remedy[] })[] {
  return findings.map((finding) => ({ ...finding, remedies: [] }))
}

/** What does several jobs is found once for all of them, at its worst. */
function withoutDoubles(findings: readonly ReadinessFinding[]): ReadinessFinding[] {
  const first = new Map<string, ReadinessFinding>()
  for (const finding of [...findings].sort(byLevel)) if (!first.has(finding.key)) first.set(finding.key, finding)
  return [...first.values()]
}

function listBadLoads({ loads }: Carriage): ReadinessFinding[] {
  return loads.flatMap(({ roleId, ...working }): ReadinessFinding[] => {
    if (working.level === 'ok' || (working.level === 'unknown' && working.riders[0]?.massGrams === null)) return []
    const key = `carried-load/${working.tag}/${working.riders[0]?.tag}`
    return [{ key, level: working.level, roleId, remedies: [], code: 'carried-load', working }]
  })
}

function listWeakMicrophones(gains: ReturnType<typeof judgeMicrophones>['gains']): ReadinessFinding[] {
  return gains.flatMap(({ roleId, ...working }): ReadinessFinding[] => {
    if (working.level === 'ok') return []
    const key = `gain-short/${working.tag}`
    return [{ key, level: working.level, roleId, remedies: [], code: 'gain-short', working }]
  })
}

function listCrewFindings({ setup, holdings, crew }: AssessmentInput): ReadinessFinding[] {
  if (!crew) return []
  return judgeCrew(setup, holdings, crew).map((finding) => ({ ...finding, roleId: null, remedies: [] }))
}

/** An adapter adds nothing to the length of a run; what nobody recorded is null. */
function readLength(key: string, { units, models }: Holdings): number | null {
  const model = models.get(units.get(key)?.modelId ?? '')
  if (model?.category === 'cable-adapter') return 0
  const length = model?.specs.more.lengthMm
  return typeof length === 'number' ? length : null
}

function describeInterface(code: string, side: 'host' | 'guest', interfaces: ReadonlyMap<string, Interface>) {
  const known = interfaces.get(code)
  return {
    code,
    label: known?.label ?? code,
    kind: known?.kind ?? ('signal' as const),
    partner: (side === 'host' ? known?.guestName : known?.hostName) ?? code,
  }
}

function judgeSums(
  things: readonly PlacedItem[],
  { setup, circuit, policies, interfaces }: AssessmentInput,
): { findings: ReadinessFinding[]; workings: Working[] } {
  const { settings } = policies
  const findings: ReadinessFinding[] = []
  const workings: Working[] = []
  for (const thing of things) {
    if (thing.powerMode && thing.powerMode.source !== 'cells' && thing.powerMode.milliwatts === null) {
      const { tag, name, roleId } = thing
      const key = `watts-unknown/${thing.key}`
      findings.push({ key, level: 'unknown', roleId, remedies: [], code: 'watts-unknown', tag, name })
    }
  }
  const onMains = things.filter((thing) => thing.powerMode?.source === 'mains')
  if (circuit && onMains.length > 0) {
    const loadPolicy = { rule: settings.loadRule, continuousPercent: settings.continuousLoadPercent }
    const working = computeCircuitLoad(things, circuit, loadPolicy, setup.plannedMinutes)
    workings.push(working)
    if (working.level !== 'ok') {
      findings.push({
        key: 'circuit-load',
        level: working.level,
        roleId: null,
        remedies: [],
        code: 'circuit-load',
        working,
      })
    }
  } else if (onMains.length > 0) {
    const milliwatts = onMains.reduce((sum, thing) => sum + (thing.powerMode?.milliwatts ?? 0), 0)
    findings.push({
      key: 'circuit-missing',
      level: 'unknown',
      roleId: null,
      remedies: [],
      code: 'circuit-missing',
      milliwatts,
    })
  }
  const packOptions = {
    minutes: setup.plannedMinutes,
    sparePacks: settings.sparePacks,
    efficiencyPercent: settings.packEfficiencyPercent,
    isLean: policies.school('redundancy').way === 'lean',
  }
  for (const working of computePackHours(things, packOptions)) {
    workings.push(working)
    if (working.level === 'ok') continue
    const label = interfaces.get(working.family)?.label ?? working.family
    const key = `packs-short/${working.family}`
    findings.push({ key, level: working.level, roleId: null, remedies: [], code: 'packs-short', label, working })
  }
  const cardOptions = { plannedMinutes: setup.plannedMinutes, headroomPercent: settings.cardHeadroomPercent }
  for (const working of computeCardTimes(things, cardOptions)) {
    workings.push(working)
    if (working.level === 'ok') continue
    const roleId = things.find((thing) => thing.tag === working.tag)?.roleId ?? null
    const key = `cards-short/${working.tag}`
    findings.push({ key, level: working.level, roleId, remedies: [], code: 'cards-short', working })
  }
  return { findings, workings }
}

function byLevel(a: ReadinessFinding, b: ReadinessFinding): number {
  return (
    Number(a.accepted !== undefined) - Number(b.accepted !== undefined) ||
    LEVELS_WORST_FIRST.indexOf(a.level) - LEVELS_WORST_FIRST.indexOf(b.level) ||
    (a.key < b.key ? -1 : a.key > b.key ? 1 : 0)
  )
}

function countLevels(findings: readonly ReadinessFinding[]): Record<FindingLevel, number> {
  const counts = { stop: 0, warn: 0, unknown: 0, advise: 0, ok: 0 }
  for (const finding of findings) counts[finding.level]++
  return counts
}
