/** "a, b and c" */
export function listInWords(items: readonly string[], last = 'and'): string {
  if (items.length < 2) return items.join('')
  return `${items.slice(0, -1).join(', ')} ${last} ${items[items.length - 1]}`
}

/** A number with its noun: `1 thing`, `12 things`. */
export function sayNumber(count: number, one: string, many = `${one}s`): string {
  return `${count} ${count === 1 ? one : many}`
}
