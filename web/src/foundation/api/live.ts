import { useEffect, useState } from 'react'
import { api } from './api.ts'
import { useAppDispatch } from './store.ts'

export type LiveState = 'connecting' | 'live' | 'away'

/** Several changes at once load the page anew once. */
const GATHER_MS = 120
const RETRY_MS = 1_500

/**
 * Listens to what others change. The browser takes a broken stream up again by itself, from where it was left; where
 * it gives up (the server was away), a new one asks for everything since the last change that was seen.
 */
export function useLive(): LiveState {
  const dispatch = useAppDispatch()
  const [state, setState] = useState<LiveState>('connecting')
  useEffect(() => {
    let lastSeen: string | null = null
    let source: EventSource | null = null
    let retry = 0
    let gather = 0
    const refresh = () => {
      window.clearTimeout(gather)
      gather = window.setTimeout(() => dispatch(api.util.invalidateTags(['All'])), GATHER_MS)
    }
    const open = () => {
      source = new EventSource(lastSeen === null ? '/api/live' : `/api/live?since=${lastSeen}`)
      const onEvent = (event: MessageEvent) => {
        lastSeen = event.lastEventId || lastSeen
        if (event.type === 'ready') setState('live')
        else refresh()
      }
      for (const kind of ['ready', 'change', 'reload']) source.addEventListener(kind, onEvent)
      source.addEventListener('signed-out', () => {
        source?.close()
        dispatch(api.util.invalidateTags(['Me']))
      })
      source.onerror = () => {
        setState('away')
        if (source?.readyState !== EventSource.CLOSED) return
        // Refused for good: signed out, or a server that is just coming up.
        dispatch(api.util.invalidateTags(['Me']))
        retry = window.setTimeout(open, RETRY_MS)
      }
    }
    open()
    return () => {
      source?.close()
      window.clearTimeout(retry)
      window.clearTimeout(gather)
    }
  }, [dispatch])
  return state
}
