import { readProblem } from './problem.ts'
import { useAppDispatch } from './store.ts'
import { tell, tellTrouble } from './toasts.ts'

/** Runs a change and tells in a note how it went. */
export function useTold() {
  const dispatch = useAppDispatch()
  return async (work: Promise<unknown>, text: string): Promise<boolean> => {
    try {
      await work
      dispatch(tell(text))
      return true
    } catch (error) {
      dispatch(tellTrouble(readProblem(error).detail))
      return false
    }
  }
}
