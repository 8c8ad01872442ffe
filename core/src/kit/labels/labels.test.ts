import fc from 'fast-check'
import { describe, expect, test } from 'vitest'
import { LABEL_SHEET_CODES, LABEL_SHEETS, layOutLabels, placeCode, readTag } from './label-sheet.ts'
import { readWedge } from './wedge.ts'

describe('sheets of labels', () => {
  test.each(LABEL_SHEET_CODES)('%s: every label lies on the paper, and none on another', (code) => {
    const sheet = LABEL_SHEETS[code]
    const spots = layOutLabels(sheet, sheet.columns * sheet.rows)
    for (const [at, a] of spots.entries()) {
      // A hundredth of a millimetre is what sums of decimals may be off.
      expect(a.xMm).toBeGreaterThanOrEqual(0)
      expect(a.xMm + sheet.labelWidthMm).toBeLessThanOrEqual(sheet.pageWidthMm + 0.01)
      expect(a.yMm + sheet.labelHeightMm).toBeLessThanOrEqual(sheet.pageHeightMm + 0.01)
      for (const b of spots.slice(at + 1)) {
        const apartX = Math.abs(a.xMm - b.xMm) >= sheet.labelWidthMm - 0.01
        const apartY = Math.abs(a.yMm - b.yMm) >= sheet.labelHeightMm - 0.01
        expect(apartX || apartY).toBe(true)
      }
    }
  })

  test('labels that are used up are passed over, and a page is full before the next begins', () => {
    const sheet = LABEL_SHEETS['a4-24']
    expect(layOutLabels(sheet, 1, 4)).toEqual([{ page: 0, xMm: 7.2 + 66, yMm: 12.9 + 33.9 }])
    expect(layOutLabels(sheet, 26, 23).map((it) => it.page)).toEqual([0, ...Array(24).fill(1), 2])
    fc.assert(
      fc.property(fc.nat(200), fc.nat(60), (count, skip) => {
        const keys = layOutLabels(sheet, count, skip).map((it) => `${it.page}/${it.xMm}/${it.yMm}`)
        expect(new Set(keys).size).toBe(count)
      }),
    )
  })

  test.each(LABEL_SHEET_CODES)(
    '%s: the quiet zones of both codes lie on the label (ISO/IEC 18004 and 15417)',
    (code) => {
      const { labelWidthMm, labelHeightMm } = LABEL_SHEETS[code]
      const qr = placeCode(LABEL_SHEETS[code], 'qr')
      const bars = placeCode(LABEL_SHEETS[code], 'code128')
      for (const margin of [qr.xMm, qr.yMm, labelHeightMm - qr.yMm - qr.heightMm]) {
        expect(margin / (qr.widthMm / 21)).toBeGreaterThan(3.999)
      }
      for (const margin of [bars.xMm, labelWidthMm - bars.xMm - bars.widthMm]) {
        expect(margin / (bars.widthMm / 68)).toBeGreaterThan(9.999)
      }
    },
  )

  test('no sheet comes out empty, however many are said to be used up', () => {
    expect(layOutLabels(LABEL_SHEETS['roll-62'], 3, 2).map((it) => it.page)).toEqual([0, 1, 2])
    expect(layOutLabels(LABEL_SHEETS['a4-24'], 1, 24)[0]).toEqual({ page: 0, xMm: 7.2, yMm: 12.9 })
    fc.assert(
      fc.property(
        fc.constantFrom(...LABEL_SHEET_CODES),
        fc.integer({ min: 1, max: 200 }),
        fc.nat(999),
        (code, n, skip) => {
          const pages = layOutLabels(LABEL_SHEETS[code], n, skip).map((it) => it.page)
          expect([...new Set(pages)]).toEqual(Array.from({ length: Math.max(...pages) + 1 }, (_, at) => at))
        },
      ),
    )
  })
})

describe('what a label says', () => {
  test.each([
    ['CAM-02', 'CAM-02'],
    ['  lgt-06 ', 'LGT-06'],
    ['https://studio.local:4600/kit/CAM-02', 'CAM-02'],
    ['https://studio.local/scan?tag=CAM%2D02', 'CAM-02'],
    ['a page of words', null],
    ['', null],
    ['-X', null],
    ['%E0%A4%A', null],
  ])('%j is %j', (text, tag) => expect(readTag(text)).toBe(tag))
})

describe('a scanner that types', () => {
  const type = (text: string, gapMs: number, from = 1000) =>
    [...text, 'Enter'].map((key, at) => ({ key, at: from + at * gapMs }))

  test('is known by its pace and its Enter; a hand is not', () => {
    expect(readWedge(type('CAM-02', 8))).toBe('CAM-02')
    expect(readWedge(type('CAM-02', 120))).toBe(null)
    expect(readWedge(type('CAM-02', 8).slice(0, -1))).toBe(null)
    expect(readWedge(type('n', 8))).toBe(null)
  })

  test('what a hand typed before is not part of it', () => {
    expect(readWedge([{ key: 'n', at: 100 }, { key: '?', at: 400 }, ...type('LGT-06', 10)])).toBe('LGT-06')
  })

  test('the Shift that a scanner presses for every capital does not part the tag', () => {
    const strokes = type('LGT-06', 10).flatMap((it) =>
      /[A-Z]$/.test(it.key) ? [{ key: 'Shift', at: it.at }, it] : [it],
    )
    expect(strokes.filter((it) => it.key === 'Shift')).toHaveLength(3)
    expect(readWedge(strokes)).toBe('LGT-06')
    expect(readWedge([{ key: 'Shift', at: 1 }, ...type('LGT-06', 120)])).toBe(null)
  })
})
