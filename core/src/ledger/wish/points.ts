import { CATEGORIES, type Category, GROUPS, type Group, isKindOf } from '../../kit/model/category.ts'

/**
 * What a shoot is worth in a plan: that it runs at all ten points; that something about it is better one to three, as severe as the
 * manager says it is. Ours, for want of a measure: whoever thinks otherwise sees how often the plan comes out the same with others.
 */
export const POINTS_OF_RUNNING = 10

/** How much more something counts by what it is: three times what is bought first, twice what comes second. */
export type Weighting = (category: Category) => number

const EVEN: Weighting = () => 1

const groupsFirst =
  (first: Group, second: Group): Weighting =>
  (category) => {
    const { group } = CATEGORIES[category]
    return group === first ? 3 : group === second ? 2 : 1
  }

const kindFirst =
  (first: Category): Weighting =>
  (category) =>
    isKindOf(category, first) ? 3 : ['light', 'sound'].includes(CATEGORIES[category].group) ? 2 : 1

/** The weightings that somebody may choose: none, or a school of what is bought first. */
export const WEIGHTINGS: Readonly<Record<string, { label: string; weigh: Weighting }>> = {
  even: { label: 'All alike', weigh: EVEN },
  sound: { label: 'Sound first', weigh: groupsFirst('sound', 'light') },
  light: { label: 'Light first', weigh: groupsFirst('light', 'sound') },
  lens: { label: 'Lens before body', weigh: kindFirst('lens') },
  body: { label: 'Body first', weigh: kindFirst('camera') },
}

/** So many other weightings are tried, to tell how much hangs on the one that was chosen. */
export const OTHER_WEIGHTINGS = 10

/** Other weightings, the same each time: every group counts from once to three times as much. */
export function makeOtherWeightings(): Weighting[] {
  return Array.from({ length: OTHER_WEIGHTINGS }, (_, nth) => {
    const weights = new Map(GROUPS.map((group, at) => [group, 1 + scatter(nth * GROUPS.length + at) * 2]))
    return (category) => weights.get(CATEGORIES[category].group) ?? 1
  })
}

/** A number from 0 to 1 for a whole number, as if drawn: multiples of the golden ratio lie evenly. */
const scatter = (nth: number) => ((nth + 1) * 0.618033988749895) % 1
