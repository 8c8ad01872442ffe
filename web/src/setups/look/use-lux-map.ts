import type { LightSource, LuxGrid } from '@exemplar/core'
import { useEffect, useState } from 'react'
import type { LuxRequest } from './lux-worker.ts'

interface Run {
  /** Share of the rows done so far, while it runs. */
  done: number | null
  lux: Float32Array | null
}

const IDLE: Run = { done: null, lux: null }

/** Light over the floor, summed in a worker for as long as it is wanted; begun anew with other lamps, and ended with the page. */
export function useLuxMap(sources: readonly LightSource[], grid: LuxGrid, isWanted: boolean): Run {
  const [run, setRun] = useState<Run>(IDLE)
  // By what it is made from: the same lamps in another list are the same map.
  const print = JSON.stringify({ sources, grid })
  useEffect(() => {
    if (!isWanted) return setRun(IDLE)
    const request = JSON.parse(print) as LuxRequest
    const worker = new Worker(new URL('./lux-worker.ts', import.meta.url), { type: 'module' })
    setRun({ done: 0, lux: null })
    worker.onmessage = ({ data }: MessageEvent<{ done: number } | { lux: Float32Array }>) =>
      setRun('done' in data ? { done: data.done, lux: null } : { done: null, lux: data.lux })
    worker.postMessage(request)
    return () => worker.terminate()
  }, [print, isWanted])
  return run
}
