/** A LIKE pattern for text anywhere in a value; goes with `escape '\\'`, so that % and _ mean themselves. */
export function makePattern(text: string): string {
  return `%${text.replace(/[\\%_]/g, '\\$&')}%`
}
