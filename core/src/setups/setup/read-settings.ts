import { KELVIN_BOUNDS } from './kelvin-bounds.ts'
import type { Setting } from './setting-card.ts'

/** What a setting card says of picture and light, as figures. Null is not on the card; what is there and no figure can be read of is told by `readSetting`. */
export interface ReadSettings {
  fNumber: number | null
  shutterSeconds: number | null
  iso: number | null
  framesPerSecond: number | null
  kelvin: number | null
  /** Share of the full output, above nothing to one. */
  share: number | null
}

interface SettingKind {
  /** As it is written on the card from now on. */
  name: string
  /** What else people call it. */
  called: RegExp
  /** How it may be written, for who is asked again. */
  example: string
  read(value: string, card: readonly Setting[]): number | null
  write(figure: number): string
}

/** What a camera finds by itself is no figure, whatever stands beside it. */
const BY_ITSELF = /\bauto|\bawb\b/i

const numberIn = (text: string): number | null => {
  if (BY_ITSELF.test(text)) return null
  const found = /^\D*?(\d+(?:[.,]\d+)?)\D*$/.exec(text.replace(/(\d)[\s,](?=\d{3}\b)/g, '$1'))
  return found?.[1] ? Number(found[1].replace(',', '.')) : null
}
const within = (figure: number | null, least: number, most: number) =>
  figure !== null && figure >= least && figure <= most ? figure : null
const whole = (figure: number) => String(Math.round(figure * 100) / 100)

/** The settings that are reckoned with. Whatever else stands on a card is only shown. */
export const READ_SETTINGS: Readonly<Record<keyof ReadSettings, SettingKind>> = {
  fNumber: {
    name: 'Aperture',
    called: /^(aperture|iris|f-?(number|stop)?)$/i,
    example: 'f/2.8',
    read: (value) => within(numberIn(value.replace(/^f\s*\/?/i, '')), 0.5, 64),
    write: (figure) => `f/${whole(figure)}`,
  },
  shutterSeconds: {
    name: 'Shutter',
    called: /^shutter( speed| angle| time)?$/i,
    example: '1/50 or 180°',
    read: readShutter,
    write: (figure) => (figure >= 1 ? `${whole(figure)} s` : `1/${whole(1 / figure)}`),
  },
  iso: {
    name: 'ISO',
    called: /^(iso|sensitivity)$/i,
    example: '800',
    read: (value) => within(numberIn(value), 6, 4_000_000),
    write: whole,
  },
  framesPerSecond: {
    name: 'Frame rate',
    called: /^(frame ?rate|fps|frames)$/i,
    example: '25',
    read: (value) => within(numberIn(value), 1, 1000),
    write: whole,
  },
  kelvin: {
    name: 'Colour',
    called: /^(colou?r( temperature)?|white balance|wb|kelvin|cct)$/i,
    example: '5600 K',
    read: (value) => within(numberIn(value), ...KELVIN_BOUNDS),
    write: (figure) => `${whole(figure)} K`,
  },
  share: {
    name: 'Level',
    called: /^(level|dim(mer|med)?|brightness|output|intensity|power)$/i,
    example: '50 %',
    read: readShare,
    write: (figure) => `${whole(figure * 100)} %`,
  },
}
export type ReadSettingKey = keyof ReadSettings

function readShutter(value: string, card: readonly Setting[]): number | null {
  const angle = /^(\d+(?:[.,]\d+)?)\s*(°|deg(rees)?)$/i.exec(value.trim())
  if (angle?.[1]) {
    const fps = readSetting(card, 'framesPerSecond').figure
    return fps === null ? null : within(Number(angle[1].replace(',', '.')) / 360 / fps, 1e-5, 60)
  }
  const share = /^1\s*\/\s*(\d+(?:[.,]\d+)?)\s*(s|sec)?$/i.exec(value.trim().replace(/(\d),(?=\d{3}\b)/g, '$1'))
  if (share?.[1]) return within(1 / Number(share[1].replace(',', '.')), 1e-5, 1)
  const seconds = /^(\d+(?:[.,]\d+)?)\s*(s|sec|seconds?)$/i.exec(value.trim())
  return seconds?.[1] ? within(Number(seconds[1].replace(',', '.')), 1e-5, 60) : null
}

const SHARE_WORDS: Readonly<Record<string, number>> = {
  full: 1,
  half: 0.5,
  'a half': 0.5,
  quarter: 0.25,
  'a quarter': 0.25,
}

/** `50 %`, `half`, `1/4` or `-2 stops`; a bare number is no level, as nobody can tell of what. */
function readShare(value: string): number | null {
  const text = value.trim().toLowerCase()
  const word = SHARE_WORDS[text]
  if (word !== undefined) return word
  const fraction = /^1\s*\/\s*(\d+)$/.exec(text)
  if (fraction?.[1]) return within(1 / Number(fraction[1]), 0.0001, 1)
  const stops = /^[-−]\s*(\d+(?:[.,]\d+)?)\s*(stops?|ev)$/.exec(text)
  if (stops?.[1]) return within(2 ** -Number(stops[1].replace(',', '.')), 0.0001, 1)
  const percent = /^(\d+(?:[.,]\d+)?)\s*(%|per ?cent)$/.exec(text)
  return percent?.[1] ? within(Number(percent[1].replace(',', '.')) / 100, 0.0001, 1) : null
}

/** What the card says of one setting: the figure, and the words where none can be read of them. */
export function readSetting(
  card: readonly Setting[] | undefined,
  key: ReadSettingKey,
): { figure: number | null; unread: string | null } {
  const { called, read } = READ_SETTINGS[key]
  const found = card?.find((it) => called.test(it.name.trim()))
  if (!card || !found) return { figure: null, unread: null }
  const figure = read(found.value, card)
  return { figure, unread: figure === null ? found.value : null }
}

/** The card with a setting written as a figure, or without it; what it was called there stays. */
export function writeSetting(
  card: readonly Setting[],
  key: ReadSettingKey,
  figure: number | null,
  name = READ_SETTINGS[key].name,
): Setting[] {
  const { called, write } = READ_SETTINGS[key]
  const before = card.find((it) => called.test(it.name.trim()))
  if (figure === null) return card.filter((it) => it !== before)
  const after = { name: before?.name ?? name, value: write(figure) }
  return before ? card.map((it) => (it === before ? after : it)) : [...card, after]
}

/** A figure as somebody types it into the field of one setting; undefined where it cannot be read. */
export function parseSetting(
  text: string,
  key: ReadSettingKey,
  card: readonly Setting[] = [],
): number | null | undefined {
  if (text.trim() === '') return null
  // In the field of the level nobody can mean anything but per cent.
  const value = key === 'share' && /^\d+([.,]\d+)?$/.test(text.trim()) ? `${text.trim()} %` : text
  return READ_SETTINGS[key].read(value, card) ?? undefined
}
