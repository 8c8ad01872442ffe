import { findRateOfVersion } from '../../../formulas/signal/rate-of-version.ts'
import { trim } from '../../../units/quantity.ts'
import { listInWords } from '../../../units/wording.ts'
import { type PlacedItem, readFigure } from '../../placed/placed-item.ts'
import { defineCheck, type Envelope, type Found } from '../check.ts'
import { type FindingWords, makeGauge, plain } from '../finding-words.ts'
import { listStandInsFor } from '../ideas.ts'
import { factOf, type Scene } from '../scene.ts'
import { type SignalChain, traceSignals } from './signals.ts'

interface SlowCable {
  code: 'cable-slow'
  from: string
  to: string
  /** The pieces that carry too little, or of which nobody knows. */
  tags: string[]
  keys: string[]
  wantedGbits: number
  /** The least that is known of the pieces; null where it is known of none. */
  haveGbits: number | null
}

/** What cables carry is recorded, and not what is sent over them. */
interface RateUnknown {
  code: 'sends-unknown'
  from: string
  to: string
  haveGbits: number
}

/**
 * Holds what a device sends against what the cables and adapters on the way carry: a picture in high resolution or many
 * frames does not come through an older cable. Where neither is recorded, nothing is said.
 */
export const signalRate = defineCheck<SlowCable | RateUnknown>({
  shownIn: 'signals',
  find: (scene) => factOf(scene, traceSignals).chains.flatMap((chain) => checkChain(chain, scene)),
  codes: {
    'sends-unknown': {
      say: ({ from, to, haveGbits }) =>
        plain(
          `Cannot tell whether the picture of ${from} comes through`,
          `The way to ${to} carries ${trim(haveGbits, 1)} Gbit/s. What ${from} sends is not recorded: write it down under “Specs”.`,
        ),
      deciding: ({ haveGbits }) => [haveGbits],
    },
    'cable-slow': {
      say: saySlow,
      deciding: ({ keys, wantedGbits, haveGbits }) => [...keys, wantedGbits, haveGbits],
      ideas: ({ level, keys }, context) => (level === 'warn' ? listStandInsFor(keys, context) : []),
      replaceable: ({ keys }) => keys,
    },
  },
})

/** Connectors of a picture as it comes. What goes over USB or a network is made to fit it. */
const PICTURE: ReadonlySet<string> = new Set(['hdmi-a', 'hdmi-c', 'hdmi-d', 'bnc'])

const isOfPicture = ({ ports }: PlacedItem) => ports.some((it) => it.interfaces.some((code) => PICTURE.has(code)))

function checkChain({ from, via, to }: SignalChain, { items, itemOf }: Scene): Found<SlowCable | RateUnknown>[] {
  const sender = itemOf.get(from.key)
  const wantedGbits = sender ? readFigure(sender, 'sendsGbits') : null
  const pieces = via.flatMap((tag) => {
    const item = items.find((it) => it.tag === tag)
    return item && isOfPicture(item) ? [{ tag, key: item.key, gbits: findRate(item) }] : []
  })
  if (pieces.length === 0) return []
  const known = pieces.flatMap(({ gbits }) => gbits ?? [])
  if (wantedGbits === null) {
    if (known.length === 0) return []
    const about = { about: [from.key, to.key], level: 'unknown' as const, roleId: sender?.roleId ?? null }
    return [{ ...about, code: 'sends-unknown', from: from.tag, to: to.tag, haveGbits: Math.min(...known) }]
  }
  const slow = pieces.filter(({ gbits }) => gbits !== null && gbits < wantedGbits)
  const unknown = pieces.filter(({ gbits }) => gbits === null)
  if (slow.length + unknown.length === 0) return []
  const named = slow.length > 0 ? slow : unknown
  return [
    {
      about: [from.key, to.key],
      level: slow.length > 0 ? 'warn' : 'unknown',
      roleId: sender?.roleId ?? null,
      code: 'cable-slow',
      from: from.tag,
      to: to.tag,
      tags: named.map(({ tag }) => tag),
      keys: named.map(({ key }) => key),
      wantedGbits,
      haveGbits: known.length > 0 ? Math.min(...known) : null,
    },
  ]
}

/** What a piece carries: as somebody recorded it, else what its version means. */
function findRate(item: PlacedItem): number | null {
  const version = item.model?.specs.more.version
  const codes = item.ports.flatMap((it) => it.interfaces)
  return readFigure(item, 'carriesGbits') ?? (typeof version === 'string' ? findRateOfVersion(version, codes) : null)
}

function saySlow({ tags, from, to, level, wantedGbits, haveGbits }: SlowCable & Envelope): FindingWords {
  const list = listInWords(tags)
  return level === 'unknown'
    ? plain(
        `Cannot tell whether ${list} ${tags.length === 1 ? 'carries' : 'carry'} the picture`,
        `${from} sends ${trim(wantedGbits, 1)} Gbit/s to ${to}, and what they carry is not recorded. It is printed on the cable or its box.`,
      )
    : {
        title: `${list} ${tags.length === 1 ? 'is' : 'are'} too slow for ${from}`,
        text: `It sends ${trim(wantedGbits, 1)} Gbit/s to ${to}: with this cable the picture fails, or comes smaller.`,
        gauge: makeGauge(haveGbits ?? 0, wantedGbits, `${trim(haveGbits ?? 0, 1)} of ${trim(wantedGbits, 1)} Gbit/s`),
      }
}
