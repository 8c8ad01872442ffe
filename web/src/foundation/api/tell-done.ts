import { takeLastChange } from './last-change.ts'
import { readProblem } from './problem.ts'
import { undoChange } from './session.ts'
import type { AppDispatch } from './store.ts'
import { tell, tellTrouble } from './toasts.ts'

/** Tells that a change was made, with the way to take it back as a whole where the server keeps one. */
export function tellDone(dispatch: AppDispatch, text: string): void {
  const changeId = takeLastChange()
  dispatch(tell(text, changeId === null ? undefined : () => takeBack(dispatch, changeId)))
}

/** Takes a change back and tells how that went; the note offers the way forward again. */
export async function takeBack(dispatch: AppDispatch, changeId: number): Promise<void> {
  try {
    await dispatch(undoChange.initiate(changeId)).unwrap()
    tellDone(dispatch, 'Taken back.')
  } catch (error) {
    dispatch(tellTrouble(readProblem(error).detail))
  }
}
