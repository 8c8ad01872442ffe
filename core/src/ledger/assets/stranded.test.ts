import { describe, expect, test } from 'vitest'
import type { Category } from '../../kit/model/category.ts'
import { makeOwnInterface } from '../../kit/model/interface.ts'
import { makePort } from '../../kit/model/port.ts'
import { makeModelFromTemplate } from '../../kit/template/template.ts'
import { listStranded } from './stranded.ts'

const KINDS = {
  lark: 'mount',
  wren: 'mount',
  brick: 'battery',
  tile: 'card',
  thread: 'carry',
  claw: 'carry',
  'filter-67': 'mount',
} as const
const INTERFACES = new Map(
  Object.entries({ ...KINDS, 'thread-1-4': 'carry', usb: 'signal' } as const).map(([code, kind]) => [
    code,
    { ...makeOwnInterface(kind, code), code, version: 1 },
  ]),
)

/** A thing by what it takes in and what it goes on. */
const thing = (id: string, category: Category, takes: string[], goesOn: string[]) => ({
  id,
  model: {
    ...makeModelFromTemplate('other', '', id),
    category,
    ports: [
      ...takes.map((it) => makePort({ id: `h-${it}`, interfaces: it, side: 'host' })),
      ...goesOn.map((it) => makePort({ id: `g-${it}`, interfaces: it, side: 'guest' })),
    ],
  },
})
const BODY = thing('body', 'camera', ['lark', 'brick', 'tile', 'thread-1-4'], [])
const SECOND = thing('second', 'camera', ['wren', 'brick', 'tile', 'thread-1-4'], [])
const LENS = thing('lens', 'lens', ['thread-1-4'], ['lark'])
const PACK = thing('pack', 'pack', [], ['brick'])
const CARD = thing('card', 'card', [], ['tile'])
const CHARGER = thing('charger', 'charger', ['brick'], [])
const ADAPTER = thing('adapter', 'lens-adapter', ['lark'], ['wren'])
const TRIPOD = thing('tripod', 'tripod', [], ['thread-1-4'])
const ids = (all: (typeof BODY)[], ...sold: string[]) =>
  listStranded(all, new Set(sold), INTERFACES)
    .map((it) => it.thing.id)
    .sort()

describe('what serves nothing more', () => {
  test('the only body of its kind leaves its lens, its packs and cards, and the charger that takes them', () => {
    expect(ids([BODY, LENS, PACK, CARD, CHARGER, TRIPOD], 'body')).toEqual(['card', 'charger', 'lens', 'pack'])
  })

  test('what another takes serves on, and with an adapter the lens does', () => {
    expect(ids([BODY, SECOND, LENS, PACK, CARD, CHARGER], 'body')).toEqual(['lens'])
    expect(ids([BODY, SECOND, ADAPTER, LENS, PACK, CARD, CHARGER], 'body')).toEqual([])
    // Its own body gone, the adapter goes on nothing, and what hung on it hangs on the other body still.
    expect(ids([BODY, SECOND, ADAPTER, LENS], 'second')).toEqual(['adapter'])
    expect(ids([SECOND, ADAPTER, LENS], 'second')).toEqual(['adapter', 'lens'])
  })

  test('an adapter without lenses goes, a body without lenses stays', () => {
    expect(ids([SECOND, ADAPTER, LENS], 'lens')).toEqual(['adapter'])
    expect(ids([BODY, LENS], 'lens')).toEqual([])
    expect(ids([CHARGER, PACK, BODY], 'pack')).toEqual(['charger'])
    const other = thing('other', 'pack', [], ['brick'])
    expect(ids([CHARGER, PACK, other, BODY], 'pack')).toEqual([])
  })

  test('what lay idle before, what has ends that everybody has, and what nobody told of is left alone', () => {
    expect(ids([BODY, thing('odd', 'lens', [], ['wren'])], 'body')).toEqual([])
    expect(ids([TRIPOD, BODY], 'body')).toEqual([])
    expect(ids([BODY, thing('bare', 'pack', [], [])], 'body')).toEqual([])
    const unknown = {
      ...PACK,
      model: { ...PACK.model, ports: [makePort({ id: 'g', interfaces: 'never', side: 'guest' })] },
    }
    expect(ids([BODY, unknown], 'body')).toEqual([])
  })

  test('a quick plate of our own goes with the last head that takes it; a standard thread ties nothing', () => {
    const plate = thing('plate', 'plate', [], ['claw', 'thread-1-4'])
    expect(ids([thing('head', 'head', ['claw'], []), plate], 'head')).toEqual(['plate'])
    expect(
      ids([thing('head', 'head', ['thread-1-4'], []), thing('screw', 'plate', [], ['thread-1-4'])], 'head'),
    ).toEqual([])
  })

  test('several sold at once leave what hung on any of them', () => {
    expect(ids([BODY, SECOND, PACK, CARD], 'body', 'second')).toEqual(['card', 'pack'])
    expect(ids([BODY, PACK], 'body', 'pack')).toEqual([])
  })

  test('where something is left of which nobody said what it takes, that is told, and nothing is claimed', () => {
    const doubts = (all: (typeof BODY)[], ...sold: string[]) =>
      Object.fromEntries(
        listStranded(all, new Set(sold), INTERFACES).map((it) => [it.thing.id, it.perhapsIn.map((one) => one.id)]),
      )
    const bare = thing('bare', 'camera', [], [])
    expect(doubts([BODY, LENS, PACK, CARD, bare], 'body')).toEqual({ lens: ['bare'], pack: ['bare'], card: ['bare'] })
    expect(doubts([BODY, LENS, PACK, CARD, SECOND], 'body')).toEqual({ lens: [] })
    const filter = thing('filter', 'filter', [], ['filter-67'])
    const threaded = thing('threaded', 'lens', ['filter-67'], ['lark'])
    expect(doubts([BODY, threaded, filter, LENS], 'threaded')).toEqual({ filter: ['lens'] })
    expect(doubts([BODY, threaded, filter], 'threaded')).toEqual({ filter: [] })
    // A pack of which nobody said what it goes into may go into the charger.
    expect(doubts([CHARGER, PACK, BODY, thing('odd', 'pack', [], [])], 'pack')).toEqual({ charger: ['odd'] })
  })
})
