// @vitest-environment jsdom
import type { WishRow } from '@exemplar/core'
import { expect, test } from 'vitest'
import { show } from '../../foundation/component.fixture.tsx'
import { ShareList } from './share-list.tsx'

const row = (name: string, part: object) =>
  ({ id: name, name, quantity: 1, prices: [], cost: null, reason: 'Ours wobbles', ...part }) as unknown as WishRow
const seen = (source: string) => [{ kind: 'seen', netMinor: 5_000, taxMinor: 1_000, on: '2026-11-20', source }]

test('[O34.1] a list to pass on: what, about how much and where, and nothing of why', async () => {
  const cost = { totalMinor: 12_000, on: '2026-11-20' }
  const { page, hands } = show(
    <ShareList
      currency="GBP"
      rows={[row('Small lamp', { quantity: 2, prices: seen('Fen Lane Photo'), cost }), row('Apron', {})]}
    />,
  )
  const list = () => page.getByLabelText<HTMLTextAreaElement>('The list, to be copied').value
  expect(list()).toBe('2 × Small lamp, about £120, Fen Lane Photo\nApron')
  expect(list()).not.toContain('wobbles')
  await hands.click(page.getByLabelText('Small lamp'))
  expect(list()).toBe('Apron')
})
