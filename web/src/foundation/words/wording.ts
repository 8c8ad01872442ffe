import { useSyncExternalStore } from 'react'
import { useStudioQuery } from '../api/api.ts'

const KEY = 'exemplar.wording'
export type Wording = 'plain' | 'figures'

const listeners = new Set<() => void>()

export function writeWording(wording: Wording): void {
  localStorage.setItem(KEY, wording)
  for (const listen of listeners) listen()
}

function subscribe(listen: () => void): () => void {
  listeners.add(listen)
  return () => void listeners.delete(listen)
}

/** Plain words or figures: what was chosen on this device, else the studio's school. */
export function useWording(): Wording {
  const chosen = useSyncExternalStore(subscribe, () => localStorage.getItem(KEY))
  const { data: studio } = useStudioQuery()
  if (chosen === 'plain' || chosen === 'figures') return chosen
  return studio?.schools.numbers === 'plain' ? 'plain' : 'figures'
}
