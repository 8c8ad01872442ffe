// @vitest-environment jsdom
import { expect, it, vi } from 'vitest'
import { show } from '../component.fixture.tsx'
import { ComboField, findChoices } from './combo-field.tsx'

const CHOICES = [
  { value: 'mic', label: 'Microphone', aside: 'sound', words: ['mic'] },
  { value: 'stand', label: 'Microphone stand', aside: 'support' },
  { value: 'cam', label: 'Camera body', aside: 'camera', words: ['mirrorless'] },
]

function showField(props: Partial<Parameters<typeof ComboField>[0]> = {}) {
  const onChange = vi.fn()
  return { onChange, ...show(<ComboField label="Kind" value="" choices={CHOICES} onChange={onChange} {...props} />) }
}

it('finds by any word of a choice, the exact one first', () => {
  expect(findChoices(CHOICES, 'mic').map((it) => it.value)).toEqual(['mic', 'stand'])
  expect(findChoices(CHOICES, 'mirrorl').map((it) => it.value)).toEqual(['cam'])
  expect(findChoices(CHOICES, 'stand mic').map((it) => it.value)).toEqual(['stand'])
  expect(findChoices(CHOICES, 'submarine')).toEqual([])
})

it('takes by the keyboard what is found first', async () => {
  const { hands, page, onChange } = showField()
  await hands.type(page.getByRole('combobox', { name: 'Kind' }), 'mirror{Enter}')
  expect(onChange).toHaveBeenCalledExactlyOnceWith('cam')
})

it('keeps what was typed and is not in the list, and says so; nothing is chosen by leaving the field', async () => {
  const { hands, page, onChange } = showField()
  const field = page.getByRole<HTMLInputElement>('combobox', { name: 'Kind' })
  await hands.type(field, 'submarine')
  await hands.tab()
  expect(onChange).not.toHaveBeenCalled()
  expect(field.value).toBe('submarine')
  expect(page.getByText(/“submarine” is not in it/)).toBeTruthy()
  expect(field.getAttribute('aria-invalid')).toBe('true')
})

it('takes a name that was typed whole when the field is left', async () => {
  const { hands, page, onChange } = showField()
  await hands.type(page.getByRole('combobox', { name: 'Kind' }), 'camera BODY')
  await hands.tab()
  expect(onChange).toHaveBeenCalledWith('cam')
})

it('begins another search with the first letter, also where something is chosen', async () => {
  const { hands, page, onChange } = showField({ value: 'cam' })
  const field = page.getByRole<HTMLInputElement>('combobox', { name: 'Kind' })
  await hands.click(field)
  await hands.keyboard('stand{Enter}')
  expect(onChange).toHaveBeenCalledExactlyOnceWith('stand')
})

it('makes what is missing, and takes it', async () => {
  const onMake = vi.fn(async () => 'new-id')
  const { hands, page, onChange } = showField({ onMake, makes: 'mount' })
  await hands.type(page.getByRole('combobox', { name: 'Kind' }), 'Larch')
  await hands.click(await page.findByRole('option', { name: 'Add “Larch” as a new mount' }))
  expect(onMake).toHaveBeenCalledExactlyOnceWith('Larch')
  await vi.waitFor(() => expect(onChange).toHaveBeenCalledExactlyOnceWith('new-id'))
})

it('empties with the text, and puts back what was there with Escape', async () => {
  const { hands, page, onChange } = showField({ value: 'cam' })
  const field = page.getByRole<HTMLInputElement>('combobox', { name: 'Kind' })
  await hands.type(field, 'x{Escape}')
  expect(field.value).toBe('Camera body')
  await hands.clear(field)
  await hands.tab()
  expect(onChange).toHaveBeenCalledExactlyOnceWith('')
})
