import { USUAL_HAND } from '../../../kit/model/usual-hand.ts'
import { trim } from '../../../units/quantity.ts'
import { isItemOf, type PlacedItem, readFigure } from '../../placed/placed-item.ts'
import { defineCheck, type Found, ofItem } from '../check.ts'
import { makeGauge, plain } from '../finding-words.ts'
import type { Scene } from '../scene.ts'

interface LeadLoad {
  tag: string
  name: string
  milliwatts: number
  volts: number
  amps: number
}

type LeadFinding =
  | ({ code: 'lead-overloaded' } & LeadLoad)
  | ({ code: 'lead-rating-unknown'; modelId: string | null } & Omit<LeadLoad, 'amps'>)

/** What runs through each lead and strip, against the amperes that it is good for: the weakest piece of the way decides. */
export const leadLoad = defineCheck<LeadFinding>({
  shownIn: 'power',
  find(scene) {
    const volts = scene.circuit?.volts
    if (!volts) return []
    const fedBy = listFed(scene)
    return scene.items.flatMap((item) => (isLead(item) ? judge(item, volts, sumDraw(item, fedBy, scene)) : []))
  },
  codes: {
    'lead-overloaded': {
      isHazard: true,
      say: ({ tag, name, milliwatts, volts, amps }) => ({
        title: `Too much runs through ${tag}`,
        text: `${name} is good for ${sayAmps(amps)}; ${sayAmps(ampsOf(milliwatts, volts))} run through it. It gets hot, and may burn. Put less on it, or take a stronger one, fully unrolled. Local codes and a licensed electrician decide.`,
        gauge: makeGauge(ampsOf(milliwatts, volts), amps, `${sayAmps(ampsOf(milliwatts, volts))} of ${sayAmps(amps)}`),
      }),
      sayPlainly: ({ tag }) => `Too much is plugged into ${tag}: it gets hot, and may burn. Put less on it.`,
      deciding: ({ milliwatts, amps }) => [milliwatts, amps],
      seeks: () => ({ categories: ['lead', 'strip'] }),
      isSmaller: (after, before) => after.milliwatts < before.milliwatts,
    },
    'lead-rating-unknown': {
      couldStop: true,
      isHazard: true,
      say: ({ tag, name, milliwatts, volts }) =>
        plain(
          `Cannot tell whether ${tag} bears what runs through it`,
          `${sayAmps(ampsOf(milliwatts, volts))} run through ${name}. What it is good for stands on it, in amperes.`,
        ),
      deciding: ({ milliwatts }) => [milliwatts],
      asks: ({ modelId }) => (modelId === null ? null : { modelId, fact: 'amps' }),
    },
  },
})

const ampsOf = (milliwatts: number, volts: number) => milliwatts / 1000 / volts
const sayAmps = (amps: number) => `${trim(amps, 1)} A`

const isLead = (item: PlacedItem) => isItemOf(item, 'lead') || isItemOf(item, 'strip')

/**
 * What a lead or strip that nobody rated bears at least: appliance couplers C5 and C7 2.5 A, all others 10 A (IEC 60320, from
 * memory).
 */
function findUsualAmps({ ports }: PlacedItem): number {
  const isSmall = ports.some((it) => it.interfaces.some((code) => code === 'iec-c7' || code === 'iec-c5'))
  return isSmall ? 2.5 : 10
}

function judge(item: PlacedItem, volts: number, milliwatts: number): Found<LeadFinding>[] {
  const amps = readFigure(item, 'mostAmps')
  const drawn = ampsOf(milliwatts, volts)
  const about = { ...ofItem(item), milliwatts, volts }
  if (amps !== null) {
    // As bad on any role: an overloaded lead burns for an optional lamp as well.
    // In whole milliamperes, so that what is exactly at the rating passes.
    return milliwatts > Math.round(amps * 1000) * volts
      ? [{ ...about, level: 'stop', code: 'lead-overloaded', amps }]
      : []
  }
  if (drawn * USUAL_HAND <= findUsualAmps(item)) return []
  return [{ ...about, level: 'unknown', code: 'lead-rating-unknown', modelId: item.model?.id ?? null }]
}

/** What each thing feeds: a lead by its connector the thing with the inlet, a socket what is plugged into it. */
function listFed({ joints, interfaces }: Scene): ReadonlyMap<string, readonly string[]> {
  const fed = new Map<string, string[]>()
  for (const { host, guest, interfaceCode } of joints) {
    if (interfaces.get(interfaceCode)?.kind !== 'mains') continue
    const [from, to] = interfaceCode.startsWith('iec-') ? [guest.key, host.key] : [host.key, guest.key]
    fed.set(from, [...(fed.get(from) ?? []), to])
  }
  return fed
}

function sumDraw(item: PlacedItem, fed: ReadonlyMap<string, readonly string[]>, { itemOf }: Scene): number {
  const seen = new Set<string>()
  const sum = (key: string): number => {
    if (seen.has(key)) return 0
    seen.add(key)
    const { powerMode } = itemOf.get(key) ?? {}
    const own = powerMode?.source === 'mains' ? (powerMode.milliwatts ?? 0) : 0
    return (fed.get(key) ?? []).reduce((total, it) => total + sum(it), own)
  }
  return sum(item.key)
}
