import { findChange } from './last-change.ts'
import { readProblem } from './problem.ts'
import { undoChange } from './session.ts'
import type { AppDispatch } from './store.ts'
import { tell, tellTrouble } from './toasts.ts'

/** Tells that a change was made, with the way to take back as a whole what its reply was of, where the server keeps it. */
export function tellDone(dispatch: AppDispatch, text: string, reply: unknown): void {
  const changeId = findChange(reply)
  dispatch(tell(text, changeId === null ? undefined : () => takeBack(dispatch, changeId)))
}

/** Takes a change back and tells how that went; the note offers the way forward again. */
export async function takeBack(dispatch: AppDispatch, changeId: number): Promise<void> {
  try {
    const reply = await dispatch(undoChange.initiate(changeId)).unwrap()
    tellDone(dispatch, 'Taken back.', reply)
  } catch (error) {
    dispatch(tellTrouble(readProblem(error).detail))
  }
}
