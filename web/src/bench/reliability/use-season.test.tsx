// @vitest-environment jsdom
import { act, renderHook } from '@testing-library/react'
import { afterEach, beforeEach, expect, test, vi } from 'vitest'
import { useSeason } from './use-season.ts'

/** A worker as the page sees it: what it was sent, whether it was ended, and what it tells when it is told to. */
class FakeWorker {
  static all: FakeWorker[] = []
  onmessage: ((event: { data: unknown }) => void) | null = null
  sent: unknown[] = []
  isEnded = false
  constructor() {
    FakeWorker.all.push(this)
  }
  postMessage(message: unknown) {
    this.sent.push(message)
  }
  terminate() {
    this.isEnded = true
  }
  tell(data: unknown) {
    act(() => this.onmessage?.({ data }))
  }
}

beforeEach(() => {
  FakeWorker.all = []
  vi.stubGlobal('Worker', FakeWorker)
})
afterEach(() => vi.unstubAllGlobals())

const request = { season: { shoots: [], failsOf: new Map(), daysOut: 3 }, seed: 1, seasons: 500 }
const outcome = { seasons: 500, lost: [500], lostOf: [], blame: [] }
const last = () => FakeWorker.all.at(-1) as FakeWorker

test('says how far it has come, and ends its worker when it is done', () => {
  const { result } = renderHook(() => useSeason())
  expect(result.current).toMatchObject({ done: null, outcome: null })
  act(() => result.current.start(request))
  expect(last().sent).toEqual([request])
  expect(result.current.done).toBe(0)
  last().tell({ done: 250 })
  expect(result.current.done).toBe(250)
  last().tell({ outcome })
  expect(result.current).toMatchObject({ done: null, outcome })
  expect(last().isEnded).toBe(true)
})

test('called off it stops at once, and nothing comes of it', () => {
  const { result } = renderHook(() => useSeason())
  act(() => result.current.start(request))
  act(() => result.current.cancel())
  expect(last().isEnded).toBe(true)
  expect(result.current).toMatchObject({ done: null, outcome: null })
})

test('begun again the first one ends; gone from the page the last one does', () => {
  const { result, unmount } = renderHook(() => useSeason())
  act(() => result.current.start(request))
  act(() => result.current.start(request))
  expect(FakeWorker.all.map((it) => it.isEnded)).toEqual([true, false])
  unmount()
  expect(last().isEnded).toBe(true)
})
