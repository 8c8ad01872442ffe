/** The next free tag of a prefix: `CAM-01`, `CAM-02` …, one after the highest number in use. */
export function makeNextTag(prefix: string, usedTags: Iterable<string>): string {
  let highest = 0
  for (const tag of usedTags) {
    const match = /^(.+)-(\d+)$/.exec(tag)
    if (match?.[1] === prefix) highest = Math.max(highest, Number(match[2]))
  }
  return `${prefix}-${String(highest + 1).padStart(2, '0')}`
}
