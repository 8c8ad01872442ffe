import { listDirectSun, listUsableDaylight, traceSun } from '../../../formulas/light/sun.ts'
import type { Interval } from '../../../units/interval.ts'
import { findWallTime } from '../../../units/wall-time.ts'
import type { Filming } from '../../placed/assessment-input.ts'
import { defineCheck, type Found } from '../check.ts'
import { plain } from '../finding-words.ts'
import { type LookLine, sayLine, sayOpen } from '../look-line.ts'
import { factOf, type Scene } from '../scene.ts'

type SunFinding =
  | { code: 'daylight-short'; from: string; to: string; usable: string[] }
  | { code: 'sun-moves'; pane: string; at: string; comes: boolean }
  | { code: 'sun-direct'; pane: string; from: string; to: string }
  | { code: 'clouds-break' }
  | { code: 'sun-unknown'; lacks: string[] }

const LONGEST_MS = 48 * 3_600_000

interface WindowSun {
  id: string
  name: string
  direct: readonly Interval[]
}

/** What the sun does while it is filmed: null where it is not filmed by window light, or no day is judged. */
export function computeSunOfFilming({ setup, crew, filming }: Scene): {
  filming: Filming
  usable: Interval[]
  windows: WindowSun[]
  lacks: string[]
} | null {
  const way = setup.stage.windows
  if (!filming || way === null || way === 'shut') return null
  const details = crew?.place?.details
  const lacks = [
    ...(details?.position ? [] : ['where on the earth the room is']),
    ...((details?.windows.length ?? 0) > 0 ? [] : ['which windows it has']),
  ]
  const spot = details?.position
  if (!spot || lacks.length > 0) return { filming, usable: [], windows: [], lacks }
  // Nobody films for days by one window: a booking so long says nothing of its hours, and would be looked at minute by minute.
  if (filming.end - filming.start > LONGEST_MS)
    return { filming, usable: [], windows: [], lacks: ['at which hours of so long a booking it is filmed'] }
  const trace = traceSun(spot, filming)
  return {
    filming,
    usable: listUsableDaylight(trace),
    windows: details.windows.map(({ id, name, bearingDegrees }) => ({
      id,
      name,
      direct: listDirectSun(trace, bearingDegrees),
    })),
    lacks,
  }
}

const timeOf = (epochMs: number, zone: string) => findWallTime(epochMs, zone).slice(11, 16)

const sayHours = (spans: readonly Interval[], zone: string) =>
  spans.map((it) => `${timeOf(it.start, zone)} to ${timeOf(it.end, zone)}`)

const isLitThroughout = ({ usable, filming }: { usable: readonly Interval[]; filming: Filming }) =>
  usable.reduce((sum, it) => sum + it.end - it.start, 0) >= filming.end - filming.start

/** Bookings that are filmed by the window: whether there is light, and when the sun comes and goes. */
export const sunlight = defineCheck<SunFinding>({
  find(scene) {
    const sun = factOf(scene, computeSunOfFilming)
    if (!sun) return []
    const { filming, usable, windows, lacks } = sun
    const { zone, start, end, sky } = filming
    const isRelied = scene.setup.stage.windows === 'relied'
    if (lacks.length > 0) return [{ about: ['sun'], roleId: null, level: 'unknown', code: 'sun-unknown', lacks }]
    const found: Found<SunFinding>[] = []
    if (isRelied && !isLitThroughout(sun))
      found.push({
        about: ['daylight'],
        roleId: null,
        level: 'warn',
        code: 'daylight-short',
        from: timeOf(start, zone),
        to: timeOf(end, zone),
        usable: sayHours(usable, zone),
      })
    if (isRelied && sky === 'broken')
      found.push({ about: ['clouds'], roleId: null, level: 'warn', code: 'clouds-break' })
    if (sky !== 'overcast') found.push(...windows.flatMap((it) => judgeWindow(it, filming, isRelied)))
    return found
  },
  codes: {
    'daylight-short': {
      say: ({ from, to, usable }) =>
        plain(
          'The daylight does not last',
          `It is filmed by the window from ${from} to ${to}; ${usable.length === 0 ? 'no light of that time is enough' : `enough light is there from ${usable.join(' and ')}`}. Earlier, shorter, or with lamps.`,
        ),
      deciding: ({ from, to, usable }) => [from, to, ...usable],
    },
    'sun-moves': {
      say: ({ pane, at, comes }) =>
        plain(
          comes ? `The sun comes into ${pane} at ${at}` : `The sun leaves ${pane} at ${at}`,
          'Takes before and after do not match on a clear day: finish one part before it, or put cloth before the glass.',
        ),
      deciding: ({ pane, at, comes }) => [pane, at, comes],
    },
    'sun-direct': {
      say: ({ pane, from, to }) =>
        plain(
          `Sun straight through ${pane}`,
          `From ${from} to ${to} on a clear day, all the while it is filmed. Cloth before it, or another hour.`,
        ),
      deciding: ({ pane, from, to }) => [pane, from, to],
    },
    'clouds-break': {
      say: () =>
        plain(
          'Light that changes within a take',
          'Sun and clouds are forecast, and it is filmed by the window: brightness and colour go up and down. Cloth before the window softens it; lamps, or another day, end it.',
        ),
      deciding: () => [],
    },
    'sun-unknown': {
      say: ({ lacks }) =>
        plain(
          'Cannot tell what the sun does',
          `It is filmed by the window, and nobody wrote down ${lacks.join(' and ')}.`,
        ),
      deciding: ({ lacks }) => lacks,
    },
  },
})

function judgeWindow({ id, name, direct }: WindowSun, filming: Filming, isRelied: boolean): Found<SunFinding>[] {
  const { start, end, zone } = filming
  return direct.flatMap((span, at): Found<SunFinding>[] => {
    const comes = span.start > start
    const goes = span.end < end
    const level = isRelied ? ('warn' as const) : ('advise' as const)
    const move = (epochMs: number, isComing: boolean): Found<SunFinding> => ({
      about: [id, String(at), isComing ? 'comes' : 'goes'],
      roleId: null,
      level,
      code: 'sun-moves',
      pane: name,
      at: timeOf(epochMs, zone),
      comes: isComing,
    })
    if (!comes && !goes)
      return [
        {
          about: [id],
          roleId: null,
          level: 'advise',
          code: 'sun-direct',
          pane: name,
          from: timeOf(span.start, zone),
          to: timeOf(span.end, zone),
        },
      ]
    return [...(comes ? [move(span.start, true)] : []), ...(goes ? [move(span.end, false)] : [])]
  })
}

/** When it can be filmed, and what the sun does meanwhile. */
export function saySun(scene: Scene): LookLine[] {
  const { setup, filming } = scene
  const way = setup.stage.windows
  const label = 'Sun and hours'
  if (way === null) return []
  if (way === 'shut') return [sayLine('sun', label, 'Any hour will do: the windows are shut out.')]
  if (!filming) return [sayOpen('sun', label, ['for which booking: choose one beside the verdict'])]
  const sun = factOf(scene, computeSunOfFilming)
  if (!sun || sun.lacks.length > 0) return [sayOpen('sun', label, sun?.lacks ?? [])]
  const { zone } = filming
  const hours = isLitThroughout(sun)
    ? 'Enough daylight all the while'
    : sun.usable.length === 0
      ? 'No daylight that is enough'
      : `Enough daylight only from ${sayHours(sun.usable, zone).join(' and ')}`
  const windows = sun.windows.map(({ name, direct }) =>
    direct.length === 0
      ? `no direct sun in ${name}`
      : `direct sun in ${name} from ${sayHours(direct, zone).join(' and ')}`,
  )
  return [
    sayLine('sun', label, `${[hours, ...windows].join('; ')}.`, {
      assumptions: [
        'Within the time that is booked without rigging, on a clear day, with nothing before the windows.',
        'Usable from 6° of the sun above the horizon on: common practice.',
      ],
      source: 'position of the sun by place and instant',
    }),
  ]
}

/** When the sun comes to a window or leaves it while it is filmed by it, as the clock on the wall says; none under an overcast sky. */
export function listSunMoves(scene: Scene): { pane: string; at: string; comes: boolean }[] {
  return sunlight
    .find(scene)
    .flatMap((it) => (it.code === 'sun-moves' ? [{ pane: it.pane, at: it.at, comes: it.comes }] : []))
}
