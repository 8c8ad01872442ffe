import type { Acquisition, Category, LifeState, TemplateFacts } from '@exemplar/core'

/** A model of the demo. */
export type ModelRow = readonly [
  id: string,
  category: Category,
  maker: string,
  name: string,
  facts: Partial<TemplateFacts>,
]

/** A thing of the demo. */
export interface DemoUnit {
  tag: string
  model: string
  place: string
  /** Pounds and pence as text; null where it was not bought. */
  price: string | null
  /** Days before today that it came. */
  daysAgo: number
  state?: LifeState
  acquisition?: Acquisition
  party?: string
  /** Days from today. */
  dueIn?: number
  health?: number
  chargedDaysAgo?: number
  serviceEvery?: number
  servicedDaysAgo?: number
  serial?: string
  note?: string
}
