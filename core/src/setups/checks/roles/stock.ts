import { findWorstLevel } from '../../../studio/finding.ts'
import { defineCheck, LEVEL_OF_IMPORTANCE, type Purchase } from '../check.ts'
import { plain } from '../finding-words.ts'
import { sayLeft } from './absences.ts'

interface ShortStock {
  code: 'stock-short'
  stockId: string
  tag: string
  name: string
  wanted: number
  have: number
  /** What nothing is left for without the pieces that lack. */
  leaves: string[]
}

const whatToBuy = ({ name, wanted, have, stockId }: ShortStock): Purchase => ({
  kind: 'shop',
  item: name,
  quantity: wanted - have,
  stockId,
})

/** Stock of which more is put in than is free. The first role that takes of it is told. */
export const shortStock = defineCheck<ShortStock>({
  find({ setup, items, away, spareItems, spareAway, freeStock }) {
    const all = [...away, ...spareAway.map((item) => ({ item, leaves: [] }))]
    const lacking = all.flatMap(({ item, item: { stock, tag, model }, leaves }) =>
      stock ? [{ stockId: stock.id, tag, model, leaves, isSpare: spareAway.includes(item) }] : [],
    )
    const stocks = new Map([...lacking].reverse().map((it) => [it.stockId, it]))
    return [...stocks.values()].reverse().map(({ stockId, tag, model }) => {
      const own = lacking.filter((it) => it.stockId === stockId)
      const role = setup.roles.find((it) => it.things.some((thing) => thing.stockId === stockId))
      const left = own.flatMap((it) => it.leaves)
      const wanted = own.length + [...items, ...spareItems].filter((it) => it.stock?.id === stockId).length
      return {
        code: 'stock-short' as const,
        about: [stockId],
        roleId: role?.id ?? null,
        // Where only what is there in case lacks, nothing stops.
        level: own.every((it) => it.isSpare)
          ? ('advise' as const)
          : findWorstLevel([LEVEL_OF_IMPORTANCE[role?.importance ?? 'optional'], ...left.map((it) => it.level)]),
        stockId,
        tag,
        name: model?.name ?? tag,
        wanted,
        have: freeStock.get(stockId) ?? 0,
        leaves: [...new Set(left.map((it) => it.thing.tag))],
      }
    })
  },
  codes: {
    'stock-short': {
      say: ({ tag, name, wanted, have, leaves }) =>
        plain(
          `${name}: ${wanted} wanted, ${have} left`,
          `The setup takes ${wanted} of ${tag} and ${have} ${have === 1 ? 'is' : 'are'} free.${sayLeft(leaves)}`,
        ),
      deciding: ({ wanted, have }) => [wanted, have],
      ideas: (finding) => [whatToBuy(finding)],
      toBuy: whatToBuy,
    },
  },
})
