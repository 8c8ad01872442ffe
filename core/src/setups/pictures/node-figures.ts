import { cardMinutesSum } from '../checks/media/card-minutes.ts'
import { circuitLoadSum } from '../checks/power/circuit-load.ts'
import { packHoursSum } from '../checks/power/pack-hours.ts'
import { type CarriedLoad, computeCarriedLoads } from '../checks/rigging/carried-load.ts'
import { tippingSum } from '../checks/rigging/tipping.ts'
import { factOf, type Scene } from '../checks/scene.ts'
import { gainSum } from '../checks/sound/microphone-gain.ts'
import { isConduit } from '../joining/cycles.ts'
import type { PictureKind } from '../joining/picture-kind.ts'
import { isItemOf, isLight, type PlacedItem, readFigure } from '../placed/placed-item.ts'
import type { NodeFigure } from './picture.ts'

type FiguresOf = (item: PlacedItem) => NodeFigure[]

const MAKERS: Readonly<Record<PictureKind, (scene: Scene) => FiguresOf>> = {
  rig: makeRigFigures,
  signals: makeSignalFigures,
  power: makePowerFigures,
}

/** The figures that arise at each thing of a picture, the weightiest first. */
export function makeFigures(kind: PictureKind, scene: Scene): FiguresOf {
  return MAKERS[kind](scene)
}

function makeRigFigures(scene: Scene): FiguresOf {
  const loads = new Map<string, CarriedLoad>()
  for (const load of factOf(scene, computeCarriedLoads).every) {
    const known = loads.get(load.key)
    // Of several ends the one that has least to spare.
    if (!known || shareOf(load) > shareOf(known)) loads.set(load.key, load)
  }
  const tipping = new Map(tippingSum.list(scene).map((it) => [it.key, it]))
  return (item) => {
    const load = loads.get(item.key)
    const tips = tipping.get(item.key)
    const figures: NodeFigure[] = []
    if (load) {
      const { totalGrams, ratedGrams, riders, level } = load
      const isAtLeast = riders.some((it) => it.massGrams === null)
      figures.push({ figure: 'load', totalGrams, ratedGrams, isAtLeast, level })
    }
    if (tips) figures.push({ figure: 'tipping', safety: tips.safety, level: tips.level })
    if (!load && item.model && !isLight(item)) figures.push({ figure: 'mass', grams: item.massGrams })
    return figures
  }
}

const shareOf = ({ totalGrams, ratedGrams }: CarriedLoad) => totalGrams / Math.max(1, ratedGrams)

function makeSignalFigures(scene: Scene): FiguresOf {
  const minutes = new Map(cardMinutesSum.list(scene).map((it) => [it.key, it]))
  const gains = new Map(gainSum.list(scene).map((it) => [it.key, it]))
  return (item) => {
    const figures: NodeFigure[] = []
    const times = minutes.get(item.key)
    if (times) {
      const { plannedMinutes, isUsual, level } = times
      figures.push({ figure: 'records', minutes: times.minutes, plannedMinutes, isUsual, level })
    }
    const gain = gains.get(item.key)
    if (gain) figures.push({ figure: 'gain', haveDb: gain.haveDb, wantedDb: gain.wantedDb, level: gain.level })
    if (isConduit(item) && item.category !== 'cable-adapter')
      figures.push({ figure: 'length', mm: readFigure(item, 'lengthMm') })
    if (isItemOf(item, 'card')) figures.push({ figure: 'room', megabytes: item.capacityMegabytes })
    return figures
  }
}

function makePowerFigures(scene: Scene): FiguresOf {
  const runs = new Map(
    packHoursSum.list(scene).flatMap(({ devices, level }) => devices.map((it) => [it.tag, { ...it, level }] as const)),
  )
  const [circuit] = circuitLoadSum.list(scene)
  return (item) => {
    if (scene.circuit && item.key === `circuit:${scene.circuit.id}`) {
      if (!circuit) return []
      const { totalMilliwatts, ratedMilliwatts, unknown, level } = circuit
      return [{ figure: 'circuit', milliwatts: totalMilliwatts, ratedMilliwatts, isAtLeast: unknown.length > 0, level }]
    }
    const figures: NodeFigure[] = []
    if (item.powerMode && item.powerMode.source !== 'cells')
      figures.push({ figure: 'draws', milliwatts: item.powerMode.milliwatts })
    const run = runs.get(item.tag)
    if (run)
      figures.push({ figure: 'runs', minutes: Math.floor(run.runtimeMinutes), packs: run.packs, level: run.level })
    if (isItemOf(item, 'pack')) figures.push({ figure: 'holds', milliwattHours: item.energyMilliwattHours })
    if (item.category === 'lead' || item.category === 'reel')
      figures.push({ figure: 'length', mm: readFigure(item, 'lengthMm') })
    return figures
  }
}
