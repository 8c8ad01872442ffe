import type { NeededFact } from '../../../kit/template/needed-facts.ts'
import { trim } from '../../../units/quantity.ts'
import { type PlacedItem, readFigure } from '../../placed/placed-item.ts'
import { defineCheck, type Found, ofItem } from '../check.ts'
import { makeGauge, plain } from '../finding-words.ts'

type ChargeFinding =
  | { code: 'charges-too-fast'; tag: string; name: string; pack: string; amps: number; mostAmps: number }
  | {
      code: 'charge-unknown'
      tag: string
      name: string
      pack: string
      of: string
      modelId: string | null
      fact: NeededFact
    }

/** What a charger gives, against what the packs of its family that are there take. A hazard: charged too fast, packs get hot. */
export const chargeCurrent = defineCheck<ChargeFinding>({
  shownIn: 'power',
  find: ({ items, interfaces }) => {
    const isPack = ({ category, ports }: PlacedItem) =>
      category === 'pack' && ports.some((it) => it.interfaces.some((code) => interfaces.get(code)?.kind === 'battery'))
    const chargers = items.filter((it) => it.category === 'charger')
    const packs = chargers.length > 0 ? listOncePerModel(items.filter(isPack)) : []
    return chargers.flatMap((charger) => packs.filter((it) => takes(charger, it)).flatMap((it) => judge(charger, it)))
  },
  codes: {
    'charges-too-fast': {
      isHazard: true,
      say: ({ tag, pack, amps, mostAmps }) => ({
        title: `${tag} charges ${pack} too fast`,
        text: `It gives ${trim(amps, 1)} A, and ${pack} takes ${trim(mostAmps, 1)} A at most. It gets hot, swells or ages early: charge it in another charger, or in a slower setting of this one. Never charge cells unwatched.`,
        gauge: makeGauge(amps, mostAmps, `${trim(amps, 1)} of ${trim(mostAmps, 1)} A`),
      }),
      deciding: ({ amps, mostAmps }) => [amps, mostAmps],
    },
    'charge-unknown': {
      isHazard: true,
      say: ({ tag, pack, of }) =>
        plain(
          `Cannot tell whether ${tag} charges ${pack} too fast`,
          of === tag
            ? `What ${pack} takes at most is recorded, and not how many amperes ${tag} gives. It stands on its plate.`
            : `What ${tag} gives is recorded, and not with how many amperes ${pack} may be charged. It stands on the pack or in its leaflet.`,
        ),
      deciding: ({ of, fact }) => [of, fact],
      asks: ({ modelId, fact }) => (modelId === null ? null : { modelId, fact }),
    },
  },
})

/** Of one model one pack is asked after. */
function listOncePerModel(packs: readonly PlacedItem[]): PlacedItem[] {
  const first = new Map<string, PlacedItem>()
  for (const it of packs) if (!first.has(it.model?.id ?? it.key)) first.set(it.model?.id ?? it.key, it)
  return [...first.values()]
}

const takes = (charger: PlacedItem, pack: PlacedItem) =>
  charger.ports.some(
    (bay) =>
      bay.side === 'host' && pack.ports.some((it) => it.interfaces.some((code) => bay.interfaces.includes(code))),
  )

function judge(charger: PlacedItem, pack: PlacedItem): Found<ChargeFinding>[] {
  const [amps, mostAmps] = [readFigure(charger, 'chargeAmps'), readFigure(pack, 'chargeAmps')]
  const about = { ...ofItem(charger), about: [charger.key, pack.model?.id ?? pack.key], pack: pack.tag }
  if (amps === null && mostAmps === null) return []
  if (amps === null || mostAmps === null) {
    const lacks = amps === null ? charger : pack
    const fact = 'charge-amps' as const
    const asked = { of: lacks.tag, modelId: lacks.model?.id ?? null, fact }
    return [{ ...about, level: 'unknown', code: 'charge-unknown', ...asked }]
  }
  return amps > mostAmps ? [{ ...about, level: 'warn', code: 'charges-too-fast', amps, mostAmps }] : []
}
