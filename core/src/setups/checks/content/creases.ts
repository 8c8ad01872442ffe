import { isItemOf, type PlacedItem, readChoice } from '../../placed/placed-item.ts'
import { defineCheck, type Found, type Purchase } from '../check.ts'
import { plain } from '../finding-words.ts'
import { findRole, listAssignments, listFromStock } from '../ideas.ts'

interface Creased {
  code: 'creased'
  tag: string
  itemKey: string
  /** What is not known: how it creases, or how it is stored; null where both are. */
  lacks: 'creases' | 'stored' | null
  /** It bears no steam and no iron. */
  isDry: boolean
  /** What takes creases out and is there. */
  tool: string | null
}

/** To take the creases out of a cloth as wide as a person is framed. Common practice, from memory. */
const MINUTES = 10
/** Steam and heat spoil it. Common practice, from memory. */
const DRY = ['paper', 'vinyl', 'foam']

const STEAMER: Purchase = { kind: 'shop', item: 'Steamer', quantity: 1, stockId: null }

const smooths = (it: Pick<PlacedItem, 'model'>) => readChoice(it, 'smooths') === 'yes'

/** Backdrops that come folded: what takes the creases out has to be there, works, and takes its minutes. */
export const creases = defineCheck<Creased>({
  find(scene) {
    const tool = scene.items.find(smooths)
    return scene.items
      .filter((it) => isItemOf(it, 'backdrop'))
      .flatMap((it): Found<Creased>[] => {
        const material = readChoice(it, 'material')
        const [how, stored] = [readChoice(it, 'creases'), readChoice(it, 'stored')]
        if (how === 'hardly' || stored === 'rolled' || stored === 'hung') return []
        const lacks = how === null ? 'creases' : stored === null ? 'stored' : null
        // Of what nobody said anything, and of what creases little, nothing is asked.
        if (lacks && !(lacks === 'creases' ? stored === 'folded' : how === 'easily')) return []
        const isDry = material !== null && DRY.includes(material)
        const isMended = tool !== undefined && !isDry
        if (lacks && isMended) return []
        const level = lacks ? 'unknown' : isMended || how === 'somewhat' ? 'advise' : 'warn'
        const own = { tag: it.tag, itemKey: it.key, lacks, isDry, tool: isMended ? tool.tag : null } as const
        return [{ about: [it.key], roleId: it.roleId, level, code: 'creased', ...own }]
      })
  },
  codes: {
    creased: {
      say: ({ tag, lacks, isDry, tool }) => {
        if (lacks)
          return plain(
            `Cannot tell whether ${tag} comes creased`,
            `${lacks === 'stored' ? 'It creases easily, and nobody wrote down whether it is rolled, hung or folded' : 'It is folded, and nobody wrote down how easily it creases'}. Rolled or hung it needs nothing.`,
          )
        if (isDry) return plain(`${tag} comes creased`, 'It is folded and bears no steam. Rolled up it stays smooth.')
        return tool
          ? plain(
              `Smooth ${tag} first`,
              `It is folded: about ${MINUTES} minutes with ${tool}. Rolled or hung it would take none.`,
            )
          : plain(
              `${tag} comes creased`,
              `It is folded, and nothing is there that takes creases out, such as a steamer: about ${MINUTES} minutes. Rolled or hung it would need none.`,
            )
      },
      deciding: ({ lacks, isDry, tool }) => [lacks, isDry, tool],
      isSmaller: (after, before) => before.tool === null && after.tool !== null,
      ideas: ({ roleId, tool, isDry, lacks }, { scene, store }) => {
        const role = findRole(scene, roleId)
        if (!role || tool || isDry) return []
        const free = [...listAssignments(role, store, smooths), ...listFromStock(role, store, smooths)]
        return free.length > 0 || lacks ? free : [STEAMER]
      },
      toBuy: ({ tool, isDry, lacks }, store) =>
        tool || isDry || lacks || [...store.units, ...store.stock.filter((it) => it.free > 0)].some(smooths)
          ? null
          : STEAMER,
      seeks: () => ({ categories: ['tool', 'household'] }),
    },
  },
})
