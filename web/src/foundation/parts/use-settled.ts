import { useEffect, useState } from 'react'

/** So long nothing was typed before somebody is taken to have finished. */
const SETTLED_MS = 300

/** A value once it has stayed as it is for a moment, so that nothing is asked at every key. Compared as JSON. */
export function useSettled<T>(value: T): T {
  const text = JSON.stringify(value)
  const [settled, setSettled] = useState(value)
  // biome-ignore lint/correctness/useExhaustiveDependencies: the text is the value, without being another one each time.
  useEffect(() => {
    const timer = window.setTimeout(() => setSettled(value), SETTLED_MS)
    return () => window.clearTimeout(timer)
  }, [text])
  return settled
}
