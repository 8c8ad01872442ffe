/** A sheet of labels as it is sold, in millimetres from the upper left corner of the paper. */
export interface LabelSheet {
  label: string
  paper: 'A4' | 'Letter' | 'roll'
  pageWidthMm: number
  pageHeightMm: number
  columns: number
  rows: number
  labelWidthMm: number
  labelHeightMm: number
  leftMm: number
  topMm: number
  /** From the left edge of one label to that of the next, and from the top edge likewise. */
  pitchXMm: number
  pitchYMm: number
}

/** Common sizes, from memory: hold a print on plain paper against a sheet before printing on it. */
export const LABEL_SHEETS = {
  'a4-24': {
    label: 'A4, 24 labels of 63.5 × 33.9 mm',
    paper: 'A4',
    pageWidthMm: 210,
    pageHeightMm: 297,
    columns: 3,
    rows: 8,
    labelWidthMm: 63.5,
    labelHeightMm: 33.9,
    leftMm: 7.2,
    topMm: 12.9,
    pitchXMm: 66,
    pitchYMm: 33.9,
  },
  'a4-65': {
    label: 'A4, 65 labels of 38.1 × 21.2 mm',
    paper: 'A4',
    pageWidthMm: 210,
    pageHeightMm: 297,
    columns: 5,
    rows: 13,
    labelWidthMm: 38.1,
    labelHeightMm: 21.2,
    leftMm: 4.7,
    topMm: 10.7,
    pitchXMm: 40.6,
    pitchYMm: 21.2,
  },
  'letter-30': {
    label: 'Letter, 30 labels of 66.7 × 25.4 mm',
    paper: 'Letter',
    pageWidthMm: 215.9,
    pageHeightMm: 279.4,
    columns: 3,
    rows: 10,
    labelWidthMm: 66.7,
    labelHeightMm: 25.4,
    leftMm: 4.8,
    topMm: 12.7,
    pitchXMm: 69.9,
    pitchYMm: 25.4,
  },
  'roll-62': {
    label: 'Label printer, 62 × 29 mm each',
    paper: 'roll',
    pageWidthMm: 62,
    pageHeightMm: 29,
    columns: 1,
    rows: 1,
    labelWidthMm: 62,
    labelHeightMm: 29,
    leftMm: 0,
    topMm: 0,
    pitchXMm: 62,
    pitchYMm: 29,
  },
} as const satisfies Record<string, LabelSheet>
export type LabelSheetCode = keyof typeof LABEL_SHEETS
export const LABEL_SHEET_CODES = Object.keys(LABEL_SHEETS) as LabelSheetCode[]

export interface LabelSpot {
  page: number
  xMm: number
  yMm: number
}

/** Where each of so many labels comes to lie, row by row, after the first few of the first sheet that are used up. */
export function layOutLabels(sheet: LabelSheet, count: number, skip = 0): LabelSpot[] {
  const perPage = sheet.columns * sheet.rows
  return Array.from({ length: count }, (_, index) => {
    // Whole sheets that are used up are not in the printer, and would come out empty.
    const place = index + (skip % perPage)
    const onPage = place % perPage
    return {
      page: Math.floor(place / perPage),
      xMm: sheet.leftMm + (onPage % sheet.columns) * sheet.pitchXMm,
      yMm: sheet.topMm + Math.floor(onPage / sheet.columns) * sheet.pitchYMm,
    }
  })
}

export type CodeKind = 'qr' | 'code128'

export interface CodeBox {
  xMm: number
  yMm: number
  widthMm: number
  heightMm: number
}

/**
 * Where the code lies on a label, in millimetres from its upper left corner, so that its quiet zone stays on the label:
 * four modules around a QR code (ISO/IEC 18004), ten on both sides of a Code 128 (ISO/IEC 15417); figures from memory.
 * Reckoned for the fewest modules there are (21; 68 for three letters), as more of them make each one smaller.
 */
export function placeCode({ labelWidthMm, labelHeightMm }: LabelSheet, kind: CodeKind): CodeBox {
  if (kind === 'qr') {
    const quiet = (labelHeightMm * 4) / (21 + 8)
    const side = labelHeightMm - 2 * quiet
    return { xMm: quiet, yMm: quiet, widthMm: side, heightMm: side }
  }
  const quiet = (labelWidthMm * 10) / (68 + 20)
  const widthMm = labelWidthMm - 2 * quiet
  return { xMm: quiet, yMm: labelHeightMm * 0.52, widthMm, heightMm: labelHeightMm * 0.38 }
}

/** The tag in what a label says: the tag itself, or an address that ends in it. Null for anything else. */
export function readTag(text: string): string | null {
  const last =
    text
      .trim()
      .split(/[/?#=]/)
      .pop() ?? ''
  const tag = last.replace(/%2D/gi, '-').toUpperCase()
  return /^[A-Z0-9][A-Z0-9-]{0,23}$/.test(tag) ? tag : null
}
