import { askConfirmation } from './confirmation.ts'
import { askMe } from './session.ts'
import { useAppDispatch } from './store.ts'

/** Fetches a file that gives much away, after the person has shown once more that it is them where that was long ago. */
export function useFetchFile() {
  const dispatch = useAppDispatch()
  return async (address: string, name: string): Promise<void> => {
    const { data } = await dispatch(askMe())
    if (data?.confirmedUntil === null && !(await askConfirmation())) return
    const link = document.createElement('a')
    link.href = address
    link.download = name
    link.click()
  }
}
