import { EMPTY_UNIT, makeModelFromTemplate } from '@exemplar/core'
import type { AppContext } from '../server/src/foundation/database/app-context.ts'
import { models, units } from '../server/src/schema/kit-tables.ts'
import { places } from '../server/src/schema/studio-tables.ts'

export const UNITS = 20_000
const MODELS = 400

const MAKERS = 'Verrin Quarle Hask Brindle Kestle Otter Dace Stoop Murmur Tarn Sedge Wend Larch Fennel Curlew'.split(
  ' ',
)
const NOUNS =
  'panel lantern softbox tripod slider gimbal recorder lavalier monitor backdrop reflector umbrella charger spigot adapter'.split(
    ' ',
  )
const SYLLABLES = 'bar cor den fil gan hol jen kem lor mir nol pel quin ras sol tem ul ver wil yan zel'.split(' ')
const KINDS = ['light', 'camera', 'stand', 'microphone', 'card'] as const

/** The same draw each time: a linear congruential generator (Lehmer, 1951; the constants of Park and Miller, 1988). */
export function makeDraw(seed: number): (below: number) => number {
  let at = seed
  return (below) => {
    at = (at * 48_271) % 2_147_483_647
    return at % below
  }
}

/** 20,000 things of 400 models at 20 places, each with a serial and some with a note. */
export function fillKit({ db }: AppContext): void {
  const draw = makeDraw(7)
  db.transaction((tx) => {
    for (let n = 0; n < 20; n++)
      tx.insert(places)
        .values({ id: `p${n}`, name: `Shelf ${n}`, kind: 'shelf', circuits: [], parentId: null })
        .run()
    for (let n = 0; n < MODELS; n++) {
      // A name of its own for every model: what people misspell is mostly made up by somebody.
      const own = Array.from({ length: 2 + draw(2) }, () => SYLLABLES[draw(SYLLABLES.length)]).join('')
      const name = `${own} ${NOUNS[draw(NOUNS.length)]} ${n}`
      const model = makeModelFromTemplate(KINDS[n % 5] ?? 'light', MAKERS[draw(MAKERS.length)] ?? '', name)
      tx.insert(models)
        .values({ ...model, id: `m${n}` })
        .run()
    }
    for (let n = 0; n < UNITS; n++) {
      const tag = `U-${String(n).padStart(5, '0')}`
      const unit = {
        ...EMPTY_UNIT,
        id: tag,
        tag,
        modelId: `m${n % MODELS}`,
        placeId: `p${n % 20}`,
        serial: `SN${100_000 + n}`,
      }
      const state = n % 9 === 0 ? ('standby' as const) : ('in-service' as const)
      tx.insert(units)
        .values({ ...unit, state, note: n % 7 === 0 ? `scratched at the ${NOUNS[draw(NOUNS.length)]}` : '' })
        .run()
    }
  })
}
