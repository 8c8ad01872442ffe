import type { Category } from '../../kit/model/category.ts'
import type { Importance } from '../../kit/model/port.ts'
import type { NeededFact } from '../../kit/template/needed-facts.ts'
import type { FindingLevel } from '../../studio/finding.ts'
import type { PolicyRef } from '../../studio/policy/policy.ts'
import type { Policies } from '../../studio/policy/resolved-policies.ts'
import type { PictureKind } from '../joining/picture-kind.ts'
import type { PlacedItem } from '../placed/placed-item.ts'
import type { Store } from '../placed/store.ts'
import type { Remedy } from '../setup/remedy.ts'
import type { Acceptance } from '../setup/setup.ts'
import type { FindingWords, TimeWords, WorkingWords } from './finding-words.ts'
import type { Scene } from './scene.ts'

/** What every finding has, whatever it is about. Added once, where all checks come together. */
export interface Envelope {
  /** Stable between two judgements of the same thing, so that one can be compared with the other. */
  key: string
  level: FindingLevel
  roleId: string | null
  /** Somebody accepts it as it is: it stays in the list and out of the verdict. */
  accepted?: Acceptance
}

/**
 * What a check returns: what it found, and what it is about. `about` tells two findings of one code apart and is part of
 * the key: ids, never names. Without a level of its own it weighs as much as its role.
 */
export type Found<F extends { code: string }> = F extends unknown
  ? F & { about: readonly string[]; roleId: string | null; level?: FindingLevel }
  : never

/** What a check would have looked for in the store: kinds, ends that fit, or anything that a role without a wish takes. */
export interface Seek {
  categories?: readonly Category[]
  interfaces?: readonly string[]
  anything?: boolean
}

/** A remedy that goes on the shopping list. */
export type Purchase = Remedy & { kind: 'shop' }

/** What ideas for remedies are made from. */
export interface IdeaContext {
  scene: Scene
  store: Store
}

/** All that is to be said and done about one code. */
export interface CodeRecord<F> {
  say(finding: F & Envelope, words: TimeWords): FindingWords
  /** Without its figures, for who goes by feel. */
  sayPlainly?(finding: F & Envelope): string
  /** What it comes of, where others may come of the same: those are told together, and count once. */
  cause?(finding: F): string | null
  /** All of one cause in one sentence; wherever there is a cause. */
  sayTogether?(findings: readonly (F & Envelope)[], words: TimeWords): FindingWords
  /** The figures that make it this finding: with others it is another, and is accepted anew. */
  deciding(finding: F): readonly unknown[]
  /** What could be tried, in the order of what it costs: something free, another way to run it, buying. */
  ideas?(finding: F & Envelope, context: IdeaContext): Remedy[]
  /** What has to be bought, where the store has nothing of it. */
  toBuy?(finding: F, store: Pick<Store, 'units' | 'stock'>): Purchase | null
  /** Keys of the items of the setup in whose stead another of the kind could mend it. */
  replaceable?(finding: F, scene: Scene): readonly string[]
  /** What else of the store could help. */
  seeks?(finding: F & Envelope, scene: Scene | null): Seek
  /** Which fact about which model would answer it. */
  asks?(finding: F): { modelId: string; fact: NeededFact } | null
  /** What is not known could turn out to be a stop: on an essential role, or on none, nobody can tell yet. */
  couldStop?: true
  /** It can hurt somebody: accepted, it is still told as what cannot run as recorded. */
  isHazard?: true
  /** Whether it is still there, but less of it. */
  isSmaller?(after: F, before: F): boolean
}

/** One check: what it finds in a scene, and a record for each of its codes. A code without one does not compile. */
export interface Check<F extends { code: string }> {
  find(scene: Scene): Found<F>[]
  /** In which picture the things that it is about are marked; none where nobody would look for it there. */
  shownIn?: PictureKind | ((finding: F) => PictureKind | null)
  codes: { [C in F['code']]: CodeRecord<Extract<F, { code: C }>> }
}

export function defineCheck<F extends { code: string }>(check: Check<F>): Check<F> {
  return check
}

/** A sum with the numbers it came from, shown also where it comes out well. */
export interface Sum<W extends { formula: string }> {
  formula: W['formula']
  list(scene: Scene): readonly W[]
  /** The formula with the numbers in it. */
  say(working: W, labelOf: (code: string) => string): WorkingWords
  /** Which policies it follows. */
  follows(policies: Policies): PolicyRef[]
}

export function defineSum<W extends { formula: string }>(sum: Sum<W>): Sum<W> {
  return sum
}

export const LEVEL_OF_IMPORTANCE: Readonly<Record<Importance, FindingLevel>> = {
  essential: 'stop',
  wanted: 'warn',
  optional: 'advise',
}

/** A finding about one item: its key, its role, and what it is called. */
export function ofItem({ key, roleId, tag, name }: PlacedItem) {
  return { about: [key], roleId, tag, name }
}
