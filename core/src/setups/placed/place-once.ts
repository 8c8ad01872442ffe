/** The same piece each time for the same thing, so that one that did not change is seen not to have. */
export function placeOnce<Of extends object, Placed>(place: (of: Of) => Placed): (of: Of) => Placed {
  const placed = new WeakMap<Of, Placed>()
  return (of) => {
    const known = placed.get(of)
    if (known !== undefined) return known
    const made = place(of)
    placed.set(of, made)
    return made
  }
}
