import { type Category, isKindOf } from '../../kit/model/category.ts'
import type { Interface } from '../../kit/model/interface.ts'
import type { Model } from '../../kit/model/model.ts'
import { isOwnFamily } from '../../kit/model/one-system.ts'
import { listLackingFacts } from '../../kit/template/needed-facts.ts'

/** A thing or something counted, by what it is. */
export interface Held {
  id: string
  model: Pick<Model, 'ports' | 'category' | 'specs' | 'powerModes'>
}

/** What would serve nothing more, and what might take it all the same, as nobody said what that takes. */
export interface Stranded<T> {
  thing: T
  perhapsIn: T[]
}

/** Ends of these kinds fit few things: what lies on one of them is of no use without the other. */
const CLOSE: ReadonlySet<Interface['kind']> = new Set(['mount', 'battery', 'card'])

/** These are there for what goes in or on them, and for nothing else. */
const FOR_OTHERS: readonly Category[] = ['charger', 'reader', 'lens-adapter', 'plate']
const isForOthers = ({ model }: Held) => FOR_OTHERS.some((kind) => isKindOf(model.category, kind))
/** In these nothing works: a pack that only its charger takes is of no use. */
const KEEPERS: readonly Category[] = ['charger', 'reader']
const isKeeper = ({ model }: Held) => KEEPERS.some((kind) => isKindOf(model.category, kind))

/**
 * What would serve nothing more once some things are sold: packs, lenses, cards, plates and adapters that go on or in nothing
 * else, and chargers that nothing goes into. Only ends of the families that fit few things are asked: a lamp without a stand is a lamp.
 * What lay idle before is not told. Where something is left of which nobody said what it takes, that is told with it.
 */
export function listStranded<T extends Held>(
  all: readonly T[],
  soldIds: ReadonlySet<string>,
  interfaces: ReadonlyMap<string, Interface>,
): Stranded<T>[] {
  const isClose = (code: string) => {
    const kind = interfaces.get(code)?.kind
    return kind !== undefined && (CLOSE.has(kind) || (kind === 'carry' && isOwnFamily(code)))
  }
  const listEnds = ({ model }: T, side: 'host' | 'guest') =>
    model.ports.filter((it) => it.side === side).map((it) => it.interfaces.filter(isClose))
  const codesOf = (things: readonly T[], side: 'host' | 'guest') =>
    new Set(things.filter((it) => side === 'guest' || !isKeeper(it)).flatMap((it) => listEnds(it, side).flat()))
  const gone = new Set(soldIds)
  const stranded: T[] = []
  const kindOf = (code: string) => interfaces.get(code)?.kind
  // What is stranded takes what hangs on it along: the pack of an adapter that fits nothing more.
  for (let isSettled = false; !isSettled; ) {
    isSettled = true
    const left = all.filter((it) => !gone.has(it.id))
    const before = { host: codesOf(all, 'host'), guest: codesOf(all, 'guest') }
    const after = { host: codesOf(left, 'host'), guest: codesOf(left, 'guest') }
    /** An end that found something and finds nothing more. */
    const isCut = (codes: readonly string[], other: 'host' | 'guest') =>
      codes.some((it) => before[other].has(it)) && !codes.some((it) => after[other].has(it))
    for (const it of left) {
      const guests = listEnds(it, 'guest').filter((codes) => codes.length > 0)
      const hosts = listEnds(it, 'host').filter((codes) => codes.length > 0)
      const goesOnNothing =
        guests.some((codes) => isCut(codes, 'host')) &&
        !guests.some((codes) => codes.some((code) => after.host.has(code)))
      const takesNothing = isForOthers(it) && hosts.length > 0 && hosts.every((codes) => isCut(codes, 'guest'))
      if (!goesOnNothing && !takesNothing) continue
      gone.add(it.id)
      stranded.push(it)
      isSettled = false
    }
  }
  const left = all.filter((it) => !gone.has(it.id))
  return stranded.map((thing) => {
    const codes = thing.model.ports.flatMap((it) => it.interfaces.filter(isClose))
    const perhapsIn = left.filter((it) => codes.some((code) => couldMeet(it, code, kindOf(code), interfaces)))
    return { thing, perhapsIn }
  })
}

/** Whether something could meet an end for all that is known: nobody said which end of that kind it has. */
function couldMeet(
  { model }: Held,
  code: string,
  kind: Interface['kind'] | undefined,
  interfaces: ReadonlyMap<string, Interface>,
): boolean {
  const lacks = listLackingFacts(model, interfaces)
  const isOf = (wanted: Category) => isKindOf(model.category, wanted)
  const hasEnd = (suits: (own: string) => boolean) => model.ports.some((it) => it.interfaces.some(suits))
  if (code.startsWith('filter-')) return isOf('lens') && !hasEnd((own) => own.startsWith('filter-'))
  if (kind === 'battery') {
    return lacks.includes('power') || (isOf('pack') && !hasEnd((own) => interfaces.get(own)?.kind === 'battery'))
  }
  if (kind === 'card') {
    return lacks.includes('medium') || (isOf('card') && !hasEnd((own) => interfaces.get(own)?.kind === 'card'))
  }
  return kind === 'mount' && (lacks.includes('mount') || lacks.includes('front-mount'))
}
