import { z } from 'zod'
import { type Category, isKindOf } from '../../kit/model/category.ts'
import type { Interface } from '../../kit/model/interface.ts'
import { type Model, nameModel } from '../../kit/model/model.ts'
import type { Port } from '../../kit/model/port.ts'
import { findRigMinutes } from '../timing/rig-minutes.ts'
import { type Conduit, findCables } from './cable-finder.ts'
export const soundWaySchema = z.enum(['camera', 'recorder', 'both'])
export type SoundWay = z.infer<typeof soundWaySchema>

/** One way to record a microphone, with what it takes and what can fail. */
export const soundRouteSchema = z.object({
  way: soundWaySchema,
  /** What stands between and is added, in order; a piece of the setup counts as a part and costs nothing. */
  parts: z.array(
    z.object({
      tag: z.string(),
      name: z.string(),
      isInSetup: z.boolean(),
    }),
  ),
  /** What ends it if it fails: each plug, each pack or cell, each radio. */
  failurePoints: z.number(),
  /** Recordings that do not share a recorder. */
  recordings: z.number(),
  rigMinutes: z.number(),
  /** Bringing sound and picture together afterwards, and taking another card off. */
  afterwardsMinutes: z.number(),
  /** The second recording is the camera's own microphone: good for bringing together, not for use. */
  isScratch: z.boolean(),
  /** Where it cannot be had: the ends of the cable that is missing, or the device. */
  missing: z
    .union([
      z.object({
        from: z.string(),
        to: z.string(),
      }),
      z.object({
        device: soundWaySchema,
      }),
    ])
    .nullable(),
})
export type SoundRoute = z.infer<typeof soundRouteSchema>

/** A device as it can be plugged into. */
export interface SoundDevice {
  unitId: string
  tag: string
  model: Model
  isInSetup: boolean
}

export interface SoundRouteSearch {
  microphone: SoundDevice
  devices: readonly SoundDevice[]
  /** Cables and adapters of the setup and of the store, those of the setup with no use elsewhere. */
  conduits: readonly Conduit[]
  /** Of which cables the setup has already. */
  own: ReadonlySet<string>
  interfaces: ReadonlyMap<string, Interface>
  plannedMinutes: number
}

/** Minutes of syncing for an hour that was recorded apart, and of taking off one more card. Common practice, from memory. */
const SYNC_MINUTES_PER_HOUR = 5
const OFFLOAD_MINUTES = 3

const SOUND: ReadonlySet<string> = new Set(['xlr-3', 'xlr-mini', 'trs-35', 'trs-63', 'trrs-35', 'usb-c', 'usb-a'])
const RECORDS: readonly Category[] = ['recorder', 'external-recorder', 'computer']

/** Straight into the camera, into a recorder apart, or both: each with its parts, what can fail in it, and the work it adds. */
export function listSoundRoutes(search: SoundRouteSearch): SoundRoute[] {
  const cameras = search.devices.filter((it) => isKindOf(it.model.category, 'camera'))
  const recorders = search.devices.filter((it) => RECORDS.some((kind) => isKindOf(it.model.category, kind)))
  const camera = routeTo('camera', cameras, search)
  const recorder = routeTo('recorder', recorders, search)
  return [camera, recorder, combine(camera, recorder, cameras.length > 0)]
}

function routeTo(way: 'camera' | 'recorder', targets: readonly SoundDevice[], search: SoundRouteSearch): SoundRoute {
  const routes = targets.flatMap((target) => routeInto(way, target, search))
  const [best] = routes.sort(
    (a, b) =>
      Number(a.missing !== null) - Number(b.missing !== null) ||
      countNew(a) - countNew(b) ||
      a.parts.length - b.parts.length,
  )
  return best ?? { ...EMPTY, way, missing: { device: way } }
}

const EMPTY: Omit<SoundRoute, 'way'> = {
  parts: [],
  failurePoints: 0,
  recordings: 0,
  rigMinutes: 0,
  afterwardsMinutes: 0,
  isScratch: false,
  missing: null,
}

const countNew = ({ parts }: SoundRoute) => parts.filter((it) => !it.isInSetup).length

function routeInto(way: 'camera' | 'recorder', target: SoundDevice, search: SoundRouteSearch): SoundRoute[] {
  const { microphone, conduits, own, interfaces, plannedMinutes } = search
  const from = microphone.model.ports.find((it) => it.direction !== 'in' && isSound(it))
  const inputs = target.model.ports.filter((it) => it.side === 'host' && it.direction !== 'out' && isSound(it))
  if (!from || inputs.length === 0) return []
  return inputs.map((to): SoundRoute => {
    const { ways, toBuy } = findCables({ from, to, neededMm: null, conduits, interfaces })
    // What the setup has already comes before what the store has.
    const [found] = [...ways].sort(
      (a, b) =>
        a.pieces.filter((it) => !own.has(it.unitId)).length - b.pieces.filter((it) => !own.has(it.unitId)).length,
    )
    const pieces = (found?.pieces ?? []).map((it) => ({ tag: it.tag, name: it.name, isInSetup: own.has(it.unitId) }))
    const device = { tag: target.tag, name: nameModel(target.model), isInSetup: target.isInSetup }
    const parts = target.isInSetup ? pieces : [...pieces, device]
    const isApart = way === 'recorder'
    const goesStraight = meetsDirectly(from, to, interfaces)
    return {
      way,
      parts: goesStraight ? parts.filter((it) => it === device) : parts,
      failurePoints: (goesStraight ? 1 : pieces.length + 1) + countFeeds(microphone.model) + countFeeds(target.model),
      recordings: 1,
      rigMinutes:
        parts.filter((it) => !it.isInSetup).length + (target.isInSetup ? 0 : findRigMinutes(target.model.category)),
      afterwardsMinutes: isApart ? Math.ceil((plannedMinutes / 60) * SYNC_MINUTES_PER_HOUR) + OFFLOAD_MINUTES : 0,
      isScratch: false,
      missing: found || goesStraight ? null : toBuy && { from: toBuy.from, to: toBuy.to },
    }
  })
}

const isSound = (port: Port) => port.interfaces.some((code) => SOUND.has(code))

/** A plug of its own goes into the socket: no cable between. */
function meetsDirectly(from: Port, to: Port, interfaces: ReadonlyMap<string, Interface>): boolean {
  if (from.side !== 'guest') return false
  return from.interfaces.some(
    (code) => to.interfaces.includes(code) && (code.startsWith('trs') || !interfaces.get(code)?.viaCableOnly),
  )
}

/** A pack, a cell or a radio is one more thing that can stop. */
function countFeeds({ powerModes, category }: Model): number {
  const isFed = powerModes[0]?.source === 'packs' || powerModes[0]?.source === 'cells'
  return Number(isFed) + Number(category === 'wireless-set')
}

function combine(camera: SoundRoute, recorder: SoundRoute, hasCamera: boolean): SoundRoute {
  // One microphone has one plug: the camera hears with its own, unless it is all that there is.
  const isScratch = hasCamera
  return {
    ...recorder,
    way: 'both',
    recordings: recorder.missing === null ? (hasCamera ? 2 : 1) : camera.recordings,
    isScratch,
  }
}
