// @vitest-environment jsdom
import type { ImportReport } from '@exemplar/core'
import { expect, it, vi } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { ImportReportTable } from './import-report.tsx'

Element.prototype.scrollIntoView ??= () => {}

const problem = { column: 'category' as const, received: 'Misc', text: '"Misc" is no kind of thing that is known.' }
const line = (at: number, name: string, problems: (typeof problem)[]) => ({
  line: at,
  outcome: problems.length > 0 ? ('bad' as const) : ('thing' as const),
  tag: `T-${at}`,
  name,
  problems,
  adds: [],
  changes: [],
  remarks: [],
})

const REPORT = {
  isClean: false,
  fileProblems: [],
  headings: ['Item', 'Type'],
  columns: ['model', 'category'],
  assumptions: ['Dates such as 3/4/2024 are read with the month first and the day second.'],
  counts: { things: 1, stock: 0, models: 2, places: 0, updates: 0, same: 0, repeats: 0, bad: 3, leftOut: 0 },
  lines: [
    line(2, 'Doohickey', [problem]),
    line(3, 'Panel', []),
    line(4, 'Doohickey', [problem]),
    line(5, 'Whatsit', [problem]),
  ],
} as unknown as ImportReport

const REQUEST = { csv: 'x', columns: null, corrections: [], leaveOut: [], asNew: [] }

it.each([
  ['Put right in all 2', 1, [2, 4]],
  ['In all 3 that say “Misc”', 1, [2, 4, 5]],
  ['Put right', 0, [5]],
] as const)('what stands in many lines is answered once: “%s”', async (button, at, lines) => {
  const onChange = vi.fn()
  const { hands, page } = show(
    <ImportReportTable report={REPORT} request={REQUEST as never} onChange={onChange}>
      {null}
    </ImportReportTable>,
    {},
  )
  const asked = button === 'Put right' ? 5 : 4
  await hands.type(page.getByRole('combobox', { name: `category of line ${asked}` }), 'tool{Enter}')
  await hands.click(page.getAllByRole('button', { name: button })[at] as HTMLElement)
  expect(onChange).toHaveBeenCalledWith({
    ...REQUEST,
    corrections: lines.map((line) => ({ line, column: 'category', value: 'tool' })),
  })
})

it('what was taken for the whole list stands in sight', () => {
  const { page } = show(
    <ImportReportTable report={REPORT} request={REQUEST as never} onChange={vi.fn()}>
      {null}
    </ImportReportTable>,
    {},
  )
  expect(page.getByText(/^Dates such as 3\/4\/2024/)).toBeTruthy()
})
