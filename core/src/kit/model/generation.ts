import type { Model } from './model.ts'

type Told = Pick<Model, 'maker' | 'specs'>

/** Which generations a model understands: what is written as several (`1, 2`) is each of them. */
export function listGenerations({ specs }: Pick<Model, 'specs'>): readonly string[] {
  return String(specs.more?.generation ?? '')
    .toLowerCase()
    .split(/[,/]/)
    .map((it) => it.trim())
    .filter(Boolean)
}

/** Whether two models are of one maker: of others no generation tells anything. */
export const isOfOneMaker = (a: Told, b: Told) => a.maker !== '' && a.maker.toLowerCase() === b.maker.toLowerCase()

/**
 * Things of one maker that look alike and are of different generations do not understand each other. Null where nothing tells:
 * other makers, or nobody recorded it of one of them.
 */
export function understandEachOther(a: Told, b: Told): boolean | null {
  const [own, other] = [listGenerations(a), listGenerations(b)]
  if (!isOfOneMaker(a, b) || own.length === 0 || other.length === 0) return null
  return own.some((it) => other.includes(it))
}
