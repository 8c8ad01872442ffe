import { describe, expect, test } from 'vitest'
import { useQuickEntry } from './quick-entry.fixture.ts'

const { call, build, judge, answer } = useQuickEntry()

/** A common thing as the form sends it: its figures are no more than usual. */
const common = (category: string, name: string, facts: object, rest: object = {}) =>
  call('POST', '/units', { category, name, facts, usual: Object.keys(facts), ...rest })
/** The same, looked up by somebody. */
const known = (category: string, name: string, facts: object, rest: object = {}) =>
  call('POST', '/units', { category, name, facts, ...rest })

const GRID = { id: 'g', name: 'Grid', kind: 'bar', heightMm: 2_600, loadGrams: 20_000 }
async function addHall(): Promise<{ placeId: string }> {
  const hall = { parentId: null, name: 'Hall', kind: 'room', note: '', circuits: [], details: { bars: [GRID] } }
  return { placeId: (await call('POST', '/places', hall)).id }
}

const ofUsual = async (id: string) =>
  (await judge(id))
    .of('usual-unsure')
    .map((it) => `${it.level} ${'fact' in it ? it.fact : ''} of ${'tag' in it ? it.tag : ''}`)

const LAMP = { massGrams: 1_300 }
const CLAMP = { mount: 'bar', loadGrams: 15_000 }

describe('what is only usual, by the quick way of entry', () => {
  // Expected before it was looked at: with eleven times the room overhead it is a question all the same; on the floor it is none.
  test('clears nothing that hangs overhead, whatever room there is, and on whichever role', async () => {
    const head = await common('panel', 'Panel', LAMP)
    const jaw = await common('clamp', 'Jaw', { loadGrams: 15_000 }, { facts: CLAMP, usual: ['loadGrams'] })
    const hall = await addHall()
    for (const importance of ['essential', 'optional']) {
      const role = { name: 'Top light', wants: 'light', importance, things: [head, jaw] }
      const id = await build([role], { ...hall, code: importance === 'essential' ? 'TA' : 'TB' })
      expect((await ofUsual(id)).sort()).toEqual([
        `unknown-stop load-limit of ${jaw.tag}`,
        `unknown-stop mass of ${head.tag}`,
      ])
    }
    const low = await known('stand', 'Low', { loadGrams: 3_000 })
    const id = await build([{ name: 'Key', wants: 'light', things: [head, low] }], { ...hall, code: 'TC' })
    expect(await ofUsual(id)).toEqual([])
  })

  test('answered, it is asked no more, and what was answered is judged', async () => {
    const head = await common('panel', 'Panel', LAMP)
    const jaw = await common('clamp', 'Jaw', {}, { facts: CLAMP, usual: ['loadGrams'] })
    const role = { name: 'Top light', wants: 'light', things: [head, jaw] }
    const id = await build([role], await addHall())
    await answer(jaw.modelId, 'load-limit', { kind: 'figure', value: 1_299 })
    await answer(head.modelId, 'mass', { kind: 'figure', value: 1_300 })
    expect(await ofUsual(id)).toEqual([])
    expect((await judge(id)).level).toBe('stop')
  })

  test('counted pieces are asked the same as single ones', async () => {
    const head = await known('panel', 'Panel', LAMP)
    const body = { category: 'clamp', name: 'Jaws', quantity: 2, facts: CLAMP, usual: ['loadGrams'] }
    const jaws = await call('POST', '/stock', body)
    const role = { name: 'Top light', wants: 'light', things: [head], stock: [{ id: jaws.id, quantity: 1 }] }
    const id = await build([role], await addHall())
    expect(await ofUsual(id)).toEqual([`unknown-stop load-limit of ${jaws.tag}`])
  })

  test('of what is away or there in case nothing is asked', async () => {
    const head = await common('panel', 'Panel', LAMP)
    const jaw = await common('clamp', 'Jaw', {}, { facts: CLAMP, usual: ['loadGrams'] })
    const hall = await addHall()
    const spare = await build([{ name: 'Top light', things: [], spares: [head, jaw] }], { ...hall, code: 'SP' })
    expect(await ofUsual(spare)).toEqual([])
    const id = await build([{ name: 'Top light', wants: 'light', things: [head, jaw] }], { ...hall, code: 'AW' })
    await call('PATCH', `/units/${jaw.id}`, { state: 'lost' }, 1)
    expect(await ofUsual(id)).toEqual([])
  })

  test('never says that a boom stands: its weight is asked, and no sum comes out', async () => {
    const head = await known('panel', 'Panel', { massGrams: 2_000 })
    const boom = await known('boom-arm', 'Boom', { loadGrams: 9_000, massGrams: 1_200 }, { specs: { reachMm: 1_500 } })
    const stand = await common(
      'stand',
      'Stand',
      {},
      { facts: { loadGrams: 9_000, massGrams: 40_000 }, usual: ['massGrams'], specs: { legRadiusMm: 600 } },
    )
    const id = await build([{ name: 'Key', wants: 'light', things: [head, boom, stand] }])
    expect((await judge(id)).of('tipping-unknown')).toMatchObject([
      { level: 'unknown-stop', fact: 'mass', of: stand.tag },
    ])
    const { workings } = await call('GET', `/setups/${id}/readiness`)
    expect(workings.map((it: { formula: string }) => it.formula)).not.toContain('tipping')
    await answer(stand.modelId, 'mass', { kind: 'figure', value: 40_000 })
    expect((await judge(id)).of('tipping-unknown')).toEqual([])
  })

  test('does not decide what current a pack gives', async () => {
    const family = await call('POST', '/interfaces', {
      label: 'Fenn A',
      kind: 'battery',
      hostName: 'bay',
      guestName: 'pack',
      standard: null,
      viaCableOnly: false,
    })
    const fed = await common(
      'panel',
      'Fed',
      {},
      { facts: { battery: family.code, milliwatts: 12_000 }, usual: ['milliwatts'] },
    )
    const pack = await known('pack', 'Pack', { battery: family.code, energyMilliwattHours: 98_000 })
    const id = await build([{ name: 'Key', wants: 'light', things: [fed, pack] }])
    expect(await ofUsual(id)).toEqual([`unknown-stop watts of ${fed.tag}`])
  })
})
