// @vitest-environment jsdom
import type { Finding, Remedy } from '@exemplar/core'
import { expect, it, vi } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { AcceptedFindings } from './accepted-findings.tsx'
import { type FindingDeeds, FindingItem } from './finding-item.tsx'

const FINDING: Finding = {
  code: 'role-empty',
  beside: [],
  isFill: false,
  key: 'role-empty:r1',
  level: 'warn',
  roleId: 'r1',
  role: 'the window panel',
}
const ASSIGN: Remedy = { kind: 'assign', roleId: 'r1', unitIds: ['u1'], tags: ['LK-007'], name: 'Panel' }
const SHOP: Remedy = { kind: 'shop', item: 'Panel light', quantity: 1, stockId: null }
const ASKED = 'GET /setups/s1/remedies?key=role-empty%3Ar1'

const makeDeeds = (change: Partial<FindingDeeds> = {}): FindingDeeds => ({
  setupId: 's1',
  bookingId: undefined,
  isBusy: false,
  onRemedy: vi.fn(),
  onAccept: vi.fn(),
  ...change,
})

function showFinding(deeds: FindingDeeds, isFirst: boolean, help: unknown) {
  return show(
    <ul>
      <FindingItem finding={FINDING} isFirst={isFirst} deeds={deeds} working={null} />
    </ul>,
    { [ASKED]: help },
  )
}

const help = (remedies: Remedy[], inStore: number | null = null) => ({
  key: FINDING.key,
  remedies,
  inStore,
  away: [],
  photos: {},
})

it('looks for ways out of what is not the worst only when asked, and carries one out with its reason', async () => {
  const deeds = makeDeeds()
  const { hands, asked, page } = showFinding(deeds, false, help([ASSIGN, SHOP], 1))
  await page.findByText('The role “the window panel” is empty')
  expect(asked.filter(({ path }) => path.includes('remedies'))).toEqual([])
  await hands.click(page.getByRole('button', { name: 'Ways out: The role “the window panel” is empty' }))
  expect(await page.findByText('The store has one free.')).toBeTruthy()
  await hands.click(page.getByRole('button', { name: /LK-007/ }))
  expect(deeds.onRemedy).toHaveBeenCalledWith(ASSIGN, 'The role “the window panel” is empty', 'r1')
})

it('looks at once for ways out of the worst', async () => {
  const { page } = showFinding(makeDeeds(), true, help([SHOP]))
  expect(await page.findByRole('button', { name: /shopping list/ })).toBeTruthy()
  expect(page.queryByRole('button', { name: /Ways out/ })).toBeNull()
})

it('says that nothing free would mend it where that is so', async () => {
  const { page } = showFinding(makeDeeds(), true, help([]))
  expect(await page.findByText('Nothing free would mend this.')).toBeTruthy()
})

it('says that looking failed where it failed', async () => {
  const { page } = showFinding(makeDeeds(), true, { problem: { status: 500, detail: 'Broken.' } })
  expect(await page.findByText('The ways out could not be looked for just now.')).toBeTruthy()
  expect(page.queryByText('Nothing free would mend this.')).toBeNull()
})

it('accepts a risk only with a reason', async () => {
  const deeds = makeDeeds()
  const { hands, page } = showFinding(deeds, false, help([]))
  await hands.click(page.getByRole('button', { name: /^Accept risk/ }))
  const accept = page.getByRole('button', { name: 'Accept' })
  expect(accept.hasAttribute('disabled')).toBe(true)
  await hands.type(page.getByLabelText('Why it is fine'), '   ')
  expect(accept.hasAttribute('disabled')).toBe(true)
  await hands.type(page.getByLabelText('Why it is fine'), 'Daylight is enough. ')
  await hands.click(accept)
  expect(deeds.onAccept).toHaveBeenCalledExactlyOnceWith(FINDING, 'Daylight is enough.', null)
})

it('accepts a stop to a day only, and says who answers for it', async () => {
  const deeds = makeDeeds()
  const { hands, page } = show(
    <ul>
      <FindingItem finding={{ ...FINDING, level: 'stop' }} isFirst={false} deeds={deeds} working={null} />
    </ul>,
    {},
  )
  await hands.click(page.getByRole('button', { name: /^Accept risk/ }))
  await hands.type(page.getByLabelText('Why it is fine'), 'On books.')
  const accept = page.getByRole('button', { name: 'Accept' })
  expect(accept.hasAttribute('disabled')).toBe(true)
  expect(page.getByText(/You answer for it by name/)).toBeTruthy()
  await hands.type(page.getByLabelText('Until'), '2999-12-31')
  await hands.click(accept)
  expect(vi.mocked(deeds.onAccept as never as () => void).mock.calls[0]?.slice(1)).toEqual(['On books.', '2999-12-31'])
})

it('offers nothing to do to who only looks', async () => {
  const { page } = showFinding(makeDeeds({ onRemedy: null, onAccept: null }), true, help([ASSIGN], 1))
  expect(await page.findByText('The store has one free.')).toBeTruthy()
  expect(page.queryAllByRole('button')).toEqual([])
})

it('says of an accepted risk why, by whom and on which day of which year, and counts it again', async () => {
  const accepted = { reason: 'Daylight is enough.', by: 'Imke', on: '2025-12-01' } as Finding['accepted']
  const onReopen = vi.fn()
  const { hands, page } = show(<AcceptedFindings findings={[{ ...FINDING, accepted }]} onReopen={onReopen} />)
  expect(page.getByText(/“Daylight is enough.”/).textContent).toBe('“Daylight is enough.” Imke, 1 Dec 2025')
  await hands.click(page.getByRole('button', { name: /^Count it again/, hidden: true }))
  expect(onReopen).toHaveBeenCalledOnce()
})
