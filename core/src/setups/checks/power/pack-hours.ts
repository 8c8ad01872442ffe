import { z } from 'zod'
import { computeRuntimeMinutes, countPacks } from '../../../formulas/power/pack-runtime.ts'
import { IMPORTANCES, importanceSchema } from '../../../kit/model/port.ts'
import { readCharge } from '../../../kit/unit/charge.ts'
import type { FindingLevel } from '../../../studio/finding.ts'
import { findingLevelSchema } from '../../../studio/finding.ts'
import { formatEnergy, formatMinutes, formatPower, trim } from '../../../units/quantity.ts'
import type { PlacedItem } from '../../placed/placed-item.ts'
import type { FreeItem } from '../../placed/store.ts'
import type { Remedy } from '../../setup/remedy.ts'
import { defineCheck, defineSum, type Found, type IdeaContext, LEVEL_OF_IMPORTANCE, type Purchase } from '../check.ts'
import { type FindingWords, makeGauge, plain, sayCount, type WorkingWords } from '../finding-words.ts'
import { findRole, listAssignments, listPowerModes, orderByPower } from '../ideas.ts'
import { factOf, type Scene } from '../scene.ts'
export const packDeviceSchema = z.object({
  tag: z.string(),
  name: z.string(),
  importance: importanceSchema,
  milliwatts: z.number(),
  /** Packs it takes at once. */
  atOnce: z.number(),
  /** Minutes that one fill lasts, not rounded. */
  runtimeMinutes: z.number(),
  packs: z.number(),
})
export type PackDevice = z.infer<typeof packDeviceSchema>

/** How many packs of one family a session wants, against how many are in the setup. */
export const packHoursSchema = z.object({
  formula: z.literal('pack-hours'),
  family: z.string(),
  minutes: z.number(),
  /** The weakest pack of the family decides. */
  packMilliwattHours: z.number(),
  healthPercent: z.number(),
  efficiencyPercent: z.number(),
  devices: z.array(packDeviceSchema),
  spare: z.number(),
  /** For the devices alone, and with the spare. */
  needed: z.number(),
  wanted: z.number(),
  have: z.number(),
  /** Packs of which nobody recorded what they hold: they may be enough, or not. */
  unknown: z.number(),
  /** Packs of which nobody said that they are full for that day. */
  uncharged: z.number(),
  level: findingLevelSchema,
})
export type PackHours = z.infer<typeof packHoursSchema>

interface ShortPacks {
  code: 'packs-short'
  label: string
  working: PackHours
}

/** Packs of each family for the planned session. */
export const packHours = defineCheck<ShortPacks>({
  shownIn: 'power',
  find: (scene) =>
    factOf(scene, findPackHours)
      // What a pack holds is asked of the pack; here only how much hangs on it.
      .filter(({ level }) => level !== 'ok')
      .map((working): Found<ShortPacks> => {
        const label = scene.interfaces.get(working.family)?.label ?? working.family
        return { about: [working.family], level: working.level, roleId: null, code: 'packs-short', label, working }
      }),
  codes: {
    'packs-short': {
      couldStop: true,
      say({ label, working }) {
        if (working.level === 'unknown') return sayUnknown(label, working)
        const spare = working.spare ? ` and ${sayCount(working.spare)} spare` : ''
        return {
          title: `Packs of ${label}: ${working.wanted - working.have} short`,
          text: `${formatMinutes(working.minutes)} on packs want ${working.needed}${spare}, ${working.wanted} in all. The setup has ${working.have}.`,
          gauge: makeGauge(working.have, working.wanted, `${working.have} of ${working.wanted} packs`),
        }
      },
      sayPlainly: ({ label, working }) =>
        working.have < working.needed
          ? `The packs of ${label} do not last for the planned time.`
          : `The packs of ${label} last, but there is no spare.`,
      deciding: ({ working }) => [working.have, working.wanted],
      ideas: (finding, context) => (finding.working.level === 'unknown' ? [] : listIdeas(finding, context)),
      toBuy: (finding, store) =>
        store.units.some((it) => isPackOf(it.model.ports, finding.working.family))
          ? null
          : (whatToBuy(finding, [])[0] ?? null),
      seeks: ({ working }) => ({ interfaces: [working.family] }),
      isSmaller: (after, before) => lacksOf(after.working) < lacksOf(before.working),
    },
  },
})

function sayUnknown(label: string, { wanted, have, unknown, minutes }: PackHours): FindingWords {
  const them = unknown === 1 ? 'one more' : `${unknown} more`
  return plain(
    `Cannot tell whether the packs of ${label} last`,
    `${formatMinutes(minutes)} on packs want ${wanted} in all, spare included. The setup has ${have} of known energy, and ${them} of which nobody recorded what ${unknown === 1 ? 'it holds' : 'they hold'}.`,
  )
}

const lacksOf = ({ wanted, have }: PackHours) => wanted - have

export const packHoursSum = defineSum<PackHours>({
  formula: 'pack-hours',
  list: (scene) => factOf(scene, findPackHours).filter(({ level }) => level !== 'unknown'),
  say: sayWorking,
  follows: ({ figure, school }) => [figure('packEfficiencyPercent'), figure('sparePacks'), school('redundancy')],
})

function findPackHours({ items, spareItems, setup, policies, charging }: Scene): PackHours[] {
  return computePackHours(items, {
    day: charging?.day ?? null,
    minutes: setup.plannedMinutes,
    sparePacks: policies.settings.sparePacks,
    inReserve: spareItems,
    efficiencyPercent: policies.settings.packEfficiencyPercent,
    isLean: policies.school('redundancy').way === 'lean',
  })
}

const isPackOf = (ports: PlacedItem['ports'], family: string) =>
  ports.some((port) => port.side === 'guest' && port.interfaces.includes(family))

/** Free packs that would do, put where the others are. */
function listFreePacks({ family, wanted, have }: PackHours, { scene, store }: IdeaContext): Remedy[] {
  const home = findRole(scene, scene.items.find((it) => it.roleId && isPackOf(it.ports, family))?.roleId ?? null)
  const isPack = ({ model }: FreeItem) => isPackOf(model.ports, family)
  return home ? listAssignments(home, store, isPack, wanted - have) : []
}

function listIdeas({ label, working }: ShortPacks, context: IdeaContext): Remedy[] {
  const { scene } = context
  const free = listFreePacks(working, context)
  const fed = new Set(working.devices.map((device) => device.tag))
  const mains = listPowerModes(scene, 'mains').filter((it) => it.kind === 'power-mode' && fed.has(it.tag))
  return [...orderByPower(scene, mains, free), ...whatToBuy({ label, working }, free)]
}

/** What is left to buy when all free packs of one model are taken. */
function whatToBuy({ label, working }: Pick<ShortPacks, 'label' | 'working'>, free: readonly Remedy[]): Purchase[] {
  const found = free.reduce((most, it) => (it.kind === 'assign' ? Math.max(most, it.unitIds.length) : most), 0)
  const missing = working.wanted - working.have - found
  return missing > 0 ? [{ kind: 'shop', item: `Packs of ${label}`, quantity: missing, stockId: null }] : []
}

interface Options {
  minutes: number
  sparePacks: number
  efficiencyPercent: number
  /** For which day they have to be full; null where nobody asks. */
  day?: string | null
  /** The studio runs lean: a missing spare is mentioned, not warned of. */
  isLean?: boolean
  /** What was put there in case: its packs count as the spare that is wanted, and for nothing else. */
  inReserve?: readonly PlacedItem[]
}

/**
 * One result per battery family that feeds something. A family without any pack in the setup is left out: that is an
 * unmet need already.
 */
export function computePackHours(things: readonly PlacedItem[], options: Options): PackHours[] {
  const packs = new Map<string, PlacedItem[]>()
  for (const thing of things) {
    if (thing.energyMilliwattHours === null && thing.category !== 'pack') continue
    for (const code of thing.ports.flatMap((port) => (port.side === 'guest' ? port.interfaces : []))) {
      const known = packs.get(code)
      if (known) known.push(thing)
      else packs.set(code, [thing])
    }
  }
  if (packs.size === 0) return []
  const onPacks = things.filter(({ powerMode }) => powerMode?.source === 'packs' && powerMode.milliwatts)
  return [...packs].flatMap(([family, owned]) => computeFamily(family, owned, onPacks, options) ?? [])
}

function computeFamily(
  family: string,
  all: readonly PlacedItem[],
  onPacks: readonly PlacedItem[],
  { minutes, sparePacks, efficiencyPercent, isLean = false, inReserve = [], day = null }: Options,
): PackHours | null {
  const packs = all.filter((it) => it.energyMilliwattHours !== null)
  // Without one that is known there is nothing to reckon with: each is asked for.
  if (packs.length === 0) return null
  const unknown = all.length - packs.length
  const weakest = packs.reduce((worst, pack) => (findEnergy(pack) < findEnergy(worst) ? pack : worst))
  const packMilliwattHours = weakest.energyMilliwattHours ?? 0
  const healthPercent = weakest.healthPercent ?? 100
  if (packMilliwattHours === 0) return null
  const devices = onPacks.flatMap((thing): PackDevice[] => {
    const milliwatts = thing.powerMode?.milliwatts
    const atOnce = countBays(thing, family)
    if (!milliwatts || atOnce === 0) return []
    const runtimeMinutes = computeRuntimeMinutes(
      packMilliwattHours,
      atOnce,
      milliwatts,
      healthPercent,
      efficiencyPercent,
    )
    return [
      {
        tag: thing.tag,
        name: thing.name,
        importance: thing.roleImportance,
        milliwatts,
        atOnce,
        runtimeMinutes,
        packs: countPacks(minutes, atOnce, runtimeMinutes),
      },
    ]
  })
  if (devices.length === 0) return null
  const needed = devices.reduce((sum, device) => sum + device.packs, 0)
  const wanted = needed + sparePacks
  const reserve = inReserve.filter((it) => it.energyMilliwattHours !== null && isPackOf(it.ports, family)).length
  const have = packs.length + Math.min(reserve, sparePacks)
  const short = judgePacks(packs.length, devices, wanted - (have - packs.length), isLean)
  const level: FindingLevel = unknown > 0 && short !== 'ok' ? 'unknown' : short
  return {
    formula: 'pack-hours',
    family,
    minutes,
    packMilliwattHours,
    healthPercent,
    efficiencyPercent,
    devices,
    spare: sparePacks,
    needed,
    wanted,
    have,
    unknown,
    uncharged: all.filter((it) => day === null || readCharge(it.unit?.charge ?? null, day) !== 'full').length,
    level,
  }
}

/** What the most important roles want goes first: packs that only an optional one lacks stop nobody. */
function judgePacks(have: number, devices: readonly PackDevice[], wanted: number, isLean: boolean): FindingLevel {
  let needed = 0
  for (const importance of IMPORTANCES) {
    needed += devices.reduce((sum, it) => sum + (it.importance === importance ? it.packs : 0), 0)
    if (have < needed) return LEVEL_OF_IMPORTANCE[importance]
  }
  const isOptional = devices.every((it) => it.importance === 'optional')
  return have >= wanted ? 'ok' : isLean || isOptional ? 'advise' : 'warn'
}

function findEnergy(pack: PlacedItem): number {
  return (pack.energyMilliwattHours ?? 0) * (pack.healthPercent ?? 100)
}

function countBays(thing: PlacedItem, family: string): number {
  return thing.ports.reduce(
    (sum, port) => sum + (port.side === 'host' && port.interfaces.includes(family) ? port.count : 0),
    0,
  )
}

function sayWorking(working: PackHours, labelOf: (code: string) => string): WorkingWords {
  return {
    title: `Packs of ${labelOf(working.family)}`,
    summary: `${working.have} packs, ${working.wanted} wanted`,
    lines: [
      {
        label: 'one pack',
        sum: `${formatEnergy(working.packMilliwattHours)} × ${working.healthPercent} % health × ${working.efficiencyPercent} %`,
      },
      ...working.devices.map((device) => ({
        label: device.tag,
        sum: `${device.atOnce} at once, ${formatPower(device.milliwatts)}: ${trim(device.runtimeMinutes, 0)} min; ${device.atOnce} × ⌈${working.minutes} / ${trim(device.runtimeMinutes, 1)}⌉ = ${device.packs}`,
      })),
      {
        label: 'wanted',
        sum: `${working.needed} + ${working.spare} spare = ${working.wanted}; have ${working.have}`,
      },
    ],
    assumptions: [
      'Packs are swapped whole, and the weakest pack of the family decides.',
      'The draw is the recorded one, undimmed.',
    ],
    source: 'Wh = V·Ah; runtime = Wh · health · efficiency / W',
  }
}
