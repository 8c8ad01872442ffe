/** What a cable of a printed version carries, in Gbit/s, by what its ends are. */
interface Family {
  /** Interface codes, all of one family. */
  codes: readonly string[]
  /** By version, in lower case and without the name of the family. */
  rates: Readonly<Record<string, number>>
}

/**
 * Top rates of the versions, as their published specifications have them: USB 2.0 and USB 3.2 (0.48, 5, 10, 20 Gbit/s) and USB4
 * (40 Gbit/s); serial digital video by SMPTE ST 292, 424, 2081 and 2082 (1.485, 2.97, 5.94, 11.88 Gbit/s); picture plugs of
 * types A, C and D by the totals of their versions 1.4, 2.0 and 2.1 (10.2, 18, 48 Gbit/s). All from memory.
 */
const FAMILIES: readonly Family[] = [
  { codes: ['hdmi-a', 'hdmi-c', 'hdmi-d'], rates: { '1.3': 10.2, '1.4': 10.2, '2.0': 18, '2.1': 48 } },
  {
    codes: ['usb-a', 'usb-c'],
    rates: {
      '2.0': 0.48,
      '3.0': 5,
      '3.1 gen 1': 5,
      '3.2 gen 1': 5,
      '3.1 gen 2': 10,
      '3.2 gen 2': 10,
      '3.2 gen 2x2': 20,
      '4': 40,
    },
  },
  { codes: ['bnc'], rates: { hd: 1.485, '3g': 2.97, '6g': 5.94, '12g': 11.88 } },
]

/**
 * The rate that a version means at ends of these interfaces; null where nothing tells. `2` is read as `2.0`; the name of the
 * family may stand before it, and a letter behind the number (`2.1b`) changes nothing.
 */
export function findRateOfVersion(version: string, interfaces: readonly string[]): number | null {
  // At ends of two families nobody can tell of which of them the version is.
  const [family, ...others] = FAMILIES.filter(({ codes }) => interfaces.some((code) => codes.includes(code)))
  if (!family || others.length > 0) return null
  const written = version
    .toLowerCase()
    .replace(/\b(hdmi|usb|sdi|version|ver|v)\b\.?/g, ' ')
    .replace(/^\s*(usb|v)(?=\d)/, '')
    .replace(/-/g, ' ')
    .replace(/\s+/g, ' ')
    .trim()
  const candidates = [written, written.replace(/^(\d+)$/, '$1.0'), written.replace(/^(\d+\.\d+)[a-z]$/, '$1')]
  for (const it of candidates) {
    const rate = family.rates[it]
    if (rate !== undefined) return rate
  }
  return null
}
