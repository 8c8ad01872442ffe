import type { Absence } from '../../kit/unit/absence.ts'
import { LIFE_STATES } from '../../kit/unit/unit.ts'
import { listTexts, writeImperialAround } from '../../units/imperial.ts'
import { trim } from '../../units/quantity.ts'

/** A finding in words, for screen, sheet and API alike. */
export interface FindingWords {
  title: string
  text: string
  /** A figure against its limit, for the gauge. */
  gauge: { share: number; limitShare: number; text: string } | null
}

/** A sum with its numbers in it. */
export interface WorkingWords {
  title: string
  /** The figure against its limit, in a few words. */
  summary: string
  lines: { label: string; sum: string }[]
  assumptions: string[]
  source: string
}

/** How to write an instant, a day and a measure: the caller knows the studio's zone and its units. */
export interface TimeWords {
  sayInstant(epochMs: number): string
  sayDay(date: string): string
  /** In which measures the studio reads; metric where nothing is said. */
  system?: 'metric' | 'imperial'
}

/** The same words in the measures of the studio, with whatever `about` calls by a name left as it is. */
export function inMeasures(words: FindingWords, about: unknown, system: TimeWords['system']): FindingWords {
  if (system !== 'imperial') return words
  const names = listTexts(about)
  const write = (text: string) => writeImperialAround(text, names)
  const { title, text, gauge } = words
  return { title: write(title), text: write(text), gauge: gauge && { ...gauge, text: write(gauge.text) } }
}

export function plain(title: string, text: string): FindingWords {
  return { title, text, gauge: null }
}

export function makeGauge(value: number, limit: number, text: string): FindingWords['gauge'] {
  const full = Math.max(value, limit) * 1.02
  return { share: value / full, limitShare: limit / full, text }
}

export const metres = (mm: number) => `${trim(mm / 1000, 2)} m`
export const kilograms = (grams: number) => `${trim(grams / 1000, 2)} kg`

const NUMBER_WORDS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine']

export function sayCount(count: number): string {
  return NUMBER_WORDS[count] ?? String(count)
}

/** Why a thing is not to be had, as the end of a sentence: "lent, hoped back on 3 June". */
export function sayAbsence(absence: Absence, words: TimeWords): string {
  switch (absence.reason) {
    case 'state': {
      const back = absence.backOn ? `, hoped back on ${words.sayDay(absence.backOn)}` : ''
      return `${LIFE_STATES[absence.state].label.toLowerCase()}${back}`
    }
    case 'with-parent': {
      const back = absence.backOn ? `, hoped back on ${words.sayDay(absence.backOn)}` : ''
      return `with ${absence.parentTag}, which is ${LIFE_STATES[absence.state].label.toLowerCase()}${back}`
    }
    case 'fault':
      return `out of use since ${words.sayDay(absence.since)}: ${absence.note}`
    case 'goes-back':
      return `goes back to its owner on ${words.sayDay(absence.dueOn)}, but is wanted until ${words.sayDay(absence.neededUntil)}`
    case 'booked':
      return `booked for ${absence.title}, ${words.sayInstant(absence.start)} to ${words.sayInstant(absence.end)}`
    case 'late':
      return `still out with ${absence.title}, due back ${words.sayInstant(absence.since)}`
    case 'closed':
      return `closed by then: it can be used until ${words.sayDay(absence.until)}${absence.terms ? ` (${absence.terms})` : ''}`
    case 'short':
      return `short: ${absence.wanted} wanted, ${absence.free} free at that time`
    case 'left-team':
      return 'no longer in the team'
    default:
      return absence satisfies never
  }
}
