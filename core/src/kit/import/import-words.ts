import type { ImportProblem } from './inventory-file.ts'
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
    case 'too-many-columns':
      return `A line of the file has ${received} cells; Exemplar takes ${expected}. Leave out those that are not about the thing.`
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
