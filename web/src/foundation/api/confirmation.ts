/** Whoever waits until the person has shown once more that it is them. */
type Settle = (isConfirmed: boolean) => void

let waiting: Settle[] = []
let tell: (isWanted: boolean) => void = () => {}

/** Asks the person once more who it is. Several that ask at once are answered by one sheet. */
export function askConfirmation(): Promise<boolean> {
  return new Promise((resolve) => {
    waiting.push(resolve)
    tell(true)
  })
}

/** The sheet's own side: what was shown, or that it was closed. */
export function settleConfirmation(isConfirmed: boolean): void {
  const settled = waiting
  waiting = []
  tell(false)
  for (const settle of settled) settle(isConfirmed)
}

/** Tells the sheet whether it is wanted. Returns what ends the listening. */
export function onConfirmationWanted(listen: (isWanted: boolean) => void): () => void {
  tell = listen
  return () => {
    tell = () => {}
  }
}
