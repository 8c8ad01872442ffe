/** "a, b and c" */
export function listInWords(items: readonly string[], last = 'and'): string {
  if (items.length < 2) return items.join('')
  return `${items.slice(0, -1).join(', ')} ${last} ${items[items.length - 1]}`
}
