import type { FindingLevel } from '../../../studio/finding.ts'
import type { PlacedItem } from '../../placed/placed-item.ts'

/** How many packs of one family a session wants, against how many are in the setup. */
export interface PackHours {
  formula: 'pack-hours'
  family: string
  minutes: number
  /** The weakest pack of the family decides. */
  packMilliwattHours: number
  healthPercent: number
  efficiencyPercent: number
  devices: PackDevice[]
  spare: number
  /** For the devices alone, and with the spare. */
  needed: number
  wanted: number
  have: number
  level: FindingLevel
}

export interface PackDevice {
  tag: string
  name: string
  milliwatts: number
  /** Packs it takes at once. */
  atOnce: number
  /** Minutes that one fill lasts, not rounded. */
  runtimeMinutes: number
  packs: number
}

/** Minutes that k packs run a device: Wh · health · efficiency · k / W. 98 Wh at 49 W and full efficiency is 120 min. */
export function computeRuntimeMinutes(
  packMilliwattHours: number,
  atOnce: number,
  milliwatts: number,
  healthPercent = 100,
  efficiencyPercent = 100,
): number {
  return (packMilliwattHours * atOnce * healthPercent * efficiencyPercent * 60) / (milliwatts * 10_000)
}

/** Packs are swapped whole, so t minutes want k · ceil(t / runtime on k). A run that ends on the minute needs no more. */
export function countPacks(minutes: number, atOnce: number, runtimeMinutes: number): number {
  return atOnce * Math.ceil(minutes / runtimeMinutes)
}

interface Options {
  minutes: number
  sparePacks: number
  efficiencyPercent: number
  /** The studio runs lean: a missing spare is mentioned, not warned of. */
  isLean?: boolean
}

/**
 * One result per battery family that feeds something. A family without any pack in the setup is left out: that is an
 * unmet need already.
 */
export function computePackHours(things: readonly PlacedItem[], options: Options): PackHours[] {
  const packs = new Map<string, PlacedItem[]>()
  for (const thing of things) {
    if (thing.energyMilliwattHours === null) continue
    for (const code of thing.ports.flatMap((port) => (port.side === 'guest' ? port.interfaces : []))) {
      packs.set(code, [...(packs.get(code) ?? []), thing])
    }
  }
  return [...packs].flatMap(([family, owned]) => judgeFamily(family, owned, things, options) ?? [])
}

function judgeFamily(
  family: string,
  packs: readonly PlacedItem[],
  things: readonly PlacedItem[],
  { minutes, sparePacks, efficiencyPercent, isLean = false }: Options,
): PackHours | null {
  const weakest = packs.reduce((worst, pack) => (findEnergy(pack) < findEnergy(worst) ? pack : worst))
  const packMilliwattHours = weakest.energyMilliwattHours ?? 0
  const healthPercent = weakest.healthPercent ?? 100
  if (packMilliwattHours === 0) return null
  const devices = things.flatMap((thing): PackDevice[] => {
    const milliwatts = thing.powerMode?.milliwatts
    const atOnce = countBays(thing, family)
    if (thing.powerMode?.source !== 'packs' || !milliwatts || atOnce === 0) return []
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
  const have = packs.length
  const level: FindingLevel = have < needed ? 'stop' : have < wanted ? (isLean ? 'advise' : 'warn') : 'ok'
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
    level,
  }
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
