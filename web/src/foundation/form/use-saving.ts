import { useState } from 'react'
import { type Problem, readProblem } from '../api/problem.ts'
import { useAppDispatch } from '../api/store.ts'
import { tellDone } from '../api/tell-done.ts'
import { type Conflict, readConflict } from './conflict.tsx'

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
      const reply = await work()
      setProblem(null)
      setConflict(null)
      tellDone(dispatch, text, reply)
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
