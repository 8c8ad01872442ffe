import type { SeasonOutcome } from '@exemplar/core'
import { useEffect, useRef, useState } from 'react'
import type { SeasonRequest } from './season-worker.ts'

interface Run {
  /** Seasons done so far, while it runs. */
  done: number | null
  outcome: SeasonOutcome | null
}

const IDLE: Run = { done: null, outcome: null }

/** Seasons by chance in a worker: begun, watched, ended before its time, and gone with the page. */
export function useSeason() {
  const worker = useRef<Worker | null>(null)
  const [run, setRun] = useState<Run>(IDLE)
  const end = () => {
    worker.current?.terminate()
    worker.current = null
  }
  useEffect(() => () => worker.current?.terminate(), [])
  const start = (request: SeasonRequest) => {
    end()
    const begun = new Worker(new URL('./season-worker.ts', import.meta.url), { type: 'module' })
    worker.current = begun
    setRun({ done: 0, outcome: null })
    begun.onmessage = ({ data }: MessageEvent<{ done: number } | { outcome: SeasonOutcome }>) => {
      if ('done' in data) return setRun({ done: data.done, outcome: null })
      setRun({ done: null, outcome: data.outcome })
      end()
    }
    begun.postMessage(request)
  }
  const cancel = () => {
    end()
    setRun(IDLE)
  }
  return { ...run, start, cancel }
}
