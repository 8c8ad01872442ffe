// @vitest-environment jsdom
import { expect, it } from 'vitest'
import { useChangeEntryMutation } from '../api/api.ts'
import { useTold } from '../api/use-told.ts'
import { show } from '../component.fixture.tsx'
import { Toaster } from './toaster.tsx'

function Deeds() {
  const [change] = useChangeEntryMutation()
  const told = useTold()
  const deed = (id: string) => told(change({ id, version: 1, body: {} as never }).unwrap(), `${id} is corrected.`)
  return (
    <>
      <button type="button" onClick={() => deed('gels')}>
        Correct gels
      </button>
      <button type="button" onClick={() => deed('cells')}>
        Correct cells
      </button>
      <Toaster />
    </>
  )
}

const written = (changeId: number) => ({ written: { id: 'e', version: 2 }, changeId })

it('takes back from a note the change that the note is of, whatever was done since', async () => {
  const { hands, asked, page } = show(<Deeds />, {
    'PUT /ledger/entries/gels': written(11),
    'PUT /ledger/entries/cells': written(12),
    'POST /changes/11/undo': written(13),
  })
  await hands.click(page.getByRole('button', { name: 'Correct gels' }))
  await page.findByText('gels is corrected.')
  await hands.click(page.getByRole('button', { name: 'Correct cells' }))
  await page.findByText('cells is corrected.')
  const first = page.getByText('gels is corrected.').closest('li')
  await hands.click(first?.querySelector('button') as HTMLElement)
  await page.findByText('Taken back.')
  expect(asked.filter(({ path }) => path.endsWith('/undo')).map(({ path }) => path)).toEqual(['/changes/11/undo'])
})

it('tells why a change was refused, without a way to take back what was never done', async () => {
  const { hands, page } = show(<Deeds />, {
    'PUT /ledger/entries/gels': { problem: { status: 422, detail: 'That year is closed.' } },
  })
  await hands.click(page.getByRole('button', { name: 'Correct gels' }))
  const note = (await page.findByText('That year is closed.')).closest('li')
  expect(note?.textContent).not.toContain('Undo')
})
