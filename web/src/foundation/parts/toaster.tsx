import { Toast } from 'radix-ui'
import { useSelector } from 'react-redux'
import { type RootState, useAppDispatch } from '../api/store.ts'
import { runUndo, toastsSlice } from '../api/toasts.ts'

export function Toaster() {
  const notes = useSelector((state: RootState) => state.toasts)
  const dispatch = useAppDispatch()
  return (
    <Toast.Provider duration={8000} swipeDirection="left">
      {notes.map(({ id, text, tone, undoKey }) => (
        <Toast.Root
          key={id}
          onOpenChange={(isOpen) => !isOpen && dispatch(toastsSlice.actions.removed(id))}
          className={`flex items-center gap-4 border-l-4 bg-ink px-4 py-3 text-[13px] text-ground ${tone === 'stop' ? 'border-stop' : 'border-ok'}`}
        >
          <Toast.Description className="flex-1">{text}</Toast.Description>
          {undoKey && (
            <Toast.Action
              altText="Take the change back"
              className="font-bold underline underline-offset-4"
              onClick={() => runUndo(undoKey)}
            >
              Undo
            </Toast.Action>
          )}
          <Toast.Close className="text-[12px] opacity-80">Close</Toast.Close>
        </Toast.Root>
      ))}
      <Toast.Viewport className="no-print fixed top-2 left-1/2 z-60 flex w-[min(440px,94vw)] -translate-x-1/2 flex-col gap-2 xl:top-auto xl:bottom-6 xl:left-26 xl:w-66 xl:translate-x-0" />
    </Toast.Provider>
  )
}
