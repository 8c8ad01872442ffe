import type { Category, Group } from '../../kit/model/category.ts'
import type { Importance } from '../../kit/model/port.ts'
import type { SpecKey } from '../../kit/model/spec.ts'
import type { TemplateFacts } from '../../kit/template/template-facts.ts'
import type { Purpose } from '../../studio/policy/purpose.ts'

/** Connectors that are a studio's own list: what an example needs of them is made with it. */
export const EXAMPLE_CONNECTORS = {
  'quill-mount': { label: 'Quill mount', kind: 'mount' },
  'wren-pack': { label: 'Wren pack', kind: 'battery' },
  'heath-plate': { label: 'Heath plate', kind: 'battery' },
} as const
export type ExampleConnector = keyof typeof EXAMPLE_CONNECTORS

/** One thing of an example as somebody enters it: kind, facts and further figures. */
export interface ExampleThing {
  category: Category
  name: string
  facts?: Partial<TemplateFacts>
  more?: Partial<Record<SpecKey, number | string>>
}

export interface ExampleRole {
  name: string
  group: Group
  wants: Category | null
  importance?: Importance
  /** The role that it serves, by name. */
  goesWith?: string
  /** How far from who speaks or what is filmed, and how high. */
  distanceMm?: number
  heightMm?: number
  /** Things by their short names; each is one piece. */
  things: readonly string[]
}

/**
 * A small studio to start from: everything that it takes, invented and complete, with plain round figures. Whoever starts
 * from it puts in what they have instead.
 */
export interface ExampleStudio {
  code: string
  name: string
  /** What is filmed, in a sentence. */
  about: string
  purpose: Purpose
  plannedMinutes: number
  speakers?: number
  /** Who carries something by hand. */
  carriers?: number
  things: Readonly<Record<string, ExampleThing>>
  roles: readonly ExampleRole[]
}
