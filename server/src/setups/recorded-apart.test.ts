import { describe, expect, test } from 'vitest'
import { type Thing, useQuickEntry } from './quick-entry.fixture.ts'

/** Whether somebody has to bring picture and sound together afterwards, from an empty instance by quick entry. */
const { call, add, build } = useQuickEntry()

const isApart = async (things: Thing[], code: string) => {
  const id = await build([{ name: 'All', things }], { code })
  return (await call('GET', `/setups/${id}/readiness`)).signals.isDoubleSystem as boolean
}

const CARD = { capacityMegabytes: 128_000 }

describe('[V8] [V12] picture and sound recorded apart', () => {
  test('a web camera and a USB microphone in one computer are in one file: nobody claps for them', async () => {
    const things = [
      await add('webcam', 'Web'),
      await add('usb-mic', 'Voice', { massGrams: 500 }),
      await add('desk-arm', 'Arm', { loadGrams: 2_000 }),
      await add('cable', 'USB', { endA: 'usb-c', endB: 'usb-c' }),
      await add('computer', 'Laptop'),
    ]
    expect(await isApart(things, 'QA')).toBe(false)
  })

  test('a camera with its own card and a recorder beside it are; with the recorder passed on into it they are not', async () => {
    const camera = await add('camera', 'Larch one', { cardForm: 'sd', kilobitsPerSecond: 50_000, massGrams: 700 })
    const recorder = await add('recorder', 'Box', { cardForm: 'sd', kilobitsPerSecond: 2_304 })
    const things = [
      camera,
      await add('card', 'Card', CARD),
      await add('dynamic-mic', 'Voice', { massGrams: 400 }),
      await add('mic-stand', 'Stand', { loadGrams: 2_000 }),
      await add('cable', 'XLR', { endA: 'xlr-3', endB: 'xlr-3' }),
      recorder,
      await add('card', 'Other card', CARD),
    ]
    expect(await isApart(things, 'QA')).toBe(true)
    const jack = await add('cable', 'Jack', { endA: 'trs-35', endB: 'trs-35' })
    expect(await isApart([...things, jack], 'QB')).toBe(false)
  })

  test('a web camera that only a computer keeps, and a recorder for the sound, are apart', async () => {
    const things = [
      await add('webcam', 'Web'),
      await add('computer', 'Laptop'),
      await add('dynamic-mic', 'Voice', { massGrams: 400 }),
      await add('mic-stand', 'Stand', { loadGrams: 2_000 }),
      await add('cable', 'XLR', { endA: 'xlr-3', endB: 'xlr-3' }),
      await add('recorder', 'Box', { cardForm: 'sd', kilobitsPerSecond: 2_304 }),
      await add('card', 'Card', CARD),
    ]
    expect(await isApart(things, 'QA')).toBe(true)
  })
})
