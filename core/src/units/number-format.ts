const made = new Map<string, Intl.NumberFormat>()

/** The way of writing numbers for people, made once for each wish: making one takes fifty times as long as using it. */
export function numberFormat(options: Intl.NumberFormatOptions): Intl.NumberFormat {
  const key = JSON.stringify(options)
  const known = made.get(key)
  if (known) return known
  const format = new Intl.NumberFormat('en-GB', options)
  made.set(key, format)
  return format
}
