import { expect, test } from 'vitest'
import { useQuickEntry } from '../setups/quick-entry.fixture.ts'

const { call, add } = useQuickEntry()
const plan = (name: string, subject: object) =>
  call('POST', '/service-plans', {
    name,
    subject,
    everyDays: 90,
    everyUses: null,
    everyHours: null,
    graceDays: 0,
    minutes: null,
    steps: '',
    parts: '',
    who: '',
  })

test('two records of one thing, and two models that are one: plans, services, uses and accidents go over', async () => {
  const [gone, kept] = [await add('camcorder', 'Eye'), await add('camcorder', 'The eye')]
  const { id: own } = await plan('Own', { kind: 'unit', unitId: gone.id })
  await plan('Of its model', { kind: 'model', modelId: gone.modelId })
  await call('POST', '/services', { items: [{ unitId: gone.id, planId: own }], on: '2026-11-20', note: '' })
  await call('POST', `/units/${gone.id}/uses`, { on: '2026-11-21', uses: 2, hours: 1, note: '' })
  const hit = [gone, kept].map((it) => ({ unitId: it.id, severity: null }))
  const accident = {
    on: '2026-11-20',
    what: 'A knock',
    cause: '',
    saved: '',
    lesson: '',
    lessonFor: { kind: 'all' },
    hit,
  }
  await call('POST', '/incidents', accident)
  const version = async (id: string) => (await call('GET', `/units/${id}`)).unit.version
  await call('POST', `/units/${gone.id}/merge`, { intoId: kept.id }, await version(gone.id))
  const upkeep = () => call('GET', `/units/${kept.id}/upkeep`)
  expect((await upkeep()).lines.map((it: { plan: string; lastOn: string | null }) => [it.plan, it.lastOn])).toEqual([
    ['Own', '2026-11-20'],
  ])
  expect((await upkeep()).uses).toMatchObject([{ uses: 2 }])
  const [{ hit: after }] = await call('GET', '/incidents')
  expect(after.map((it: { tag: string }) => it.tag)).toEqual([kept.tag])
  const { version: models } = await call('GET', `/models/${gone.modelId}`)
  await call('POST', `/models/${gone.modelId}/merge`, { intoId: kept.modelId }, models)
  const plans = (await upkeep()).lines.map((it: { plan: string }) => it.plan).sort()
  expect(plans).toEqual(['Of its model', 'Own'])
})
