/** Whose listening ends: all of a person, one session, or everybody. */
export type SignedOut = { personId: string; except?: string | null } | { sessionId: string } | 'everybody'

/** Tells who listens that something changed, or that somebody's sessions ended. */
export interface Live {
  /** Returns what ends the listening. */
  onChange(listen: (changeId: number) => void): () => void
  onSignedOut(listen: (who: SignedOut) => void): () => void
  tellChange(changeId: number): void
  tellSignedOut(who: SignedOut): void
}

/** `onTrouble` hears of a listener that failed: the change stands, and the others hear of it all the same. */
export function makeLive(onTrouble: (error: unknown) => void = () => {}): Live {
  const changes = new Set<(changeId: number) => void>()
  const signedOut = new Set<(who: SignedOut) => void>()
  const add = <T>(set: Set<T>, it: T) => {
    set.add(it)
    return () => void set.delete(it)
  }
  const tell = (work: () => void) => {
    try {
      work()
    } catch (error) {
      onTrouble(error)
    }
  }
  return {
    onChange: (listen) => add(changes, listen),
    onSignedOut: (listen) => add(signedOut, listen),
    tellChange: (changeId) => {
      for (const listen of changes) tell(() => listen(changeId))
    },
    tellSignedOut: (who) => {
      for (const listen of [...signedOut]) tell(() => listen(who))
    },
  }
}
