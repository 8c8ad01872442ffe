import { render, screen } from '@testing-library/react'
import userEvent from '@testing-library/user-event'
import type { ReactNode } from 'react'
import { Provider } from 'react-redux'
import { MemoryRouter } from 'react-router'
import { onTestFinished, vi } from 'vitest'
import { api } from './api/api.ts'
import { store } from './api/store.ts'

/** What a made-up server answers to one request: a body, a problem with its status, or a body with the change it made. */
type Answer = unknown | { problem: { status: number; detail: string } } | { written: unknown; changeId: number }

export interface Asked {
  method: string
  path: string
  body: unknown
}

const STUDIO = { name: 'Larkmoor', currency: 'GBP', zone: 'Europe/London', now: 0, schools: { numbers: 'figures' } }

/**
 * Renders a part of a page with the real store before a made-up server, which answers by "GET /path" or by "GET /path?query"
 * and refuses everything else. Gives back the user's hands and what was asked.
 */
export function show(part: ReactNode, answers: Record<string, Answer> = {}) {
  const asked: Asked[] = []
  const known: Record<string, Answer> = { 'GET /studio': STUDIO, 'GET /parties': [], ...answers }
  const reply = async (input: Request | string | URL, init?: RequestInit): Promise<Response> => {
    const request = input instanceof Request ? input : new Request(input, init)
    const { pathname, search } = new URL(request.url)
    const path = pathname.replace('/api', '')
    const text = await request.clone().text()
    asked.push({ method: request.method, path: path + search, body: text ? JSON.parse(text) : null })
    const answer = known[`${request.method} ${path}${search}`] ?? known[`${request.method} ${path}`]
    if (answer === undefined) return say(404, { detail: `${request.method} ${path} is not made up.` })
    const { problem, written, changeId } = answer as {
      problem?: { status: number; detail: string }
      written?: unknown
      changeId?: number
    }
    if (changeId !== undefined) return say(200, written, { 'x-exemplar-change': String(changeId) })
    return problem ? say(problem.status, problem) : say(200, answer)
  }
  // The page of a test knows no pointers, which what can be swiped away asks for.
  Element.prototype.hasPointerCapture ??= () => false
  vi.stubGlobal('fetch', reply)
  vi.stubGlobal('Request', HereRequest)
  const page = render(
    <Provider store={store}>
      <MemoryRouter>{part}</MemoryRouter>
    </Provider>,
  )
  onTestFinished(() => {
    page.unmount()
    store.dispatch(api.util.resetApiState())
    vi.unstubAllGlobals()
  })
  return { hands: userEvent.setup(), asked, page: screen, unmount: page.unmount }
}

const HERE = 'http://studio.test'
const NodeRequest = globalThis.Request

/** Reads paths without a host, as a browser does. */
class HereRequest extends NodeRequest {
  constructor(input: RequestInfo | URL, init?: RequestInit) {
    super(typeof input === 'string' ? new URL(input, HERE) : input, init)
  }
}

const say = (status: number, body: unknown, headers: Record<string, string> = {}) =>
  new Response(JSON.stringify(body), { status, headers: { 'content-type': 'application/json', ...headers } })
