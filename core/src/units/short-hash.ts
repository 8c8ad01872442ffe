/** A short mark of a text: equal texts have equal marks, and different ones nearly always do not. FNV-1a of 32 bits, with the length. */
export function makeShortHash(text: string): string {
  let hash = 0x811c9dc5
  for (let at = 0; at < text.length; at++) hash = Math.imul(hash ^ text.charCodeAt(at), 0x01000193) >>> 0
  return `${hash.toString(16).padStart(8, '0')}-${text.length}`
}
