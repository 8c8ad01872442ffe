import { afterAll, beforeAll, describe, expect, test } from 'vitest'
import { routes } from '../api.ts'
import { match, startApi, type TestApi } from './api.fixture.ts'

let api: TestApi
beforeAll(async () => {
  api = await startApi({ demo: true })
})
afterAll(() => api.close())

describe('two people change the same thing at once', () => {
  test('one wins, the other gets 409 with both versions, and can go on from there', async () => {
    const { body: page } = await api.call('GET', '/units/CAM-01')
    const replies = await Promise.all([
      api.call('PATCH', '/units/CAM-01', { note: 'from Imke' }, match(page.version)),
      api.call('PATCH', '/units/CAM-01', { note: 'from Bram' }, match(page.version)),
    ])
    expect(replies.map((it) => it.status).sort()).toEqual([200, 409])
    const won = replies.find((it) => it.status === 200)
    const lost = replies.find((it) => it.status === 409)
    expect(lost?.body.current).toMatchObject({ note: won?.body.note, version: page.version + 1 })
    expect(['from Imke', 'from Bram']).toContain(lost?.body.yours.note)
    expect(lost?.body.yours.note).not.toBe(won?.body.note)
    const again = await api.call('PATCH', '/units/CAM-01', lost?.body.yours, match(lost?.body.current.version))
    expect(again.body.note).toBe(lost?.body.yours.note)
  })

  test('whole setups too', async () => {
    const { body } = await api.call('GET', '/setups/pb')
    const change = (name: string) => api.call('PUT', '/setups/pb', { ...body, name }, match(body.version))
    const statuses = (await Promise.all([change('One'), change('Two'), change('Three')])).map((it) => it.status)
    expect(statuses.sort()).toEqual([200, 409, 409])
  })

  test('every route that changes something wants a version, and refuses an old one', async () => {
    for (const route of routes.filter((it) => it.isChange)) {
      const path = route.path.replace(':id', 'nobody')
      const { status } = await api.call(route.method, path, route.body ? {} : undefined)
      expect([422, 428], `${route.method} ${path}`).toContain(status)
    }
    const { status } = await api.call('PUT', '/people/bram', { name: 'Bram', skills: [], note: '' }, match(77))
    expect(status).toBe(409)
  })
})

describe('the description of the API', () => {
  test('names every route, in OpenAPI 3.1', async () => {
    const { body } = await api.call('GET', '/openapi.json')
    expect(body.openapi).toBe('3.1.0')
    const described = Object.entries(body.paths).flatMap(([path, methods]) =>
      Object.keys(methods as object).map((method) => `${method} ${path}`),
    )
    expect(described.sort()).toEqual(
      routes.map((it) => `${it.method} /api${it.path.replace(/:(\w+)/g, '{$1}')}`).sort(),
    )
    const setup = body.paths['/api/setups'].post.requestBody.content['application/json'].schema
    expect(JSON.stringify(setup)).toContain('plannedMinutes')
    expect(
      new Set(described.map((it) => body.paths[it.split(' ')[1] ?? ''][it.split(' ')[0] ?? ''].operationId)).size,
    ).toBe(routes.length)
  })
})
