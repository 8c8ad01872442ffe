import { ASKED_FACTS, ASKED_SPECS, CATEGORY_CODES, type Category, isCounted } from '@exemplar/core'
import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { startApi, type TestApi } from '../../../../server/src/foundation/api.fixture.ts'
import { makeCall } from '../../../../server/src/foundation/call.fixture.ts'
import { EACH_KIND } from './each-kind.fixture.ts'
import { addGround, enterThing, judgeKind } from './each-kind-setup.fixture.ts'

let api: TestApi
let ground: Awaited<ReturnType<typeof addGround>>
beforeAll(async () => {
  api = await startApi()
  ground = await addGround(call)
})
afterAll(() => api.close())
const call = makeCall(() => api)

let made = 0
const makeCode = () => {
  const letter = (at: number) => String.fromCharCode(65 + at)
  return letter(Math.floor(made / 26)) + letter(made++ % 26)
}

const list = (names = '') => names.split(' ').filter(Boolean)

describe.each(CATEGORY_CODES)('a %s, entered the quick way', (kind: Category) => {
  const it = EACH_KIND[kind]

  test('is told by nothing but what its form asks', () => {
    const asked: readonly string[] = [...(ASKED_FACTS[kind] ?? ['massGrams']), ...(ASKED_SPECS[kind] ?? [])]
    expect(Object.keys(it.told).filter((key) => !asked.includes(key))).toEqual([])
  })

  test('is judged in its usual setup as somebody says who knows such things, and without what it cannot miss', async () => {
    const { id } = await enterThing(call, kind, `The ${kind}`, it.told)
    const judge = (without?: string) =>
      judgeKind(call, { kind, id, isStock: isCounted(kind) }, it, { ...ground, code: makeCode(), without })
    expect((await judge()).found).toEqual(it.found ?? [])
    for (const name of list(it.cannotMiss)) expect((await judge(name)).level, `without ${name}`).toBe('stop')
    for (const name of list(it.wants)) expect((await judge(name)).level, `without ${name}`).toBe('warn')
  })
})
