import { afterEach, describe, expect, test } from 'vitest'
import { match, startApi, type TestApi } from '../../foundation/api.fixture.ts'

let api: TestApi
afterEach(() => api?.close())

interface Message {
  id: string
  event: string
  data: { subjects?: { type: string; id: string }[]; person?: string }
}

/** Listens until `enough` says so, or the stream ends. */
async function listen(
  headers: Record<string, string>,
  enough: (messages: Message[]) => boolean,
  path = '/live',
  onReady = () => {},
): Promise<Message[]> {
  const controller = new AbortController()
  const reply = await fetch(`${api.url}/api${path}`, { headers, signal: controller.signal })
  expect(reply.headers.get('content-type')).toContain('text/event-stream')
  const messages: Message[] = []
  let text = ''
  const decoder = new TextDecoder()
  for await (const piece of reply.body ?? []) {
    text += decoder.decode(piece as Uint8Array, { stream: true })
    const blocks = text.split('\n\n')
    text = blocks.pop() ?? ''
    for (const block of blocks) {
      const fields = Object.fromEntries(block.split('\n').map((line) => line.split(/: (.*)/).slice(0, 2)))
      if (fields.event) messages.push({ id: fields.id, event: fields.event, data: JSON.parse(fields.data) })
      if (fields.event === 'ready') onReady()
    }
    if (enough(messages)) break
  }
  controller.abort()
  return messages
}

/** Listens, and goes on once the server is ready to tell. */
async function startListening(...[headers, enough]: Parameters<typeof listen>) {
  let messages: Promise<Message[]> = Promise.resolve([])
  await new Promise<void>((ready, fail) => {
    messages = listen(headers, enough, '/live', ready)
    messages.catch(fail)
  })
  return { messages }
}

const changes = (messages: Message[]) => messages.filter((it) => it.event === 'change')

describe('live changes', () => {
  test('arrive with who and what, and no contents', async () => {
    api = await startApi({ demo: true })
    const listening = await startListening({ cookie: api.cookieOf('crew') }, (it) => changes(it).length > 0)
    await api.call('POST', '/ledger/entries', {
      date: '2026-11-02',
      kind: 'purchase',
      category: 'light',
      description: 'Lamp',
      netMinor: 77_000_000,
      taxMinor: 0,
      partyId: null,
      unitId: null,
    })
    const [message] = changes(await listening.messages)
    expect(message?.data).toMatchObject({ person: 'Imke Harrow', subjects: [{ type: 'entry' }] })
    expect(JSON.stringify(message)).not.toContain('77000000')
  })

  test('go on where they were left: what happened meanwhile comes first, in order, each once', async () => {
    api = await startApi({ demo: true })
    const count = (n: number) => api.call('POST', '/stock/BAG-01/count', { quantity: n }, match(n))
    const first = await count(1)
    const seen = first.headers.get('x-exemplar-change') ?? ''
    await count(2)
    await count(3)
    const listening = await startListening(
      { cookie: api.cookieOf('manager'), 'last-event-id': seen },
      (it) => changes(it).length >= 3,
    )
    await count(4)
    const ids = changes(await listening.messages).map((it) => Number(it.id))
    expect(ids).toEqual([1, 2, 3].map((n) => Number(seen) + n))
  })

  test('who was away too long, or comes from before a restore, is told to load anew', async () => {
    api = await startApi({ demo: true })
    const cookie = api.cookieOf('manager')
    for (let n = 1; n <= 201; n++) await api.call('POST', '/stock/BAG-01/count', { quantity: n }, match(n))
    const isReady = (it: Message[]) => it.some((message) => message.event === 'ready')
    expect((await listen({ cookie, 'last-event-id': '1' }, isReady)).map((it) => it.event)).toEqual(['reload', 'ready'])
    expect((await listen({ cookie }, isReady, '/live?since=99999')).map((it) => it.event)).toEqual(['reload', 'ready'])
    expect((await listen({ cookie }, isReady)).map((it) => it.event)).toEqual(['ready'])
  })

  test('end when the person is signed out', async () => {
    api = await startApi({ demo: true })
    const listening = await startListening({ cookie: api.cookieOf('crew') }, () => false)
    await api.as('crew')('POST', '/access/sign-out-everywhere', {})
    expect((await listening.messages).map((it) => it.event)).toEqual(['ready', 'signed-out'])
    expect((await fetch(`${api.url}/api/live`, { headers: { cookie: api.cookieOf('crew') } })).status).toBe(401)
  })

  test('a write that failed tells nothing', async () => {
    api = await startApi({ demo: true })
    let told = 0
    api.app.live.onChange(() => {
      told++
    })
    await api.call('POST', '/stock/BAG-01/count', { quantity: 1 }, match(99))
    await api.call('POST', '/places', { name: 'Store', kind: 'store', parentId: null, circuits: [], note: '' })
    expect(told).toBe(0)
  })
})
