import type { ChangeOver } from '@exemplar/core'
import { afterEach, beforeEach, describe, expect, test } from 'vitest'
import { startApi, type TestApi } from '../foundation/api.fixture.ts'
import { makeCall } from '../foundation/call.fixture.ts'

let api: TestApi
beforeEach(async () => {
  api = await startApi()
})
afterEach(() => api.close())

const call = makeCall(() => api)
const add = async (category: string, name: string, facts: object): Promise<{ id: string; tag: string }> =>
  call('POST', '/units', { category, maker: '', name, facts })
const room = async (name: string): Promise<string> =>
  (await call('POST', '/places', { parentId: null, name, kind: 'room', note: '', circuits: [] })).id

async function build(code: string, placeId: string, unitIds: string[], rest: object = {}): Promise<string> {
  const things = unitIds.map((unitId) => ({
    unitId,
    stockId: null,
    quantity: 1,
    powerModeId: null,
    recordingModeId: null,
  }))
  const role = { id: 'r', group: 'light', name: 'Key', importance: 'essential', wants: null, detail: 'left' }
  const setup = { code, name: code, tape: 'fern', purpose: '', placeId, circuitId: null, plannedMinutes: 30, note: '' }
  return (await call('POST', '/setups', { ...setup, roles: [{ ...role, intentionallyEmpty: false, things, ...rest }] }))
    .id
}

const changeOver = async (fromId: string, toId: string): Promise<ChangeOver> =>
  call('GET', `/setups/${toId}/change-over?fromId=${fromId}`)
const say = ({ steps }: ChangeOver) =>
  steps.map((it) => `${it.kind} ${it.tag} ${it.minutes}${it.kind === 'turn' ? ` ${it.to}` : ''}`)

describe('[V22] from one setup to another', () => {
  test('the card in a camera and the lens on it go along with it: the camera is turned, once', async () => {
    const studio = await room('Studio')
    const camera = await add('camcorder', 'Cam', { cardForm: 'sd', kilobitsPerSecond: 50_000, massGrams: 900 })
    const card = await add('card', 'Card', { capacityMegabytes: 64_000 })
    const tripod = await add('tripod', 'Legs', { loadGrams: 4_000 })
    const things = [camera.id, card.id, tripod.id]
    const steps = say(
      await changeOver(await build('QA', studio, things), await build('QB', studio, things, { detail: 'right' })),
    )
    expect(steps).toEqual([`turn ${camera.tag} 2 right`])
  })

  test('other levels of the same lamps are something to set', async () => {
    const studio = await room('Studio')
    const [lamp, stand] = [
      await add('light', 'Panel', { massGrams: 900 }),
      await add('stand', 'Stand', { loadGrams: 4_000 }),
    ]
    const at = (value: string) => ({ settings: [{ name: 'Level', value }] })
    const from = await build('QA', studio, [lamp.id, stand.id], at('40 %'))
    const to = await build('QB', studio, [lamp.id, stand.id], at('70 %'))
    expect(say(await changeOver(from, to))).toEqual([`turn ${lamp.tag} 2 left, level 70 %`])
    expect(say(await changeOver(from, await build('QC', studio, [lamp.id, stand.id], at('40 %'))))).toEqual([])
  })

  test('a role counts with the minutes that somebody took', async () => {
    const studio = await room('Studio')
    const [lamp, stand] = [
      await add('light', 'Panel', { massGrams: 900 }),
      await add('stand', 'Stand', { loadGrams: 4_000 }),
    ]
    const empty = await build('QA', studio, [])
    const timed = await build('QB', studio, [lamp.id, stand.id], { rigMinutes: 25, stays: false })
    expect((await changeOver(empty, timed)).minutes).toBe(25)
  })

  test('what is wanted in another room is struck in one and rigged in the other, though it stays rigged by its role', async () => {
    const [one, other] = [await room('One'), await room('Other')]
    const tripod = await add('tripod', 'Legs', { loadGrams: 4_000 })
    const from = await build('QA', one, [tripod.id], { stays: true })
    const to = await build('QB', other, [tripod.id], { stays: true })
    const { steps } = await changeOver(from, to)
    expect(steps.map((it) => it.kind)).toEqual(['strike', 'rig'])
  })
})
