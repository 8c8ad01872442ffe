import { isKindOf } from '../../../kit/model/category.ts'
import { isItemOf, type PlacedItem } from '../../placed/placed-item.ts'
import { defineCheck, ofItem } from '../check.ts'
import { plain } from '../finding-words.ts'
import { findRole, listCablesFor, SEEKS_CABLE } from '../ideas.ts'
import { factOf, type Scene } from '../scene.ts'
import { traceSignals } from './signals.ts'

interface DarkScreen {
  code: 'screen-dark'
  tag: string
  name: string
}

/**
 * A screen that is there to show something, and into which nothing goes. One whose picture has to come in at one certain end
 * has an open end, and is told as that.
 */
export const darkScreens = defineCheck<DarkScreen>({
  shownIn: 'signals',
  find(scene) {
    const screens = scene.items.filter((it) => isToShow(it, scene))
    // What is dark because all that could send a picture is away is told with that.
    if (screens.length === 0 || (scene.away.some(({ item }) => isSource(item)) && !scene.items.some(isSource)))
      return []
    const shown = new Set(factOf(scene, traceSignals).chains.map(({ to }) => to.key))
    return screens.flatMap((item) => {
      if (shown.has(item.key)) return []
      const level = item.roleImportance === 'optional' ? ('advise' as const) : ('warn' as const)
      return [{ ...ofItem(item), level, code: 'screen-dark' as const }]
    })
  },
  codes: {
    'screen-dark': {
      say: ({ tag, name }) =>
        plain(
          `${tag} shows nothing`,
          `No picture goes into ${name}. A cable from what it is to show would do; where it plays by itself, or only stands there, accept it.`,
        ),
      deciding: () => [],
      ideas: ({ roleId }, context) => listCablesFor(roleId, context),
      seeks: () => SEEKS_CABLE,
    },
  },
})

/** Kinds that send a picture of their own. */
const SOURCES = ['camera', 'computer', 'tablet', 'switcher', 'external-recorder'] as const
const isSource = (item: PlacedItem) => SOURCES.some((kind) => isItemOf(item, kind))

function isToShow(item: PlacedItem, scene: Scene): boolean {
  if (!isItemOf(item, 'monitor')) return false
  const role = findRole(scene, item.roleId)
  if (!role || !(role.wants ? isKindOf(role.wants, 'monitor') : role.group === 'camera')) return false
  const ways = item.ports.filter((it) => it.side === 'host' && it.direction === 'in')
  return ways.length > 0 && ways.every((it) => it.importance === 'optional')
}
