import { type ColourRange, findCommonRange, miredOf, SEEN_FROM_MIRED } from '../../../formulas/light/colour.ts'
import { factOf, type Scene } from '../scene.ts'
import { computeSetLook } from './set-look.ts'

/** Something that gives light in the picture: a lamp, or a light of the house that is on. */
export interface ColourSource {
  /** Of the lamp, or of the light of the house. */
  id: string
  label: string
  roleId: string | null
  key: string | null
  kelvin: number | null
  kelvinMin: number | null
  kelvinMax: number | null
  isMeant: boolean
  /** It is there for the face: the rest is held against it. */
  isForFace: boolean
  isKey: boolean
}

export interface Colours {
  sources: readonly ColourSource[]
  /** What most of the light for the face has; null where none of it is known. */
  reference: number | null
  /** Visibly apart from it, by how much in mired: above nothing is warmer. */
  odd: readonly { source: ColourSource; mired: number }[]
  /** What all of them reach that are to be alike; null where they share none, or one of them is not known. */
  common: ColourRange | null
  /** Who stands against it: without it the others share one. */
  blocking: readonly ColourSource[]
}

/** Colour temperatures of all that gives light; what is meant to differ is held against nothing. */
export function listColours(scene: Scene): Colours {
  const { lamps, houseLights } = factOf(scene, computeSetLook)
  const sources = [
    ...lamps.map(
      (it): ColourSource => ({
        id: it.lamp.key,
        label: it.lamp.tag,
        roleId: it.role.id,
        key: it.lamp.key,
        kelvin: it.kelvin,
        kelvinMin: it.gels.length > 0 ? it.kelvin : it.kelvinMin,
        kelvinMax: it.gels.length > 0 ? it.kelvin : it.kelvinMax,
        isMeant: it.isColourMeant,
        isForFace: it.job === 'key' || it.job === 'fill',
        isKey: it.job === 'key',
      }),
    ),
    ...houseLights.flatMap(({ fixture, state }): ColourSource[] =>
      state === 'on'
        ? [
            {
              id: fixture.id,
              label: fixture.name,
              roleId: null,
              key: null,
              kelvin: fixture.kelvin,
              kelvinMin: fixture.kelvin,
              kelvinMax: fixture.kelvin,
              isMeant: false,
              isForFace: false,
              isKey: false,
            },
          ]
        : [],
    ),
  ]
  const alike = sources.filter((it) => !it.isMeant)
  const reference = findReference(sources)
  const odd = sources.flatMap((source) => {
    if (source.kelvin === null || reference === null) return []
    const mired = miredOf(source.kelvin) - miredOf(reference)
    return Math.abs(mired) > SEEN_FROM_MIRED ? [{ source, mired }] : []
  })
  const ranges = alike.flatMap(({ kelvinMin, kelvinMax }) =>
    kelvinMin === null || kelvinMax === null ? [] : [{ kelvinMin, kelvinMax }],
  )
  const common = ranges.length === alike.length ? findCommonRange(ranges) : null
  return { sources, reference, odd, common, blocking: common ? [] : listBlocking(alike) }
}

/** What the key is set to; else what most of the lamps for the face are, else most of them all. */
function findReference(sources: readonly ColourSource[]): number | null {
  const known = sources.filter((it) => it.kelvin !== null && !it.isMeant)
  const face = known.filter((it) => it.isForFace)
  const keys = known.filter((it) => it.isKey)
  const counted = (keys.length > 0 ? keys : face.length > 0 ? face : known).flatMap((it) => it.kelvin ?? [])
  const near = (kelvin: number) =>
    counted.filter((it) => Math.abs(miredOf(it) - miredOf(kelvin)) <= SEEN_FROM_MIRED).length
  return [...counted].sort((a, b) => near(b) - near(a) || a - b)[0] ?? null
}

function listBlocking(alike: readonly ColourSource[]): ColourSource[] {
  const known = alike.filter((it) => it.kelvinMin !== null && it.kelvinMax !== null)
  const rangeOf = (those: readonly ColourSource[]) =>
    findCommonRange(those.map((it) => ({ kelvinMin: it.kelvinMin ?? 0, kelvinMax: it.kelvinMax ?? 0 })))
  if (known.length < 2 || rangeOf(known)) return []
  return known.filter((it) => rangeOf(known.filter((other) => other !== it)))
}
