import { useEffect, useState } from 'react'
import { api } from './api.ts'
import { isOwnChange } from './last-change.ts'
import { readTags, TAGS, type Tag } from './reads.ts'
import { useAppDispatch } from './store.ts'

export type LiveState = 'connecting' | 'live' | 'away'

/** Several changes at once load the page anew once. */
const GATHER_MS = 120
const RETRY_MS = 1_500

/** One change as the server tells it; without subjects it may have been anything. */
interface Told {
  id?: number
  touched?: readonly string[]
}

/** What has to be loaded again after these changes; those of this page were seen to when they were answered. */
function listTags(told: readonly Told[]): Tag[] {
  const others = told.filter(({ id }) => id === undefined || !isOwnChange(id))
  return [...new Set(others.flatMap(({ touched }) => (touched ? readTags(touched.join(',')) : TAGS)))]
}

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
    let waiting: Told[] = []
    const refresh = (told: Told) => {
      waiting.push(told)
      window.clearTimeout(gather)
      gather = window.setTimeout(() => {
        const tags = listTags(waiting)
        waiting = []
        if (tags.length > 0) dispatch(api.util.invalidateTags(tags))
      }, GATHER_MS)
    }
    const open = () => {
      source = new EventSource(lastSeen === null ? '/api/live' : `/api/live?since=${lastSeen}`)
      const onEvent = (event: MessageEvent) => {
        lastSeen = event.lastEventId || lastSeen
        if (event.type === 'ready') setState('live')
        else refresh(event.type === 'change' ? (JSON.parse(event.data) as Told) : {})
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
