import { type Interface, makeOwnInterface, NO_DETAILS } from '@exemplar/core'
import { readProblem } from '../../foundation/api/problem.ts'
import { useAppDispatch } from '../../foundation/api/store.ts'
import { tellTrouble } from '../../foundation/api/toasts.ts'
import { useAddPlaceMutation } from '../../studio/studio-api.ts'
import { useAddInterfaceMutation } from '../kit-api.ts'

/** Makes what is missing from a list without leaving the form; null where it could not be made, which is told in a note. */
function useMaking() {
  const dispatch = useAppDispatch()
  return async (work: Promise<string>): Promise<string | null> => {
    try {
      return await work
    } catch (error) {
      dispatch(tellTrouble(readProblem(error).detail))
      return null
    }
  }
}

/** A mount, battery family or form of card of the studio's own, by its name alone. */
export function useMakeConnector() {
  const [add] = useAddInterfaceMutation()
  const making = useMaking()
  return (kind: Interface['kind'], label: string) =>
    making(
      add(makeOwnInterface(kind, label))
        .unwrap()
        .then((it) => it.code),
    )
}

/** A place by its name alone: where things lie until somebody says more of it. */
export function useMakePlace() {
  const [add] = useAddPlaceMutation()
  const making = useMaking()
  return (name: string) =>
    making(
      add({ name, kind: 'store', parentId: null, circuits: [], note: '', details: NO_DETAILS })
        .unwrap()
        .then((it) => it.id),
    )
}
