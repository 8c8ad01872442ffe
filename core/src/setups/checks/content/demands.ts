import { type Category, isKindOf } from '../../../kit/model/category.ts'
import type { Model } from '../../../kit/model/model.ts'
import type { FindingLevel } from '../../../studio/finding.ts'
import type { Holdings } from '../../placed/placed-item.ts'
import { type ContentDemand, DEMAND_LIMITS } from '../../setup/demand.ts'
import type { NewSetup, Role } from '../../setup/setup.ts'

/** A demand that the things do not meet, or of which nobody can tell. */
export interface DemandFinding {
  key: string
  level: FindingLevel
  code: 'demand-unmet' | 'demand-unknown'
  demand: Exclude<ContentDemand, 'alone'> | 'remote-start' | 'continuous-light' | 'clean-picture'
  roleId: string | null
  /** The things that stand in the way, or of which it is not known. */
  tags: string[]
  unitIds: string[]
}

interface Filled {
  role: Role
  unitId: string
  tag: string
  model: Model
}

const SCREENS: readonly Category[] = ['monitor', 'external-recorder', 'tablet', 'computer']

const TAKES_PICTURE: readonly Category[] = ['switcher', 'capture', 'external-recorder']

/** Things by which somebody sees themselves where no camera turns its screen round. */
export const isSelfView = (category: Category) => SCREENS.includes(category)

/** Holds what the content demands against the features of the chosen things. What is not recorded is never taken as fine. */
export function judgeDemands(
  setup: Pick<NewSetup, 'demands' | 'roles' | 'plannedMinutes'>,
  holdings: Holdings,
): DemandFinding[] {
  const things = listFilled(setup, holdings)
  // Moving pictures ask these of everything: a flash is no lamp, and menus do not belong into a live cut.
  const asked = new Set<DemandFinding['demand']>(['continuous-light', 'clean-picture'])
  for (const demand of setup.demands) {
    // Alone is three things at once: one sees oneself, the focus holds, and it starts from afar.
    if (demand === 'alone') for (const it of ['self-view', 'steady-focus', 'remote-start'] as const) asked.add(it)
    else asked.add(demand)
  }
  return [...asked].flatMap((demand) => judgeDemand(demand, things, setup.plannedMinutes) ?? [])
}

function listFilled({ roles }: Pick<NewSetup, 'roles'>, { units, models }: Holdings): Filled[] {
  return roles.flatMap((role) =>
    role.things.flatMap(({ unitId }): Filled[] => {
      const unit = units.get(unitId ?? '')
      const model = models.get(unit?.modelId ?? '')
      return unit && model ? [{ role, unitId: unit.id, tag: unit.tag, model }] : []
    }),
  )
}

type Answer = 'yes' | 'no' | 'unknown'

function judgeDemand(
  demand: DemandFinding['demand'],
  things: readonly Filled[],
  minutes: number,
): DemandFinding | null {
  const cameras = things.filter((it) => isKindOf(it.model.category, 'camera'))
  const each = (those: readonly Filled[], ask: (it: Filled) => Answer) => makeFinding(demand, those, ask)
  switch (demand) {
    case 'self-view':
      if (things.some((it) => isSelfView(it.model.category))) return null
      return makeFindingOfAny(demand, cameras, (it) => readChoice(it, 'flipScreen', 'yes'))
    case 'steady-focus':
      return each(cameras, (it) => readChoice(it, 'autofocus', 'dependable'))
    case 'remote-start':
      return makeFindingOfAny(demand, cameras, (it) => readChoice(it, 'remoteStart', 'yes'))
    case 'close-up': {
      const lenses = things.filter((it) => it.model.category === 'lens' || it.model.specs.more.closestMm !== undefined)
      return makeFindingOfAny(demand, lenses.length > 0 ? lenses : cameras, (it) =>
        readFigure(it, 'closestMm', (mm) => mm <= DEMAND_LIMITS.closestMm),
      )
    }
    case 'true-colour':
      return each(
        things.filter((it) => isKindOf(it.model.category, 'light') && it.model.category !== 'practical'),
        (it) => readFigure(it, 'cri', (cri) => cri >= DEMAND_LIMITS.colourRendering),
      )
    case 'long-take':
      return each(cameras, (it) => readFigure(it, 'recordLimitMinutes', (limit) => limit >= minutes))
    case 'continuous-light':
      return each(
        things.filter((it) => it.model.category === 'flash'),
        () => 'no',
      )
    case 'clean-picture':
      // Only what is known to show its menus counts: most bodies do not, and nobody records it of them.
      return each(things.some((it) => TAKES_PICTURE.includes(it.model.category)) ? cameras : [], (it) =>
        it.model.specs.more.cleanOutput === 'no' ? 'no' : 'yes',
      )
    case 'spectacles':
      return each(
        things.filter((it) => it.model.category === 'ring-light'),
        () => 'no',
      )
    default:
      return demand satisfies never
  }
}

function readChoice({ model }: Filled, key: 'flipScreen' | 'autofocus' | 'remoteStart', wanted: string): Answer {
  const value = model.specs.more[key]
  return value === undefined ? 'unknown' : value === wanted ? 'yes' : 'no'
}

function readFigure(
  { model }: Filled,
  key: 'closestMm' | 'cri' | 'recordLimitMinutes',
  isEnough: (value: number) => boolean,
): Answer {
  const value = model.specs.more[key]
  return typeof value !== 'number' ? 'unknown' : isEnough(value) ? 'yes' : 'no'
}

/** All have to: the first that do not are named, else those of which nobody knows. */
function makeFinding(
  demand: DemandFinding['demand'],
  things: readonly Filled[],
  ask: (it: Filled) => Answer,
): DemandFinding | null {
  const blocking = things.filter((it) => ask(it) === 'no')
  if (blocking.length > 0) return describe(demand, 'demand-unmet', blocking)
  const unknown = things.filter((it) => ask(it) === 'unknown')
  return unknown.length > 0 ? describe(demand, 'demand-unknown', unknown) : null
}

/** One that does is enough; with nothing there that could, the demand is not met. */
function makeFindingOfAny(
  demand: DemandFinding['demand'],
  things: readonly Filled[],
  ask: (it: Filled) => Answer,
): DemandFinding | null {
  if (things.some((it) => ask(it) === 'yes')) return null
  const unknown = things.filter((it) => ask(it) === 'unknown')
  return unknown.length > 0 ? describe(demand, 'demand-unknown', unknown) : describe(demand, 'demand-unmet', things)
}

function describe(
  demand: DemandFinding['demand'],
  code: DemandFinding['code'],
  things: readonly Filled[],
): DemandFinding {
  return {
    key: `demand/${demand}`,
    level: code === 'demand-unmet' ? 'warn' : 'unknown',
    code,
    demand,
    roleId: things[0]?.role.id ?? null,
    tags: things.map((it) => it.tag),
    unitIds: things.map((it) => it.unitId),
  }
}
