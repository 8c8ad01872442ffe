import { defineCheck, type Purchase } from '../check.ts'
import { plain } from '../finding-words.ts'

interface ShortStock {
  code: 'stock-short'
  stockId: string
  tag: string
  name: string
  wanted: number
  have: number
}

const whatToBuy = ({ name, wanted, have, stockId }: ShortStock): Purchase => ({
  kind: 'shop',
  item: name,
  quantity: wanted - have,
  stockId,
})

/** Stock of which more is put in than is free. The first role that takes of it is told. */
export const shortStock = defineCheck<ShortStock>({
  find({ setup, items, freeStock }) {
    const stocks = new Map(items.flatMap((it) => (it.stock ? [[it.stock.id, it] as const] : [])))
    return [...stocks].flatMap(([stockId, { tag, model }]) => {
      const wanted = items.filter((it) => it.stock?.id === stockId).length
      const have = freeStock.get(stockId) ?? 0
      if (have >= wanted) return []
      const roleId = setup.roles.find((role) => role.things.some((it) => it.stockId === stockId))?.id ?? null
      const figures = { stockId, tag, name: model?.name ?? tag, wanted, have }
      return [{ code: 'stock-short', about: [stockId], roleId, ...figures }]
    })
  },
  codes: {
    'stock-short': {
      say: ({ tag, name, wanted, have }) =>
        plain(`${name}: ${wanted} wanted, ${have} left`, `The setup takes ${wanted} of ${tag} and ${have} are free.`),
      deciding: ({ wanted, have }) => [wanted, have],
      ideas: (finding) => [whatToBuy(finding)],
      toBuy: whatToBuy,
    },
  },
})
