import { expect, test } from 'vitest'
import { rankShopping } from './shopping.ts'

const line = (item: string, group: 'sound' | 'light' | 'camera' | null) => ({ item, group })
const LIST = [line('Tape', null), line('Lens', 'camera'), line('Lamp', 'light'), line('Microphone', 'sound')]

test.each([
  ['sound', ['Microphone', 'Lamp', 'Lens', 'Tape']],
  ['light', ['Lamp', 'Microphone', 'Lens', 'Tape']],
  ['body', ['Lens', 'Lamp', 'Microphone', 'Tape']],
])('%s first', (way, items) => expect(rankShopping(LIST, way).map((it) => it.item)).toEqual(items))

test('a school that is not known leaves the order of names, and the list itself is left alone', () => {
  expect(rankShopping(LIST, 'none').map((it) => it.item)).toEqual(['Lamp', 'Lens', 'Microphone', 'Tape'])
  expect(LIST[0]?.item).toBe('Tape')
})
