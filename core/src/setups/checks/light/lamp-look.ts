import {
  findAlongFloor,
  findDistanceToWall,
  findHeadroom,
  findLuxAt,
  findWallFallOff,
  radians,
} from '../../../formulas/light/fall-off.ts'
import {
  isItemOf,
  listItemsOf,
  type PlacedItem,
  readChoice,
  readFigure,
  readPositive,
} from '../../placed/placed-item.ts'
import { readSetting } from '../../setup/read-settings.ts'
import type { NewSetup, Role } from '../../setup/setup.ts'
import { type LightJob, POSTURES } from '../../setup/stage.ts'
import { computeCarriedLoads } from '../rigging/carried-load.ts'
import { factOf, type Scene } from '../scene.ts'

/** One lamp as it is set up. Null wherever a figure for it is missing; what is not known is never taken as full or as nothing. */
export interface LampLook {
  role: Role
  lamp: PlacedItem
  /** As its role says; nothing is read from a name. */
  job: LightJob | null
  /** From the lamp to what it lights, straight. */
  distanceMm: number | null
  /** To the side of the line between lens and face; left below nothing. */
  sideDegrees: number | null
  heightMm: number | null
  /** Share of its full output. One for a lamp that cannot be dimmed. */
  share: number | null
  headroomStops: number | null
  /** What shapes it, and what colours it. */
  modifiers: readonly PlacedItem[]
  gels: readonly PlacedItem[]
  /** Lost to modifiers and on the way; null while one of them has no figure. */
  lossStops: number | null
  unmeasuredLoss: readonly PlacedItem[]
  /** In a role of several lamps: what shapes or colours, and before which of them nobody said. */
  strays: readonly PlacedItem[]
  /** So many lamps share what was measured of their role. */
  sharedBy: number
  /** Where it falls, at its full output and as it is set. Measured where somebody did. */
  fullLux: number | null
  lux: number | null
  isMeasured: boolean
  /** As set, with gels and tints; null where it can be changed and nobody said to what. */
  kelvin: number | null
  /** What it can be set to. */
  kelvinMin: number | null
  kelvinMax: number | null
  /** Of what the light comes from: a modifier before it, else the lamp itself. */
  diameterMm: number | null
  sourceOf: PlacedItem
  isColourMeant: boolean
}

/** Every lamp in use. Flashes light no moving picture. */
export function listLampLooks(scene: Scene): LampLook[] {
  const { above } = factOf(scene, computeCarriedLoads)
  return scene.setup.roles.flatMap((role): LampLook[] => {
    const things = listItemsOf(role, scene.items)
    const lamps = things.filter((it) => isItemOf(it, 'light') && !isItemOf(it, 'flash'))
    const ridersOf = (lamp: PlacedItem) => (above.get(lamp.key) ?? []).flatMap((key) => scene.itemOf.get(key) ?? [])
    const mounted = new Set(lamps.flatMap(ridersOf))
    const loose = things.filter((it) => !mounted.has(it) && isShaping(it))
    return lamps.map((lamp) => {
      // What lies in the role of a single lamp is for it, on its mount or before it.
      const around = lamps.length === 1 ? [...new Set([...ridersOf(lamp), ...loose])] : ridersOf(lamp)
      return describeLamp(role, lamp, around, lamps.length === 1 ? [] : loose, lamps.length)
    })
  })
}

/** What changes the light on its way: a flag only keeps it from where it is not wanted. */
const isShaping = (it: PlacedItem) => (isItemOf(it, 'modifier') && !isItemOf(it, 'flag')) || isItemOf(it, 'gel')

function describeLamp(
  role: Role,
  lamp: PlacedItem,
  around: readonly PlacedItem[],
  strays: readonly PlacedItem[],
  sharedBy: number,
): LampLook {
  const position = role.position ?? null
  const light = role.light ?? null
  const modifiers = around.filter((it) => isItemOf(it, 'modifier') && !isItemOf(it, 'flag'))
  const gels = around.filter((it) => isItemOf(it, 'gel'))
  // What is bounced off a reflector in the role of the lamp loses there as well.
  const losing = [...modifiers, ...gels]
  const unmeasuredLoss = losing.filter((it) => readFigure(it, 'lossStops') === null)
  const lossStops =
    strays.length > 0 || (unmeasuredLoss.length > 0 && light?.lossStops == null)
      ? null
      : losing.reduce((sum, it) => sum + (readFigure(it, 'lossStops') ?? 0), light?.lossStops ?? 0)
  const cannotDim = readChoice(lamp, 'dims') === 'no'
  const share = readSetting(role.settings, 'share').figure ?? (cannotDim ? 1 : null)
  const distanceMm = position?.distanceMm || null
  const atOneMetre = readPositive(lamp, 'luxAtOneMetre')
  const computed =
    atOneMetre === null || distanceMm === null || lossStops === null
      ? null
      : findLuxAt(atOneMetre, distanceMm) * 2 ** -lossStops
  const measured = light?.lux == null ? null : light.lux / sharedBy
  const fullLux = measured !== null ? (share === null ? null : measured / share) : computed
  const source = modifiers.find((it) => readPositive(it, 'diameterMm') !== null) ?? modifiers[0] ?? lamp
  return {
    role,
    lamp,
    job: light?.job ?? null,
    distanceMm,
    sideDegrees: position?.sideDegrees ?? null,
    heightMm: position?.heightMm ?? null,
    share,
    headroomStops: share === null ? null : findHeadroom(share),
    modifiers,
    gels,
    lossStops,
    unmeasuredLoss,
    strays,
    sharedBy,
    fullLux,
    lux: measured ?? (computed === null || share === null ? null : computed * share),
    isMeasured: measured !== null,
    kelvin: strays.some((it) => isItemOf(it, 'gel')) ? null : readKelvin(role, lamp, gels),
    ...readRange(lamp),
    diameterMm: readPositive(source, 'diameterMm'),
    sourceOf: source,
    isColourMeant: light?.isColourMeant === true,
  }
}

/** What it can be set to; with one end alone nobody knows whether it can be set at all. */
function readRange(lamp: PlacedItem): Pick<LampLook, 'kelvinMin' | 'kelvinMax'> {
  const kelvinMin = readPositive(lamp, 'kelvinMin')
  const kelvinMax = readPositive(lamp, 'kelvinMax')
  return kelvinMin === null || kelvinMax === null ? { kelvinMin: null, kelvinMax: null } : { kelvinMin, kelvinMax }
}

/** What comes out of it, in kelvin: as set, or as it is where it cannot be set; shifted by gels and tints. */
function readKelvin(role: Role, lamp: PlacedItem, gels: readonly PlacedItem[]): number | null {
  const { kelvinMin, kelvinMax } = readRange(lamp)
  const set = readSetting(role.settings, 'kelvin').figure ?? (kelvinMin === kelvinMax ? kelvinMin : null)
  if (set === null) return null
  const shifts = gels.map((it) => readFigure(it, 'shiftMired'))
  if (shifts.some((it) => it === null)) return null
  const shift = shifts.reduce<number>((sum, it) => sum + (it ?? 0), role.light?.tintMired ?? 0)
  const mired = 1_000_000 / set + shift
  return mired > 0 ? 1_000_000 / mired : null
}

/** How high the eyes are: measured, else as is usual seated or standing; null where nobody said which. */
export function readEyeHeight({ stage }: Pick<NewSetup, 'stage'>): { eyeMm: number; isMeasured: boolean } | null {
  if (stage.eyeMm !== null) return { eyeMm: stage.eyeMm, isMeasured: true }
  return stage.posture ? { eyeMm: POSTURES[stage.posture].eyeMm, isMeasured: false } : null
}

/** Where a lamp is from the face: along the floor, to the side, and above the eyes; null where that is not known. */
export function placeLamp(look: LampLook, setup: Pick<NewSetup, 'stage'>) {
  const { distanceMm, sideDegrees, heightMm } = look
  const eyes = readEyeHeight(setup)
  if (distanceMm === null || sideDegrees === null || heightMm === null || !eyes) return null
  const aboveMm = heightMm - eyes.eyeMm
  const alongFloorMm = findAlongFloor(distanceMm, aboveMm)
  return alongFloorMm === null
    ? null
    : { alongFloorMm, sideDegrees, aboveMm, eyeMm: eyes.eyeMm, isMeasured: eyes.isMeasured }
}

/** What of a lamp for the face reaches the background behind it; null where its place or its level is not known. */
export function findSpill(look: LampLook, backdropMm: number): { lux: number; distanceMm: number } | null {
  const { lux, distanceMm, sideDegrees } = look
  if (lux === null || distanceMm === null) return null
  // A lamp that stands beside or behind whoever it lights throws nothing on what is behind them.
  if (sideDegrees !== null && Math.abs(sideDegrees) >= 90) return null
  const wayMm = findDistanceToWall(distanceMm, sideDegrees ?? 0, backdropMm, 0)
  return { lux: lux * (distanceMm / wayMm) ** 2, distanceMm: wayMm }
}

/** Lamps that are there for the face. */
export const isForFace = ({ job }: LampLook) => job === 'key' || job === 'fill'

/** How high up a wall is looked at. */
const WALL_MM = 2000

/** How much darker the foot of the background is than its top, from a lamp that is there for it or for the face; null where that is open. */
export function findDownTheWall(look: LampLook, { setup: { stage } }: Scene) {
  const { job, distanceMm, heightMm, sideDegrees } = look
  if (heightMm === null || distanceMm === null) return null
  const topMm = Math.min(WALL_MM, heightMm)
  const beforeMm = findBefore(look, stage.backdropMm)
  if (beforeMm === null || (job === 'background' ? false : sideDegrees === null)) return null
  return { stops: findWallFallOff(heightMm, beforeMm, topMm, 0), topMm, lampMm: heightMm, beforeMm }
}

/** How far before the background a lamp stands, along the line that looks at it. */
function findBefore({ job, distanceMm, sideDegrees }: LampLook, backdropMm: number | null): number | null {
  if (distanceMm === null) return null
  // The distance of a lamp for the background is counted to it.
  if (job === 'background') return distanceMm
  if ((job !== 'key' && job !== 'fill') || backdropMm === null || sideDegrees === null) return null
  const forward = distanceMm * Math.cos(radians(sideDegrees))
  return forward + backdropMm > 0 ? forward + backdropMm : null
}
