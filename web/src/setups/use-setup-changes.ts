import { applyRemedy, type NewSetup, type Remedy, sayRemedy } from '@exemplar/core'
import { useAddShoppingLineMutation, useChangeSetupMutation } from '../foundation/api.ts'
import { readProblem } from '../foundation/problem.ts'
import type { SetupPage } from '../foundation/replies.ts'
import { useAppDispatch } from '../foundation/store.ts'
import { tell, tellTrouble } from '../foundation/toasts.ts'
import { toDraft } from './setup-draft.ts'

/** Changes to one setup, each as a whole, told in a note and taken back from it. */
export function useSetupChanges(setup: SetupPage | undefined) {
  const [change, { isLoading }] = useChangeSetupMutation()
  const [addLine] = useAddShoppingLineMutation()
  const dispatch = useAppDispatch()

  const save = async (next: NewSetup, text: string): Promise<boolean> => {
    if (!setup) return false
    try {
      const saved = await change({ id: setup.id, version: setup.version, body: toDraft(next) }).unwrap()
      const before = toDraft(setup)
      const undo = () =>
        change({ id: setup.id, version: saved.version, body: before })
          .unwrap()
          .then(() => dispatch(tell('Taken back.')))
          .catch((error) => dispatch(tellTrouble(readProblem(error).detail)))
      dispatch(tell(text, undo))
      return true
    } catch (error) {
      const { status, detail } = readProblem(error)
      const way = status === 409 ? ' The page shows theirs now; save again to put yours on top.' : ''
      dispatch(tellTrouble(detail + way))
      return false
    }
  }

  const carryOut = async (remedy: Remedy, reason: string): Promise<void> => {
    if (!setup) return
    if (remedy.kind !== 'shop') {
      await save(applyRemedy(toDraft(setup), remedy), `Done: ${sayRemedy(remedy).toLowerCase()}.`)
      return
    }
    const { item, quantity, stockId } = remedy
    try {
      await addLine({ item, quantity, stockId, setupId: setup.id, reason: `${reason} (${setup.name})` }).unwrap()
      dispatch(tell(`${quantity} × ${item} is on the shopping list.`))
    } catch (error) {
      dispatch(tellTrouble(readProblem(error).detail))
    }
  }

  return { save, carryOut, isLoading }
}
