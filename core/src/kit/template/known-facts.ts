import { isWallSocket } from '../../studio/places/plug-systems.ts'
import type { NewModel } from '../model/model.ts'
import type { Port, RatedQuantity } from '../model/port.ts'
import { type FactKey, NO_FACTS, type TemplateFacts } from './template-facts.ts'

type Readable = Pick<NewModel, 'category' | 'ports' | 'powerModes' | 'recordingModes' | 'specs'>

/**
 * What is recorded of a model, in the words in which it was asked: the inverse of the template. What was told and has no place
 * among its ends yet is among it. Null where nothing is recorded, and where its ways of powering differ.
 */
export function readFacts(model: Readable): TemplateFacts {
  const facts: TemplateFacts = { ...NO_FACTS, ...readEnds(model), ...readFigures(model) }
  for (const [key, value] of Object.entries(model.specs.told ?? {})) {
    if (facts[key as FactKey] === null) Object.assign(facts, { [key]: value })
  }
  return facts
}

const findPort = ({ ports }: Pick<Readable, 'ports'>, ...ids: string[]): Port | undefined =>
  ports.find((it) => ids.includes(it.id))

const codeOf = (port: Port | undefined): string | null => port?.interfaces[0] ?? null

function readEnds(model: Readable): Partial<TemplateFacts> {
  const port = (...ids: string[]) => findPort(model, ...ids)
  const { category } = model
  const bay = port('bay', 'pack', 'cell')
  const videoIn = port('video-in')
  const soundIn = port('mic-in') ?? (category === 'preamp' || category === 'speaker' ? port('in') : undefined)
  const isBetweenMounts = port('rear') !== undefined
  const plug = category === 'lead' || category === 'strip' || category === 'reel' ? port('plug') : undefined
  return {
    // The mount of a lamp is in front of it; what sits between two mounts has another one there.
    mount: codeOf(port('mount', 'rear', 'under', 'jaw')) ?? (isBetweenMounts ? null : codeOf(port('front'))),
    frontMount: isBetweenMounts ? codeOf(port('front')) : null,
    battery: codeOf(bay),
    batteryCount: bay && bay.side === 'host' && category !== 'charger' ? bay.count : null,
    inlet: codeOf(port('inlet', 'connector')),
    endA: codeOf(port('from')),
    endB: codeOf(port('to')),
    outlets: readOutlets(model),
    plug: plug && plug.interfaces.length === 1 && isWallSocket(plug.interfaces[0] ?? '') ? codeOf(plug) : null,
    videoOut: codeOf(port('video-out')),
    videoIn: codeOf(videoIn),
    videoInputs: videoIn?.count ?? null,
    soundIn: codeOf(soundIn),
    soundInputs: soundIn?.count ?? null,
    soundOut: codeOf(port('line-out', 'main-out')) ?? codeOf(soundEnd(model)),
    cardForm: codeOf(port('slot', 'card')),
    holes: codeOf(port('holes')),
  }
}

/** The end of a microphone, a booster or a set: `out` of a supply carries no sound. */
function soundEnd({ ports }: Readable): Port | undefined {
  return ports.find((it) => it.id === 'out' && it.direction === 'out')
}

function readOutlets(model: Readable): number | null {
  const { category } = model
  if (category === 'charger') return findPort(model, 'bay')?.count ?? null
  if (category === 'splitter') return findPort(model, 'video-out')?.count ?? null
  if (category === 'usb-hub') return findPort(model, 'usb')?.count ?? null
  if (category === 'network-switch') return findPort(model, 'network')?.count ?? null
  return findPort(model, 'socket')?.count ?? null
}

function readFigures({ specs, ports, powerModes, recordingModes }: Readable): Partial<TemplateFacts> {
  const [draw, ...otherDraws] = new Set(powerModes.map((it) => it.milliwatts))
  const rated = (quantity: RatedQuantity) => ports.find((it) => it.rating?.quantity === quantity)?.rating?.value ?? null
  const { footprint } = specs
  return {
    milliwatts: otherDraws.length > 0 ? null : (draw ?? null),
    massGrams: specs.massGrams,
    loadGrams: rated('loadGrams'),
    energyMilliwattHours: specs.energyMilliwattHours,
    capacityMegabytes: specs.capacityMegabytes,
    cardMegabytesPerSecond: rated('cardMegabytesPerSecond') ?? findPort({ ports }, 'slot')?.demand?.value ?? null,
    kilobitsPerSecond: recordingModes[0]?.kilobitsPerSecond ?? null,
    widthMinMm: footprint?.widthMinMm ?? null,
    widthMaxMm: footprint?.widthMaxMm ?? null,
    depthMm: footprint?.depthMm ?? null,
    heightMm: footprint?.heightMm ?? null,
  }
}
