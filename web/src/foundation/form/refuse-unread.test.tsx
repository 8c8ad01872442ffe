// @vitest-environment jsdom
import { expect, it, vi } from 'vitest'
import { show } from '../component.fixture.tsx'
import { FigureField } from './figure-field.tsx'
import { MeasureField } from './measures.tsx'
import { MoneyField } from './money-field.tsx'
import { useRefuseUnread } from './refuse-unread.ts'

Element.prototype.scrollIntoView ??= () => {}

function Form({ onSave }: { onSave(health: number | null): void }) {
  useRefuseUnread()
  let health: number | null = 82
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault()
        onSave(health)
      }}
    >
      <FigureField
        label="Health"
        value={82}
        onChange={(value) => {
          health = value
        }}
      />
      <MeasureField measure="mass" label="Mass" value={700} onChange={() => {}} />
      <MoneyField label="Price" value={8650} onChange={() => {}} />
      <button type="submit">Save</button>
    </form>
  )
}

it.each([
  ['Health', 'ninety'],
  ['Mass', 'heavy'],
  ['Price', 'a lot'],
])('[E2] what cannot be read in %s holds the form back, and the hands go there', async (label, typed) => {
  const onSave = vi.fn()
  const { hands, page } = show(<Form onSave={onSave} />)
  const field = await page.findByLabelText<HTMLInputElement>(label)
  await hands.clear(field)
  await hands.type(field, typed)
  await hands.click(page.getByRole('button', { name: 'Save' }))
  expect(onSave).not.toHaveBeenCalled()
  expect(document.activeElement).toBe(field)
  expect(field.value).toBe(typed)
  await hands.clear(field)
  await hands.type(field, '90')
  await hands.click(page.getByRole('button', { name: 'Save' }))
  expect(onSave).toHaveBeenCalledOnce()
})
