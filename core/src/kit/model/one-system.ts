import { z } from 'zod'
import { amount } from '../../studio/people/secrecy.ts'
import { type Category, isKindOf } from './category.ts'
import { type Interface, interfaceSchema, STANDARD_INTERFACES } from './interface.ts'
import { type Model, nameModel } from './model.ts'

/** A piece of the kit by its model. */
export interface Piece {
  unitId: string
  tag: string
  model: Model
  priceMinor: number | null
  /** What it should fetch, and what another costs; null or absent where nobody knows. */
  resaleMinor?: number | null
  againMinor?: number | null
}
/** The studio's own families: lens mounts, batteries, quick plates. What the standards name is no system of anybody's. */
export const systemShareSchema = z.object({
  code: z.string(),
  label: z.string(),
  kind: interfaceSchema.shape.kind,
  /** What receives and what goes in or on. */
  hosts: z.array(
    z.object({
      tag: z.string(),
      name: z.string(),
    }),
  ),
  guests: z.array(
    z.object({
      tag: z.string(),
      name: z.string(),
    }),
  ),
  /** What fits nothing else of the kit, and would lie idle if the studio left this family. */
  orphans: z.array(
    z.object({
      tag: z.string(),
      name: z.string(),
      priceMinor: amount(z.number().nullable()),
    }),
  ),
  /** What the orphans cost; null where of one of them it is not recorded. */
  orphanMinor: amount(z.number().nullable()),
  /** Leaving it: what the orphans should fetch, what others in their place cost, and of how many nobody knows both. */
  leaving: z.object({
    resaleMinor: amount(z.number()),
    againMinor: amount(z.number()),
    unknown: z.number(),
  }),
})
export type SystemShare = z.infer<typeof systemShareSchema>

export const conformitySchema = z.object({
  /** Supports that could carry a camera, and whether this fitting is on them. */
  supports: z.array(
    z.object({
      tag: z.string(),
      name: z.string(),
      fits: z.boolean(),
    }),
  ),
  share: z.number(),
  missing: z.number(),
  /** What one fitting costs for each that has it not; null where nobody said. */
  costMinor: amount(z.number().nullable()),
})
export type Conformity = z.infer<typeof conformitySchema>

export const portabilitySchema = z.object({
  tag: z.string(),
  name: z.string(),
  /** Devices that it goes into by its own plug, or with the usual cable of that plug. */
  direct: z.array(z.string()),
  /** Those it wants an adapter for. */
  adapted: z.array(z.string()),
})
export type Portability = z.infer<typeof portabilitySchema>

export const bodyPointsSchema = z.object({
  tag: z.string(),
  name: z.string(),
  /** Threaded holes beside the one below; null where nobody counted. */
  holes: z.number().nullable(),
  shoes: z.number(),
  /** The most that any setup asks of it at once, and which setup. */
  asked: z.number(),
  askedBy: z.string(),
})
export type BodyPoints = z.infer<typeof bodyPointsSchema>

export const headWeightSchema = z.object({
  lamp: z.string(),
  modifier: z.string(),
  fits: z.boolean(),
  /** Lamp and modifier together; null where one of them was never weighed. */
  massGrams: z.number().nullable(),
})
export type HeadWeight = z.infer<typeof headWeightSchema>

export const makerMixSchema = z.object({
  code: z.string(),
  name: z.string(),
  makers: z.array(z.string()),
})
export type MakerMix = z.infer<typeof makerMixSchema>
const SHIPPED: ReadonlySet<string> = new Set(STANDARD_INTERFACES.map((it) => it.code))

/** Whether the studio wrote this interface down itself: what everybody has is no system. */
export const isOwnFamily = (code: string): boolean => !SHIPPED.has(code)

/** Each family of the kit, what hangs on it, and what leaving it would leave behind. The one with most in it first. */
export function listSystems(pieces: readonly Piece[], interfaces: readonly Interface[]): SystemShare[] {
  return interfaces
    .filter((it) => isOwnFamily(it.code) && (it.kind === 'mount' || it.kind === 'battery' || it.kind === 'carry'))
    .map((it) => describeSystem(it, pieces))
    .filter((it) => it.hosts.length > 0 && it.guests.length > 0)
    .sort((a, b) => b.hosts.length + b.guests.length - a.hosts.length - a.guests.length || (a.code < b.code ? -1 : 1))
}

function describeSystem({ code, label, kind }: Interface, pieces: readonly Piece[]): SystemShare {
  const at = (side: 'host' | 'guest') =>
    pieces.filter(({ model }) => model.ports.some((it) => it.side === side && it.interfaces.includes(code)))
  const name = ({ tag, model }: Piece) => ({ tag, name: nameModel(model) })
  // A pack or lens is for its family alone where no end of it goes anywhere else.
  const orphans = at('guest').filter(({ model }) => {
    const ends = model.ports.filter((it) => it.side === 'guest' && it.interfaces.includes(code))
    return ends.every((it) => !it.interfaces.some((other) => other !== code && hasHost(other, pieces)))
  })
  const prices = orphans.map((it) => it.priceMinor)
  const known = orphans.filter((it) => it.resaleMinor != null && it.againMinor != null)
  return {
    code,
    label,
    kind,
    hosts: at('host').map(name),
    guests: at('guest').map(name),
    orphans: orphans.map((it) => ({ ...name(it), priceMinor: it.priceMinor })),
    orphanMinor: prices.every((it) => it !== null) ? prices.reduce<number>((sum, it) => sum + (it ?? 0), 0) : null,
    leaving: {
      resaleMinor: known.reduce((sum, it) => sum + (it.resaleMinor ?? 0), 0),
      againMinor: known.reduce((sum, it) => sum + (it.againMinor ?? 0), 0),
      unknown: orphans.length - known.length,
    },
  }
}

function hasHost(code: string, pieces: readonly Piece[]): boolean {
  return pieces.some(({ model }) => model.ports.some((it) => it.side === 'host' && it.interfaces.includes(code)))
}

const CARRY_CAMERAS: readonly Category[] = ['tripod', 'head', 'arm', 'rail', 'gimbal']

/** How far the studio is with one fitting on every support, and what the rest costs at so much a piece. */
export function judgeConformity(pieces: readonly Piece[], code: string, priceEachMinor: number | null): Conformity {
  const supports = pieces
    .filter(({ model }) => CARRY_CAMERAS.some((kind) => isKindOf(model.category, kind)))
    .map(({ tag, model }) => ({
      tag,
      name: nameModel(model),
      fits: model.ports.some((it) => it.side === 'host' && it.interfaces.includes(code)),
    }))
  const missing = supports.filter((it) => !it.fits).length
  return {
    supports,
    share: supports.length > 0 ? (supports.length - missing) / supports.length : 0,
    missing,
    costMinor: priceEachMinor === null ? null : priceEachMinor * missing,
  }
}

const TAKES_SOUND: readonly Category[] = [
  'camera',
  'recorder',
  'mixer',
  'audio-interface',
  'computer',
  'tablet',
  'switcher',
]
const SOUND_PLUGS: ReadonlySet<string> = new Set(['xlr-3', 'xlr-mini', 'trs-35', 'trrs-35', 'trs-63', 'usb-a', 'usb-c'])

/** How many devices, owned and wished for, each microphone goes into directly: the more, the longer it stays useful. */
export function rankPortability(microphones: readonly Piece[], devices: readonly Piece[]): Portability[] {
  const taking = devices.filter(({ model }) => TAKES_SOUND.some((kind) => isKindOf(model.category, kind)))
  return microphones
    .map(({ tag, model }): Portability => {
      const plugs = new Set(
        model.ports
          .filter((it) => it.direction === 'out' || it.direction === 'both')
          .flatMap((it) => it.interfaces.filter((code) => SOUND_PLUGS.has(code))),
      )
      const takes = (it: Piece) =>
        it.model.ports.some(
          (port) => port.side === 'host' && port.direction !== 'out' && port.interfaces.some((code) => plugs.has(code)),
        )
      const hears = (it: Piece) =>
        it.model.ports.some(
          (port) =>
            port.side === 'host' && port.direction !== 'out' && port.interfaces.some((code) => SOUND_PLUGS.has(code)),
        )
      return {
        tag,
        name: nameModel(model),
        direct: taking.filter(takes).map((it) => it.tag),
        adapted: taking.filter((it) => !takes(it) && hears(it)).map((it) => it.tag),
      }
    })
    .sort((a, b) => b.direct.length - a.direct.length || (a.tag < b.tag ? -1 : 1))
}

/** Holes and shoes of each body against what setups hang on it. */
export function countBodyPoints(
  bodies: readonly Piece[],
  asked: ReadonlyMap<string, { setup: string; attachments: number }>,
): BodyPoints[] {
  return bodies
    .filter(({ model }) => isKindOf(model.category, 'camera'))
    .map(({ unitId, tag, model }) => {
      const { mountPoints } = model.specs.more
      const most = asked.get(unitId)
      return {
        tag,
        name: nameModel(model),
        holes: typeof mountPoints === 'number' ? mountPoints : null,
        shoes: model.ports
          .filter((it) => it.side === 'host' && it.interfaces.includes('shoe'))
          .reduce((sum, it) => sum + it.count, 0),
        asked: most?.attachments ?? 0,
        askedBy: most?.setup ?? '',
      }
    })
    .sort((a, b) => (b.holes ?? -1) + b.shoes - (a.holes ?? -1) - a.shoes || (a.tag < b.tag ? -1 : 1))
}

/** Every lamp with every modifier: whether its bayonet fits, and what the two weigh on a stand. */
export function crossModifiers(lamps: readonly Piece[], modifiers: readonly Piece[]): HeadWeight[] {
  return lamps.flatMap((lamp) =>
    modifiers.map((modifier) => {
      const rears = modifier.model.ports.filter((it) => it.side === 'guest').flatMap((it) => it.interfaces)
      const [a, b] = [lamp.model.specs.massGrams, modifier.model.specs.massGrams]
      return {
        lamp: lamp.tag,
        modifier: modifier.tag,
        fits: lamp.model.ports.some((it) => it.side === 'host' && it.interfaces.some((code) => rears.includes(code))),
        massGrams: a === null || b === null ? null : a + b,
      }
    }),
  )
}

/** Setups whose cameras are of several makers: their colours want matching, by a card or afterwards. */
export function listMakerMixes(
  setups: readonly { code: string; name: string; pieces: readonly Piece[] }[],
): MakerMix[] {
  return setups.flatMap(({ code, name, pieces }) => {
    const cameras = pieces.filter(({ model }) => isKindOf(model.category, 'camera') && model.maker !== '')
    const makers = [...new Set(cameras.map(({ model }) => model.maker))].sort()
    return makers.length > 1 ? [{ code, name, makers }] : []
  })
}
