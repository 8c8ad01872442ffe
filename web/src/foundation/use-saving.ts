import { useState } from 'react'
import { type Conflict, readConflict } from './conflict.tsx'
import { type Problem, readProblem } from './problem.ts'
import { useAppDispatch } from './store.ts'
import { tellDone } from './tell-done.ts'

export type Saving = ReturnType<typeof useSaving>

/** Saves a form: tells what was done, or keeps the problem or the conflict to be shown in place. */
export function useSaving(onDone: () => void) {
  const [problem, setProblem] = useState<Problem | null>(null)
  const [conflict, setConflict] = useState<Conflict | null>(null)
  const [isSaving, setSaving] = useState(false)
  const dispatch = useAppDispatch()
  const save = async (work: () => Promise<unknown>, text: string): Promise<void> => {
    setSaving(true)
    try {
      await work()
      setProblem(null)
      setConflict(null)
      tellDone(dispatch, text)
      onDone()
    } catch (error) {
      const clash = readConflict(error)
      setConflict(clash)
      setProblem(clash ? null : readProblem(error))
    } finally {
      setSaving(false)
    }
  }
  return { problem, conflict, isSaving, save, clear: () => setConflict(null) }
}
