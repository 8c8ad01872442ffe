import { readProblem } from './problem.ts'
import { useAppDispatch } from './store.ts'
import { tellDone } from './tell-done.ts'
import { tellTrouble } from './toasts.ts'

/** Runs a change and tells in a note how it went, with a way to take it back. */
export function useTold() {
  const dispatch = useAppDispatch()
  return async (work: Promise<unknown>, text: string): Promise<boolean> => {
    try {
      tellDone(dispatch, text, await work)
      return true
    } catch (error) {
      dispatch(tellTrouble(readProblem(error).detail))
      return false
    }
  }
}
