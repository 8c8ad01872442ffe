/** The change that the last answered write was, so that the note about it can offer to take it back. */
let last: number | null = null

export function noteChange(header: string | null): void {
  if (header && /^\d+$/.test(header)) last = Number(header)
}

/** Hands it out once. */
export function takeLastChange(): number | null {
  const taken = last
  last = null
  return taken
}
