// @vitest-environment jsdom
import { expect, it, vi } from 'vitest'
import { show } from '../component.fixture.tsx'
import { ConflictPanel, readConflict } from './conflict.tsx'

const CURRENT = { id: 'u1', version: 7, name: 'Panel', placeId: 'store', tags: ['a', 'b'], note: null }
const YOURS = { version: 6, name: 'Panel light', placeId: 'store', tags: ['a'], note: '' }

it('reads a conflict only from a reply that holds both versions', () => {
  expect(readConflict({ status: 409, data: { current: CURRENT, yours: YOURS } })).toEqual({
    current: CURRENT,
    yours: YOURS,
  })
  expect(readConflict({ status: 409, data: { detail: 'That tag is taken.' } })).toBeNull()
  expect(readConflict({ status: 500, data: { current: CURRENT, yours: YOURS } })).toBeNull()
  expect(readConflict(undefined)).toBeNull()
})

it('shows both versions of what differs and nothing else, and goes either way', async () => {
  const [onMine, onTheirs] = [vi.fn(), vi.fn()]
  const { hands, page } = show(
    <ConflictPanel conflict={{ current: CURRENT, yours: YOURS }} onMine={onMine} onTheirs={onTheirs} />,
  )
  const rows = page.getAllByRole('row').map((row) => row.textContent)
  expect(rows).toEqual(['FieldTheirsYours', 'namePanelPanel light', 'tagsa, ba', 'note––'])
  await hands.click(page.getByRole('button', { name: 'Save mine over theirs' }))
  expect(onMine).toHaveBeenCalledExactlyOnceWith(7)
  await hands.click(page.getByRole('button', { name: 'Keep theirs' }))
  expect(onTheirs).toHaveBeenCalledOnce()
})
