import { CATEGORIES } from '@exemplar/core'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { countRows, match, startApi, type TestApi } from '../../foundation/api.fixture.ts'

let api: TestApi

interface Row {
  id: string
  tag: string
  name: string
  category: keyof typeof CATEGORIES
  state: string
  place: string | null
  fault: string | null
  usedIn: { code: string; role: string }[]
}

async function list(query: string): Promise<Row[]> {
  return (await api.call('GET', `/units?${query}`)).body.rows
}

describe('the kit of the demo', () => {
  beforeEach(async () => {
    api = await startApi({ demo: true })
  })
  afterEach(() => api.close())

  test('pages walk through every thing once, in the order of the tags', async () => {
    const { body: count } = await api.call('GET', '/units/count')
    const seen: string[] = []
    let after = ''
    for (let page = 0; page < 40; page++) {
      const { body } = await api.call('GET', `/units?limit=7${after && `&after=${after}`}`)
      seen.push(...body.rows.map((row: Row) => row.tag))
      if (!body.next) break
      after = body.next
    }
    expect(seen).toHaveLength(count.units)
    expect(seen).toEqual([...new Set(seen)].sort())
  })

  test('filters by group, kind, state, and what is wrong or borrowed', async () => {
    const lights = await list('group=light')
    expect(lights.every((row) => CATEGORIES[row.category].group === 'light')).toBe(true)
    // Ten lamps and modifiers, and of the seed room and Shelf C two lamps, four gels, two reflectors, a flag.
    expect(lights).toHaveLength(19)
    expect((await list('category=lens-adapter')).map((row) => row.tag)).toEqual(['ADP-01'])
    expect((await list('state=in-repair')).map((row) => row.tag)).toEqual(['LEN-05'])
    expect((await list('only=borrowed')).map((row) => row.tag)).toEqual(['RAI-01'])
    expect((await list('only=faulty')).map((row) => [row.tag, row.fault !== null])).toEqual([
      ['LEN-05', false],
      ['LGT-06', true],
      ['LGT-07', true],
    ])
  })

  test('in a setup or in none: together they are everything', async () => {
    const [inSome, inNone, all] = await Promise.all([
      list('only=in-setup&limit=500'),
      list('only=in-none&limit=500'),
      list('limit=500'),
    ])
    expect(inSome.length + inNone.length).toBe(all.length)
    expect(inSome.every((row) => row.usedIn.length > 0)).toBe(true)
    expect(inNone.every((row) => row.usedIn.length === 0)).toBe(true)
    expect(all.find((row) => row.tag === 'TRI-01')?.usedIn.map((it) => `${it.code} ${it.role}`)).toEqual([
      'GI A support',
      'LR A support',
    ])
  })

  test('finds by tag, name, serial and note; wildcards mean themselves', async () => {
    expect((await list('find=tri-01')).map((row) => row.tag)).toEqual(['TRI-01'])
    expect((await list('find=V6-20711')).map((row) => row.tag)).toEqual(['CAM-01'])
    expect((await list('find=spectacles')).map((row) => row.tag)).toEqual(['LGT-08'])
    expect((await list('find=Verrin%20V6')).map((row) => row.tag)).toEqual(['CAM-01'])
    expect(await list('find=%25')).toEqual([])
    expect(await list('find=_')).toEqual([])
  })

  test('quick entry gives the next tag, finds the model again, and makes one from the template', async () => {
    const first = await api.call('POST', '/units', {
      category: 'tripod',
      maker: 'Brindle',
      name: 'f8 TRIPOD, fluid head',
      placeId: 'store',
    })
    expect(first.status).toBe(201)
    expect(first.body).toMatchObject({ tag: 'TRI-07', modelId: 'brindle-f8', placeId: 'store', state: 'in-service' })
    const lamp = await api.call('POST', '/units', {
      category: 'light',
      name: 'Workshop lamp',
      facts: { inlet: 'iec-c13', milliwatts: 500_000 },
    })
    const { body: page } = await api.call('GET', `/units/${lamp.body.id}`)
    expect(page.model).toMatchObject({
      name: 'Workshop lamp',
      powerModes: [{ source: 'mains', milliwatts: 500_000, portIds: ['inlet'] }],
    })
    expect(page.model.ports.map((port: { id: string }) => port.id)).toEqual(['receiver', 'inlet'])
  })

  test('a tag that is taken, or an interface nobody knows, is refused at its field and nothing is left behind', async () => {
    const before = countRows(api.app)
    const taken = await api.call('POST', '/units', { category: 'light', name: 'New one', tag: 'LGT-01' })
    expect([taken.status, taken.body.errors[0].pointer]).toEqual([409, '/tag'])
    const strange = await api.call('POST', '/units', {
      category: 'lens',
      name: 'New one',
      facts: { mount: 'mount-unheard' },
    })
    expect([strange.status, strange.body.errors[0].pointer]).toEqual([422, '/facts/mount'])
    const nowhere = await api.call('POST', '/units', { category: 'lens', name: 'New one', placeId: 'atlantis' })
    expect(nowhere.status).toBe(422)
    expect(countRows(api.app)).toEqual(before)
  })

  test('what changes stands in the history, with who and what before', async () => {
    const { body: page } = await api.call('GET', '/units/LGT-02')
    await api.call('PATCH', '/units/LGT-02', { placeId: 'studio' }, match(page.version))
    await api.call('PATCH', '/units/LGT-02', { state: 'for-sale' }, match(page.version + 1))
    const { body: events } = await api.call('GET', '/events?subjectType=unit&subjectId=LGT-02')
    expect(events.slice(0, 2).map((event: { kind: string; person: string }) => [event.kind, event.person])).toEqual([
      ['state-changed', 'Imke Harrow'],
      ['moved', 'Imke Harrow'],
    ])
    expect(events[1].data.before.placeId).toBe('case-3')
  })

  test('a thing that a setup counts on is not archived; another one is, and its history stays', async () => {
    const used = await api.call('DELETE', '/units/CAM-01', undefined, match(1))
    expect([used.status, used.body.detail]).toEqual([409, 'CAM-01 stands in a setup. Take it out of the setup first.'])
    expect((await api.call('DELETE', '/units/LGT-08', undefined, match(1))).status).toBe(200)
    expect(await list('find=LGT-08')).toEqual([])
    const { body: events } = await api.call('GET', '/events?subjectType=unit&subjectId=LGT-08')
    expect(events[0].kind).toBe('archived')
  })

  test('a count sets a stock, with the old figure in the log', async () => {
    const { body } = await api.call('POST', '/stock/CEL-01/count', { quantity: 17 }, match(1))
    expect(body).toMatchObject({ quantity: 17, version: 2 })
    const { body: events } = await api.call('GET', '/events?subjectType=stock&subjectId=CEL-01')
    expect(events[0]).toMatchObject({ kind: 'counted', data: { before: 22, after: 17 } })
    expect((await api.call('POST', '/stock/CEL-01/count', { quantity: -1 }, match(2))).status).toBe(422)
  })
})
