import { createSlice, nanoid, type PayloadAction } from '@reduxjs/toolkit'

export interface ToastNote {
  id: string
  text: string
  tone: 'plain' | 'stop'
  /** Key of an action kept in `undoActions`, as state holds no functions. */
  undoKey: string | null
}

const undoActions = new Map<string, () => void>()

export const toastsSlice = createSlice({
  name: 'toasts',
  initialState: [] as ToastNote[],
  reducers: {
    added: {
      reducer: (state, { payload }: PayloadAction<ToastNote>) => {
        state.push(payload)
        if (state.length > 3) state.shift()
      },
      prepare: (text: string, tone: ToastNote['tone'], undoKey: string | null) => ({
        payload: { id: nanoid(), text, tone, undoKey },
      }),
    },
    removed: (state, { payload }: PayloadAction<string>) => state.filter((note) => note.id !== payload),
  },
})

/** A note at the foot of the page, with a way to take the change back where there is one. */
export function tell(text: string, undo?: () => void) {
  const undoKey = undo ? nanoid() : null
  if (undo && undoKey) undoActions.set(undoKey, undo)
  return toastsSlice.actions.added(text, 'plain', undoKey)
}

export function tellTrouble(text: string) {
  return toastsSlice.actions.added(text, 'stop', null)
}

export function runUndo(key: string): void {
  undoActions.get(key)?.()
  undoActions.delete(key)
}
