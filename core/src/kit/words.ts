import { formatData, formatEnergy, formatMass, formatPower } from '../units/quantity.ts'
import { countDays } from '../units/wall-time.ts'
import type { ImportProblem } from './import/inventory-file.ts'
import type { Doubt } from './model/plausibility.ts'
import type { ArchiveSpace } from './unit/archive-space.ts'
import type { SoftwareFinding } from './unit/software-fit.ts'

/** A sentence that names the place, the rule and what was found there. */
export function sayImportProblem({ code, column, received, expected }: ImportProblem): string {
  switch (code) {
    case 'empty-file':
      return `The file is empty. It needs ${expected}.`
    case 'not-text':
      return `This is not a text file. Save the sheet as ${expected}.`
    case 'open-quote':
      return `A quotation mark is opened or closed in the wrong place, at ${received} or before it. Each one needs ${expected}.`
    case 'no-rows':
      return `There is a heading but nothing below it. The file needs ${expected}.`
    case 'too-many-rows':
      return `The file has ${received} lines; Exemplar takes ${expected}. Split it.`
    case 'missing-column':
      return `No heading says which column names the things. Found: ${received}. Say below which it is.`
    case 'repeated-column':
      return `Two columns are read as "${column}". Read ${expected}.`
    case 'too-many-cells':
      return `This line has more cells than the heading. It should have ${expected}.`
    case 'missing-value':
      return `The column "${column}" is blank here and needs ${expected}.`
    case 'tag-twice':
    case 'tag-in-use':
      return `The tag ${received} is taken. Give ${expected}.`
    case 'tag-of-other':
      return `The tag ${received} is on another kind of thing here. Give ${expected}.`
    case 'serial-twice':
      return `The serial ${received} stands on two lines that differ. Give ${expected}.`
    case 'too-long':
      return `"${column}" is too long: ${expected}.`
    case 'bad-characters':
      return `"${column}" holds characters that cannot be shown; it takes ${expected}.`
    case 'unknown-category':
      return `${received ? `"${received}" in column "${column}" is no kind of thing that is known` : 'No word says what kind of thing this is'}. Write ${expected}.`
    case 'unknown-acquisition':
    case 'unknown-state':
    case 'bad-tag':
    case 'bad-number':
    case 'bad-money':
    case 'bad-date':
    case 'bad-measure':
      return `"${received}" in column "${column}" cannot be read. Write ${expected}.`
    default:
      return code satisfies never
  }
}

/** Asks about what was entered; whoever knows better says so and it stays. */
export function sayDoubt(doubt: Doubt): string {
  switch (doubt.code) {
    case 'out-of-bounds': {
      const say = (value: number) => sayAmount(value, doubt.unit)
      return `${doubt.label} ${say(doubt.value)}: such things have ${say(doubt.least)} to ${say(doubt.most)}. Is the unit right?`
    }
    case 'prime-with-two':
      return `A prime has one focal length; ${doubt.shortestMm} mm and ${doubt.longestMm} mm are two. Is it a zoom?`
    case 'zoom-with-one':
      return `A zoom has two focal lengths; both are ${doubt.focalMm} mm. Is it a prime?`
    case 'turned-round':
      return `“${doubt.lower}” is more than “${doubt.upper}”. Are they the wrong way round?`
    case 'sensor-not-wide':
      return `A sensor of ${doubt.widthMm} × ${doubt.heightMm} mm is not wider than high. Are the sides swapped?`
    default:
      return doubt satisfies never
  }
}

function sayAmount(value: number, unit: string): string {
  switch (unit) {
    case 'g':
      return formatMass(value)
    case 'mW':
      return formatPower(value)
    case 'mWh':
      return formatEnergy(value)
    case 'MB':
      return formatData(value)
    default:
      return unit ? `${value} ${unit}` : String(value)
  }
}

/** What keeps a program from its work, and where the way out lies. */
export function saySoftwareFinding(finding: SoftwareFinding): string {
  switch (finding.code) {
    case 'no-wireless':
      return `${finding.program} talks by wireless and ${finding.tag} has none. Look for its version for cable.`
    case 'no-disc-drive':
      return `${finding.program} comes on a disc and ${finding.tag} has no drive for it. Look for it as a download.`
    case 'little-memory':
      return `${finding.program} asks for ${finding.wantedGigabytes} GB of ${finding.of} memory; ${finding.tag} has ${finding.haveGigabytes} GB.`
    case 'memory-unknown':
      return `Cannot tell: ${finding.program} asks for ${finding.wantedGigabytes} GB, and the ${finding.of} memory of ${finding.tag} is not recorded.`
    default:
      return finding satisfies never
  }
}

/** How it was reckoned when a drive is full: the readings and the sums with their figures; null where there is nothing to reckon. */
export function saySpaceWorking({ first, last, perDayMegabytes, freeMegabytes, fullOn }: ArchiveSpace) {
  if (perDayMegabytes === null) return null
  const grown = formatData(Math.max(0, last.usedMegabytes - first.usedMegabytes))
  const perDay = formatData(Math.round(Math.max(0, perDayMegabytes)))
  return {
    title: 'When it is full',
    summary: '',
    lines: [
      { label: 'first reading', sum: `${formatData(first.usedMegabytes)} on ${first.on}` },
      { label: 'last reading', sum: `${formatData(last.usedMegabytes)} on ${last.on}` },
      { label: 'a day', sum: `${grown} / ${countDays(first.on, last.on)} days = ${perDay}` },
      ...(fullOn === null
        ? []
        : [{ label: 'full', sum: `${formatData(freeMegabytes)} free / ${perDay} a day, from ${last.on}: ${fullOn}` }]),
    ],
    assumptions: ['It goes on filling as it did between the first and the last reading. Days are rounded up.'],
    source: 'definition; common practice',
  }
}
