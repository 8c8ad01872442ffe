const KEY = 'exemplar.person'

/** Who works at this device, for the log; there is no sign-in yet. */
export function readPersonId(): string | null {
  return localStorage.getItem(KEY)
}

export function writePersonId(id: string | null): void {
  if (id) localStorage.setItem(KEY, id)
  else localStorage.removeItem(KEY)
}
