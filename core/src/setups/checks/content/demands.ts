import type { Category } from '../../../kit/model/category.ts'
import type { Unit } from '../../../kit/unit/unit.ts'
import { isItemOf, type PlacedItem, readChoice, readFigure } from '../../placed/placed-item.ts'
import { type ContentDemand, DEMAND_LIMITS } from '../../setup/demand.ts'
import { defineCheck, type Found, type IdeaContext } from '../check.ts'
import { plain } from '../finding-words.ts'
import { findRole, listAssignments, listStandInsFor } from '../ideas.ts'
import { factOf, type Scene } from '../scene.ts'
import { listReached, traceSignals } from '../signal/signals.ts'
import type { Asked, DemandCode, DemandFinding } from './demand-finding.ts'
import { DEMAND_WORDS, sayDemand, sayNotRecorded } from './demand-words.ts'

const SCREENS: readonly Category[] = ['monitor', 'external-recorder', 'tablet', 'computer']

const TAKES_PICTURE: readonly Category[] = ['switcher', 'capture', 'external-recorder']

/** What could meet a demand that is not met: screens, cameras, lenses, lamps. */
const HELPS: readonly Category[] = ['camera', 'lens', 'light', 'monitor', 'tablet', 'computer']

const isScreen = (it: Pick<PlacedItem, 'category'>) => SCREENS.some((kind) => isItemOf(it, kind))

/** Whether a picture could be brought to it by a cable; of what has no such end nobody wrote down how it gets its picture. */
const takesPicture = ({ ports }: PlacedItem) =>
  ports.some((it) => it.side === 'host' && (it.direction === 'in' || it.direction === 'both'))

/** Screens by which somebody sees themselves where no camera turns its own round: those that the picture of a camera reaches. */
function listSelfViews(scene: Scene): ReadonlySet<PlacedItem> {
  const { chains } = factOf(scene, traceSignals)
  const cameras = scene.items.filter((it) => isItemOf(it, 'camera'))
  const reached = new Set(cameras.flatMap((it) => listReached(it, chains, scene)))
  return new Set(scene.items.filter((it) => isScreen(it) && (reached.has(it) || !takesPicture(it))))
}

/** Holds what the content demands against the features of the chosen things. What is not recorded is never taken as fine. */
export const demands = defineCheck<DemandFinding>({
  find(scene) {
    const { setup, items } = scene
    const filled = items.filter((it) => it.roleId !== null)
    // A role that asks for a flash means one: it is there for the stills.
    const lamps = filled.filter((it) => it.category !== 'flash' || findRole(scene, it.roleId)?.wants !== 'flash')
    return [...listAsked(setup.demands)].flatMap(
      (demand) => checkDemand(demand, demand === 'continuous-light' ? lamps : filled, scene) ?? [],
    )
  },
  codes: {
    'demand-unmet': {
      say: (finding) => plain(DEMAND_WORDS[finding.demand].unmet, sayDemand(finding)),
      deciding: ({ keys }) => keys,
      ideas: listIdeas,
      seeks: ({ demand }) => ({ categories: WORKED_FROM_AFAR.has(demand) ? [...HELPS, ...CONTROLLERS] : HELPS }),
    },
    'demand-unknown': {
      say: ({ demand, tags }) => plain(`Cannot tell: ${DEMAND_WORDS[demand].asks}`, sayNotRecorded(demand, tags)),
      deciding: ({ keys }) => keys,
    },
  },
})

const SOLO = ['self-view', 'steady-focus', 'remote-start', 'within-reach'] as const

function listAsked(wanted: readonly ContentDemand[]): Set<DemandCode> {
  // Moving pictures ask these of everything: a flash is no lamp, and menus do not belong into a live cut.
  const asked = new Set<DemandCode>(['continuous-light', 'clean-picture'])
  for (const demand of wanted) {
    // Alone is four things at once: one sees oneself, the focus holds, it starts from afar, and its controls are in reach.
    if (demand === 'alone') for (const it of SOLO) asked.add(it)
    else asked.add(demand)
  }
  return asked
}

const WORKED_FROM_AFAR: ReadonlySet<DemandCode> = new Set(['within-reach', 'menus-in-sight'])

/** A screen beside the camera, what works it from afar, or another thing of the kind that falls short; the trial decides which of them do. */
function listIdeas({ demand, keys, roleId }: Asked & { roleId: string | null }, { scene, store }: IdeaContext) {
  const home = findRole(scene, roleId)
  if (!home) return []
  const screens = demand === 'self-view' ? listAssignments(home, store, ({ model }) => isScreen(model)) : []
  const cameras = scene.items.filter((it) => keys.includes(it.key))
  const controllers = WORKED_FROM_AFAR.has(demand)
    ? listAssignments(home, store, ({ unit }) => cameras.some((it) => worksCamera(unit, it)))
    : []
  return [...screens, ...controllers, ...listStandInsFor(keys, { scene, store })]
}

type Answer = 'yes' | 'no' | 'unknown'

function checkDemand(demand: DemandCode, things: readonly PlacedItem[], scene: Scene): Found<DemandFinding> | null {
  const cameras = things.filter((it) => isItemOf(it, 'camera'))
  const each = (those: readonly PlacedItem[], ask: (it: PlacedItem) => Answer) => makeFinding(demand, those, ask)
  switch (demand) {
    case 'self-view': {
      const seen = listSelfViews(scene)
      if (things.some((it) => seen.has(it))) return null
      return makeFindingOfAny(demand, cameras, (it) => askChoice(it, 'flipScreen', 'yes'))
    }
    case 'steady-focus':
      return each(cameras, (it) => askChoice(it, 'autofocus', 'dependable'))
    case 'remote-start':
      return makeFindingOfAny(demand, cameras, (it) => askChoice(it, 'remoteStart', 'yes'))
    case 'within-reach':
      return each(cameras, (it) => askReach(it, scene))
    case 'menus-in-sight':
      return each(cameras, (it) => askMenus(it, scene))
    case 'close-up': {
      const lenses = things.filter((it) => it.category === 'lens' || readFigure(it, 'closestMm') !== null)
      return makeFindingOfAny(demand, lenses.length > 0 ? lenses : cameras, (it) =>
        askFigure(it, 'closestMm', (mm) => mm <= DEMAND_LIMITS.closestMm),
      )
    }
    case 'true-colour':
      return each(
        things.filter((it) => isItemOf(it, 'light') && it.category !== 'practical'),
        (it) => askFigure(it, 'cri', (cri) => cri >= DEMAND_LIMITS.colourRendering),
      )
    case 'long-take':
      return each(cameras, (it) => askFigure(it, 'recordLimitMinutes', (limit) => limit >= scene.setup.plannedMinutes))
    case 'continuous-light':
      return each(
        things.filter((it) => it.category === 'flash'),
        () => 'no',
      )
    case 'clean-picture':
      // Only what is known to show its menus counts: most bodies do not, and nobody records it of them.
      return each(things.some((it) => TAKES_PICTURE.some((kind) => kind === it.category)) ? cameras : [], (it) =>
        readChoice(it, 'cleanOutput') === 'no' ? 'no' : 'yes',
      )
    case 'spectacles':
      return each(
        things.filter((it) => it.category === 'ring-light'),
        () => 'no',
      )
    default:
      return demand satisfies never
  }
}

/** Kinds by which a camera may be worked from afar. */
const CONTROLLERS: readonly Category[] = ['remote', 'control-surface', 'phone', 'tablet', 'computer']

/** Whether a thing, or what it is on, is in a hand. */
function isHeld(key: string, joints: Scene['joints'], seen: readonly string[] = []): boolean {
  return joints.some(
    ({ guest, host, interfaceCode }) =>
      guest.key === key &&
      !seen.includes(host.key) &&
      (interfaceCode === 'hand' || isHeld(host.key, joints, [...seen, key])),
  )
}

/**
 * In a hand or near enough to be worked by one, or with what controls it beside it; with something of which nobody said whether it does,
 * nobody knows.
 */
function askReach(camera: PlacedItem, scene: Scene): Answer {
  if (isHeld(camera.key, scene.joints)) return 'yes'
  const distanceMm = findRole(scene, camera.roleId)?.position?.distanceMm ?? null
  if (distanceMm !== null && distanceMm <= DEMAND_LIMITS.armMm) return 'yes'
  const works = askControl(camera, scene)
  return works === 'no' && distanceMm === null ? 'unknown' : works
}

/** Whether something else here works it: what somebody said does; of a thing that could nobody said. */
function askControl(camera: PlacedItem, { items }: Scene): Answer {
  const others = items.filter((it) => it !== camera)
  if (others.some(({ unit }) => worksCamera(unit, camera))) return 'yes'
  return others.some((it) => CONTROLLERS.some((kind) => isItemOf(it, kind))) ? 'unknown' : 'no'
}

/** Its remote, or that on which its program runs. */
const worksCamera = (unit: Unit | null, { unit: camera }: PlacedItem) =>
  unit !== null &&
  camera !== null &&
  ((unit.bond === 'controller' && unit.parentId === camera.id) || camera.software.some((it) => it.onUnitId === unit.id))

/** At the height of somebody's eyes its own screen is seen; else its menus have to go out to a screen, or something works it. */
function askMenus(camera: PlacedItem, scene: Scene): Answer {
  const heightMm = findRole(scene, camera.roleId)?.position?.heightMm ?? null
  if (heightMm !== null && heightMm <= DEMAND_LIMITS.eyeMm) return 'yes'
  const works = askControl(camera, scene)
  if (works === 'yes') return 'yes'
  const { chains } = factOf(scene, traceSignals)
  if (!listReached(camera, chains, scene).some(isScreen)) return works
  const goesOutClean = askChoice(camera, 'cleanOutput', 'yes')
  if (goesOutClean === 'no') return 'yes'
  return goesOutClean === 'yes' ? works : 'unknown'
}

function askChoice(
  it: PlacedItem,
  key: 'flipScreen' | 'autofocus' | 'remoteStart' | 'cleanOutput',
  wanted: string,
): Answer {
  const value = readChoice(it, key)
  return value === null ? 'unknown' : value === wanted ? 'yes' : 'no'
}

function askFigure(
  it: PlacedItem,
  key: 'closestMm' | 'cri' | 'recordLimitMinutes',
  isEnough: (value: number) => boolean,
): Answer {
  const value = readFigure(it, key)
  return value === null ? 'unknown' : isEnough(value) ? 'yes' : 'no'
}

/** All have to: the first that do not are named, else those of which nobody knows. */
function makeFinding(
  demand: DemandCode,
  things: readonly PlacedItem[],
  ask: (it: PlacedItem) => Answer,
): Found<DemandFinding> | null {
  const blocking = things.filter((it) => ask(it) === 'no')
  if (blocking.length > 0) return describe(demand, 'demand-unmet', blocking)
  const unknown = things.filter((it) => ask(it) === 'unknown')
  return unknown.length > 0 ? describe(demand, 'demand-unknown', unknown) : null
}

/** One that does is enough; with nothing there that could, the demand is not met. */
function makeFindingOfAny(
  demand: DemandCode,
  things: readonly PlacedItem[],
  ask: (it: PlacedItem) => Answer,
): Found<DemandFinding> | null {
  if (things.some((it) => ask(it) === 'yes')) return null
  const unknown = things.filter((it) => ask(it) === 'unknown')
  return unknown.length > 0 ? describe(demand, 'demand-unknown', unknown) : describe(demand, 'demand-unmet', things)
}

function describe(
  demand: DemandCode,
  code: DemandFinding['code'],
  things: readonly PlacedItem[],
): Found<DemandFinding> {
  return {
    about: [demand],
    level: code === 'demand-unmet' ? 'warn' : 'unknown',
    code,
    demand,
    roleId: things[0]?.roleId ?? null,
    tags: [...new Set(things.map((it) => it.tag))],
    keys: things.map((it) => it.key),
  }
}
