import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, test } from 'vitest'
import { writeCsv } from '../../units/csv.ts'
import { explainTerms, GLOSSARY } from '../glossary.ts'
import { cleanFileName } from './attachment.ts'
import { isBackupDue, listBackupsToDrop } from './retention.ts'

const DAY = 86_400_000
const START = Date.UTC(2026, 0, 1, 3)
const daily = (days: number) =>
  Array.from({ length: days }, (_, day) => ({ name: `d${day}`, takenAt: START + day * DAY, isAutomatic: true }))

describe('which backups may go', () => {
  test('a year of daily ones leaves seven days, four weeks and six months', () => {
    const all = daily(365)
    const dropped = new Set(listBackupsToDrop(all, { keepDaily: 7, keepWeekly: 4, keepMonthly: 6 }))
    const kept = all.filter((it) => !dropped.has(it.name)).map((it) => new Date(it.takenAt).toISOString().slice(0, 10))
    // 31 December 2026 is a Thursday: the week that runs, then Sundays; then the last days of months.
    expect(kept).toEqual([
      '2026-07-31',
      '2026-08-31',
      '2026-09-30',
      '2026-10-31',
      '2026-11-30',
      '2026-12-13',
      '2026-12-20',
      '2026-12-25',
      '2026-12-26',
      '2026-12-27',
      '2026-12-28',
      '2026-12-29',
      '2026-12-30',
      '2026-12-31',
    ])
  })

  test('never the newest, never one made by hand, and keeping more never drops more', () => {
    const backup = fc.record({ takenAt: fc.nat(400).map((it) => START + it * DAY), isAutomatic: fc.boolean() })
    const keep = fc.record({ keepDaily: fc.integer({ min: 1, max: 9 }), keepWeekly: fc.nat(6), keepMonthly: fc.nat(6) })
    fc.assert(
      fc.property(fc.array(backup, { maxLength: 40 }), keep, (list, retention) => {
        const all = list.map((it, at) => ({ ...it, name: `b${at}` }))
        const dropped = listBackupsToDrop(all, retention)
        const automatic = all.filter((it) => it.isAutomatic)
        const newest = Math.max(0, ...automatic.map((it) => it.takenAt))
        for (const name of dropped) {
          const it = all.find((other) => other.name === name)
          expect(it?.isAutomatic).toBe(true)
          if (automatic.filter((other) => other.takenAt === newest).length === 1)
            expect(it?.takenAt).toBeLessThan(newest)
        }
        const more = listBackupsToDrop(all, { ...retention, keepDaily: retention.keepDaily + 1 })
        for (const name of more) expect(dropped).toContain(name)
      }),
    )
  })

  test('one is due a day after the last; reached is due', () => {
    expect([isBackupDue(null, START), isBackupDue(START, START + DAY - 1), isBackupDue(START, START + DAY)]).toEqual([
      true,
      false,
      true,
    ])
  })

  test('a clock that was set back two days, or forward, keeps nobody waiting for the next one', () => {
    expect([isBackupDue(START, START - 2 * DAY), isBackupDue(START, START + 2 * DAY)]).toEqual([true, true])
  })
})

describe('CSV', () => {
  // OWASP, CSV Injection: cells that begin with = + - @, tab or carriage return may run as formulas.
  test.each(['=1+1', '+1', '-1', '@SUM(A1)', '\tx', '\rx'])('text %j does not run', (text) => {
    expect(Papa.parse<string[]>(writeCsv(['a'], [[text]])).data[1]?.[0]).toBe(`'${text}`)
  })

  test('numbers stay numbers, and everything else is read back as it was (RFC 4180)', () => {
    expect(writeCsv(['n'], [[-5]])).toBe('n\r\n-5')
    const cell = fc.string().filter((it) => !/^[=+\-@\t\r]/.test(it) && !it.includes('\u0000'))
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell), { minLength: 1 }), (rows) => {
        const read = Papa.parse<string[]>(writeCsv(['a', 'b'], rows), { newline: '\r\n' }).data
        expect(read).toEqual([['a', 'b'], ...rows])
      }),
    )
  })
})

describe('words of the trade', () => {
  test('a sentence is cut where a term stands, and put together is the sentence', () => {
    const pieces = explainTerms('The shotgun wants phantom power; the Recorder gives phantom power.')
    expect(pieces.filter((it) => it.meaning !== null).map((it) => it.text)).toEqual(['shotgun', 'phantom power'])
    expect(pieces.map((it) => it.text).join('')).toBe(
      'The shotgun wants phantom power; the Recorder gives phantom power.',
    )
    expect(explainTerms('Packs of Fenn B: 2 short')[0]).toMatchObject({ text: 'Packs', meaning: GLOSSARY.pack })
    expect(explainTerms('A keyboard is no key')).toHaveLength(2)
  })

  test('nothing is lost or added in any sentence', () => {
    const words = fc.array(fc.oneof(fc.constantFrom(...Object.keys(GLOSSARY)), fc.string({ maxLength: 6 })), {
      maxLength: 12,
    })
    fc.assert(
      fc.property(words, (list) => {
        const sentence = list.join(' ')
        expect(
          explainTerms(sentence)
            .map((it) => it.text)
            .join(''),
        ).toBe(sentence)
      }),
    )
  })

  test('each explanation is one line and ends', () => {
    for (const meaning of Object.values(GLOSSARY)) expect(meaning).toMatch(/^[A-Z0-9“].{10,140}\.$/)
  })
})

test('a file name keeps no path and stays as long as can be borne', () => {
  fc.assert(
    fc.property(fc.string({ maxLength: 200, unit: 'binary' }), (name) => {
      const clean = cleanFileName(name)
      expect(clean.length).toBeGreaterThan(0)
      expect(clean.length).toBeLessThanOrEqual(120)
      expect(clean).not.toMatch(/[/\\\p{Cc}]/u)
    }),
  )
})
