import type { NeededFact } from '../../../kit/template/needed-facts.ts'
import { trim } from '../../../units/quantity.ts'
import { type PlacedItem, readFigure } from '../../placed/placed-item.ts'
import { defineCheck, type Found, ofItem } from '../check.ts'
import { makeGauge, plain } from '../finding-words.ts'

type CurrentFinding =
  | { code: 'pack-overdrawn'; tag: string; name: string; pack: string; amps: number; mostAmps: number; volts: number }
  | { code: 'pack-current-unknown'; tag: string; name: string; pack: string; modelId: string | null; fact: NeededFact }

/** What a device draws from each of its packs, against the current that a pack gives. A hazard: packs get hot, or switch off. */
export const packCurrent = defineCheck<CurrentFinding>({
  shownIn: 'power',
  find: ({ items, joints, interfaces, itemOf }) =>
    items.flatMap((item) => {
      const { powerMode } = item
      if (powerMode?.source !== 'packs' || !powerMode.milliwatts) return []
      const packs = joints.flatMap(({ host, guest, interfaceCode }) =>
        host.key === item.key && interfaces.get(interfaceCode)?.kind === 'battery' ? (itemOf.get(guest.key) ?? []) : [],
      )
      const share = powerMode.milliwatts / Math.max(1, packs.length)
      return packs.flatMap((pack) => judge(item, pack, share))
    }),
  codes: {
    'pack-overdrawn': {
      isHazard: true,
      say: ({ tag, name, pack, amps, mostAmps, volts }) => ({
        title: `${tag} draws too much from ${pack}`,
        text: `${name} draws ${trim(amps, 1)} A at ${trim(volts, 1)} V; ${pack} gives at most ${trim(mostAmps, 1)} A. It switches off in the middle of a take, or gets hot. Stronger packs, the mains, or a dimmed lamp would do.`,
        gauge: makeGauge(amps, mostAmps, `${trim(amps, 1)} of ${trim(mostAmps, 1)} A`),
      }),
      deciding: ({ amps, mostAmps }) => [trim(amps, 2), mostAmps],
      isSmaller: (after, before) => after.amps < before.amps,
    },
    'pack-current-unknown': {
      couldStop: true,
      isHazard: true,
      say: ({ tag, pack, fact }) =>
        plain(
          `Cannot tell whether ${pack} gives what ${tag} draws`,
          fact === 'volts'
            ? `The volts of ${pack} are not recorded. They stand on it.`
            : `${tag} would empty it in less than an hour, and nobody recorded how many amperes ${pack} gives. It stands on it.`,
        ),
      deciding: ({ fact }) => [fact],
      asks: ({ modelId, fact }) => (modelId === null ? null : { modelId, fact }),
    },
  },
})

/** So many times its energy in an hour every pack for cameras and lamps gives (common practice, from memory). */
const SAFE_RATE = 1

function judge(device: PlacedItem, pack: PlacedItem, milliwatts: number): Found<CurrentFinding>[] {
  const mostAmps = readFigure(pack, 'mostAmps')
  const volts = readFigure(pack, 'volts')
  const about = { ...ofItem(device), about: [device.key, pack.key], pack: pack.tag }
  const ask = (fact: NeededFact): Found<CurrentFinding>[] => [
    { ...about, level: 'unknown', code: 'pack-current-unknown', modelId: pack.model?.id ?? null, fact },
  ]
  if (mostAmps === null) {
    // What it holds is asked of the pack itself.
    if (pack.energyMilliwattHours === null || milliwatts <= pack.energyMilliwattHours * SAFE_RATE) return []
    return ask('amps')
  }
  if (volts === null) return ask('volts')
  const amps = milliwatts / 1000 / volts
  return milliwatts > Math.round(mostAmps * volts * 1000)
    ? [{ ...about, level: 'stop', code: 'pack-overdrawn', amps, mostAmps, volts }]
    : []
}
