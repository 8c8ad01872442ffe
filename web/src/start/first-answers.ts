import { type CountryCode, guessCountry, type Purpose } from '@exemplar/core'
import { useState } from 'react'

/** What somebody who begins has answered so far. */
export interface Answers {
  purposes: Purpose[]
  country: CountryCode
  room: string
  size: { widthMm: number | null; depthMm: number | null; heightMm: number | null }
  /** How many of each common thing, by its name. */
  counts: Record<string, number>
}

const KEY = 'exemplar.first-hour'

function makeAnswers(): Answers {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone ?? null
  return {
    purposes: [],
    country: guessCountry(navigator.languages, zone) ?? 'GB',
    room: 'Studio',
    size: { widthMm: null, depthMm: null, heightMm: null },
    counts: {},
  }
}

/** The answers, kept while this window is open: a page that is loaded again loses none of them. */
export function useAnswers(): { answers: Answers; set(part: Partial<Answers>): void; forget(): void } {
  const [answers, setAnswers] = useState<Answers>(() => {
    try {
      return { ...makeAnswers(), ...JSON.parse(sessionStorage.getItem(KEY) ?? '{}') }
    } catch {
      return makeAnswers()
    }
  })
  const keep = (next: Answers) => {
    setAnswers(next)
    try {
      sessionStorage.setItem(KEY, JSON.stringify(next))
    } catch {
      // Then they live as long as the page does.
    }
  }
  return {
    answers,
    set: (part) => keep({ ...answers, ...part }),
    forget: () => {
      try {
        sessionStorage.removeItem(KEY)
      } catch {
        // Nothing was kept.
      }
    },
  }
}
