import { readTag, readWedge, type Stroke } from '@exemplar/core'
import { useEffect, useRef } from 'react'
import { isTyping } from './shortcuts.tsx'

/** Gives true where it acted on the tag; else whoever listens behind it is asked. */
type ScanHandler = (tag: string) => boolean

const handlers: ScanHandler[] = []

/** Acts on what is scanned while this is shown: the flow that is open comes before what stands behind it. */
export function useScanHandler(handle: ScanHandler): void {
  const latest = useRef(handle)
  latest.current = handle
  useEffect(() => {
    const call: ScanHandler = (tag) => latest.current(tag)
    handlers.push(call)
    return () => void handlers.splice(handlers.indexOf(call), 1)
  }, [])
}

/** Hands what was scanned to the foremost who can use it; false where it is no tag or nobody can. */
export function handleScan(text: string): boolean {
  const tag = readTag(text)
  return tag !== null && [...handlers].reverse().some((handle) => handle(tag))
}

/** Listens for a scanner that types, anywhere but in a field that somebody types in. */
export function useWedgeScanner(): void {
  useEffect(() => {
    let strokes: Stroke[] = []
    const onKey = (event: KeyboardEvent) => {
      if (isTyping(event.target)) {
        strokes = []
        return
      }
      strokes = [...strokes.slice(-40), { key: event.key, at: event.timeStamp }]
      const text = readWedge(strokes)
      if (event.key === 'Enter') strokes = []
      if (text === null || !handleScan(text)) return
      // Enter would press the button that has the focus as well. It still travels on: a digit that waits to be a
      // shortcut is called off by it.
      event.preventDefault()
    }
    window.addEventListener('keydown', onKey, { capture: true })
    return () => window.removeEventListener('keydown', onKey, { capture: true })
  }, [])
}

/** A scanner that ships with Exemplar: types a tag as quickly as one does, for practice and for journeys. */
export function practiseScan(tag: string): void {
  if (document.activeElement instanceof HTMLElement) document.activeElement.blur()
  const start = performance.now()
  for (const [index, key] of [...tag, 'Enter'].entries()) {
    const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true })
    // A scanner's own pace: a key counts from when it was pressed, however busy the page is meanwhile.
    Object.defineProperty(event, 'timeStamp', { value: start + index * SCANNER_MS })
    document.body.dispatchEvent(event)
  }
}

const SCANNER_MS = 4
