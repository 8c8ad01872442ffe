import { POWER_SOURCES, type PowerSource } from '../../kit/model/power-source.ts'
import { listInWords } from '../../units/wording.ts'
import type { StartLine } from './preflight.ts'

/** One line of the start list as an order to whoever stands there, with what to mind. */
export function sayStartLine(line: StartLine): { text: string; note: string } {
  const say = (text: string, note = '') => ({ text, note })
  switch (line.kind) {
    case 'mind':
      return say(
        line.tags.length > 0
          ? `${line.role}: ${listInWords(line.tags)} in its place`
          : `${line.role}: nothing is in it`,
        'Easily forgotten, and missed in the picture.',
      )
    case 'lesson':
      return say(line.lesson, `Learned on ${sayPlainDay(line.on)}: ${line.what}`)
    case 'fetch-controller':
      return line.isMissing
        ? say(
            `Find ${line.controller}`,
            `It controls ${line.of} and is not there: without it that stays as it was left.`,
          )
        : say(`Fetch ${line.controller}`, `It controls ${line.of}.`)
    case 'pair':
      return say(`Pair ${line.controller} with ${line.of}`, 'Try it once from where it will be used.')
    case 'charge':
      return line.source === 'cells'
        ? say(
            `Fresh cells into ${listInWords(line.tags)}`,
            `${line.count === 1 ? 'One' : `${line.count} of them`}. Take out the spent ones; mixed ages leak.`,
          )
        : sayCharging(line)
    case 'plug-in':
      return say(`Plug in ${listInWords(line.tags)}`, 'Leads away from legs and walkways.')
    case 'open-app':
      return say(
        `Open ${[line.app, line.version].filter(Boolean).join(' ')}${line.on ? ` on ${line.on}` : ''}`,
        `For ${line.of}.`,
      )
    case 'empty-card':
      return say(
        `Empty ${listInWords(line.tags)}`,
        'Only when what is on them lies in two other places. Format them in what records on them.',
      )
    case 'recall-bank':
      return say(`${line.tag}: recall ${line.bank}`, sayBank(line))
    case 'set':
      return say(
        `Set ${line.tag}: ${line.settings.map(({ name, value }) => `${name} ${value}`).join(', ')}`,
        `${line.role}.`,
      )
    case 'mirror':
      return say(
        'Look for lettering: the picture is turned round',
        line.things.length > 0
          ? `Clothing, and ${listInWords(line.things)}.`
          : 'Clothing, props and signs read backwards.',
      )
    case 'no-calls':
      return say(
        `${line.tag}: no calls, no lock`,
        line.roles.length > 1 ? `It does ${listInWords(line.roles)}.` : 'A call ends a recording.',
      )
    case 'white-balance':
      return say(
        'Take white balance by the grey card',
        line.isOld
          ? `Lights were changed since ${line.kelvin} K was taken: take it again, with all of them on.`
          : `With all lights on and set.${line.kelvin === null ? '' : ` It was ${line.kelvin} K.`}`,
      )
    case 'eyesore':
      return say(
        line.cure ? `${line.what}: ${line.cure}` : `${line.what}: hide it`,
        line.role ? `${line.role} sees it.` : 'It is in the picture.',
      )
    case 'sun':
      return say(
        `Set an alarm for ${line.at}: the sun ${line.comes ? 'comes into' : 'leaves'} ${line.pane}`,
        'Takes before and after do not match on a clear day.',
      )
    case 'tidy':
      return say(
        'Tidy what is behind',
        line.stillId
          ? 'Hold it against the still of how it should look.'
          : 'Keep a still of how it should look with the setup, to hold it against.',
      )
    case 'chart':
      return say(
        `Film ${listInWords(line.tags)} for a few seconds`,
        'In the light of the take, before it and after lamps were changed: colours are corrected by it.',
      )
    case 'magnify':
      return say(
        `Magnify the picture of ${listInWords(line.tags)} and look at the eyes`,
        'No larger screen shows whether they are sharp.',
      )
    case 'test':
      return say(
        'Record ten seconds and play them back',
        'With sound, on headphones. The classic loss is a take without.',
      )
    default:
      return line satisfies never
  }
}

function sayBank({ why, role }: StartLine & { kind: 'recall-bank' }): string {
  switch (why) {
    case 'settings-changed':
      return `The settings of ${role} were changed since it was stored. Store it anew.`
    case 'was-away':
      return 'It was away, mended or changed since: look whether it still holds them, and store it anew.'
    case null:
      return `It holds the settings of ${role}.`
    default:
      return why satisfies never
  }
}

/** What each thing lives on, by source, for the evening before. */
export function groupBySource<T extends { source: PowerSource }>(
  things: readonly T[],
): { label: string; things: T[] }[] {
  const order = Object.keys(POWER_SOURCES) as PowerSource[]
  return order.flatMap((source) => {
    const own = things.filter((it) => it.source === source)
    return own.length > 0 ? [{ label: POWER_SOURCES[source], things: own }] : []
  })
}

function sayCharging({ tags, name, packs, count }: StartLine & { kind: 'charge' }): { text: string; note: string } {
  const full = packs.filter((it) => it.charge === 'full').map(({ tag }) => tag)
  const left = tags.filter((it) => !full.includes(it))
  const isOne = full.length === 1
  if (left.length === 0) return { text: `${listInWords(full)} ${isOne ? 'is' : 'are'} charged`, note: `${name}.` }
  const others = full.length > 0 ? ` ${listInWords(full)} ${isOne ? 'is' : 'are'} charged.` : ''
  const several = count > tags.length ? `${count} of ` : ''
  return {
    text: `Charge ${listInWords(left)}`,
    note: `${several}${name}.${others} Not unattended, and none that is swollen.`,
  }
}

/** Whether nothing of it is left to do: all of it was said to be full. */
export const isCharged = (line: StartLine): boolean =>
  line.kind === 'charge' && line.packs.length === line.tags.length && line.packs.every((it) => it.charge === 'full')

/** "24 Nov 2026", the same for everybody who reads it. */
const sayPlainDay = (day: string) =>
  new Date(`${day}T12:00:00Z`).toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    timeZone: 'UTC',
  })
