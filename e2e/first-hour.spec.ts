import type { Page } from '@playwright/test'
import { expect, listAxeViolations, settle, test } from './exemplar.ts'
import { type Hands, makeKeys, makePointer } from './hands.ts'

/** What somebody has who films at a desk: how many of each, 25 in all. */
const THINGS: readonly (readonly [group: string, name: string, count: number])[] = [
  ['Camera', 'Smartphone', 1],
  ['Light', 'LED panel on mains', 2],
  ['Light', 'Table lamp', 1],
  ['Sound', 'Headphones, closed', 1],
  ['Support', 'Tripod with head', 2],
  ['Support', 'Light stand, 2.6 m', 3],
  ['Support', 'Overhead arm with its base', 1],
  ['Support', 'Clamp for a phone', 2],
  ['Support', 'Sandbag, 7 kg', 2],
  ['Power', 'Mains lead, C7', 4],
  ['Set', 'Plain table', 1],
  ['Set', 'Chair', 2],
  ['Set', 'Rug', 1],
  ['Set', 'Grey card', 1],
  ['Set', 'Gaffer tape, 50 mm', 1],
]

/** Written down before it was looked at: no microphone stops the one, the other lacks nothing, and of a phone one thing is asked. */
const VERDICTS = [
  [/Top-down/, /^Cannot tell yet: 1 question\./],
  [/Talking head/, /^Cannot run: 1 stop\. 1 question\./],
] as const

async function begin(page: Page, hands: Hands): Promise<void> {
  const { push, tick, find } = hands
  await page.goto('/today')
  await push(page.getByRole('link', { name: 'Begin with three questions' }))
  await push(page.getByRole('button', { name: 'Next: your room' }))
  await expect(page.getByText('Choose at least one.')).toBeVisible()
  await tick(page.getByLabel('One person talks to camera'))
  await tick(page.getByLabel('Something on a table, from above'))
  await push(page.getByRole('button', { name: 'Next: your room' }))
  await find(page.getByLabel('Country'), 'Germany')
  await expect(page.getByText(/Continental.*230 V, EUR/)).toBeVisible()
  await push(page.getByRole('button', { name: 'Next: your things' }))
  let shown = 'Camera'
  for (const [group, name, count] of THINGS) {
    if (group !== shown) await push(page.getByRole('button', { name: new RegExp(`^${group}`) }))
    shown = group
    for (let piece = 0; piece < count; piece++) await push(page.getByRole('button', { name: `One ${name} more` }))
  }
  await push(page.getByRole('button', { name: 'See what can run' }))
  await expect(page.getByRole('heading', { name: 'Setups', level: 1 })).toBeVisible({ timeout: 30_000 })
}

for (const [where, size, makeHands] of [
  ['on a desk', { width: 1280, height: 800 }, makePointer],
  ['on a phone', { width: 390, height: 844 }, makePointer],
  ['on a desk, by keyboard alone', { width: 1280, height: 800 }, makeKeys],
] as const) {
  test(`three questions make things, a room and two judged setups, ${where}`, async ({ page }) => {
    test.setTimeout(180_000)
    await page.setViewportSize(size)
    const hands = makeHands(page)
    await begin(page, hands)
    expect(hands.actions()).toBeLessThanOrEqual(60)
    await settle(page)
    expect(await listAxeViolations(page)).toEqual([])
    // Nothing that a form could have asked is open but what decides.
    const margin = page.getByRole('complementary', { name: 'Readiness' })
    for (const [name, sentence] of VERDICTS) {
      await page.goto('/setups')
      await page.getByRole('link', { name }).first().click()
      await expect(margin.getByRole('heading', { name: sentence })).toBeVisible()
    }
    const { rows } = await (await page.request.get('/api/units?find=Mains')).json()
    await page.goto(`/kit/${rows[0].id}`)
    await expect(page.getByText('C7 connector, for a C8 inlet')).toBeVisible()
    await expect(page.getByText(/^continental 16 A plug, for a socket, also Swiss/)).toBeVisible()
  })
}

test('a camera takes five actions, with the mount and the pack family made on the way', async ({ page }) => {
  const { type, find, push, actions } = makePointer()
  await page.goto('/kit?add=thing')
  const dialog = page.getByRole('dialog')
  await type(dialog.getByLabel('Name or model'), 'Wend K5')
  await find(dialog.getByLabel('Lens mount'), 'Alder')
  await find(dialog.getByLabel('Battery it takes'), 'Fenn')
  await find(dialog.getByLabel('Card', { exact: true }), 'SD card')
  await expect(dialog.getByLabel('Battery it takes')).toHaveValue('Fenn')
  await push(dialog.getByRole('button', { name: 'Add it' }))
  await expect(dialog).toBeHidden()
  expect(actions()).toBe(5)
  const { rows } = await (await page.request.get('/api/units')).json()
  const { model } = await (await page.request.get(`/api/units/${rows[0].id}`)).json()
  const ends = model.ports.map((it: { id: string; interfaces: string[] }) => `${it.id}: ${it.interfaces}`)
  expect(ends).toEqual(expect.arrayContaining(['mount: mount-alder', 'bay: battery-fenn', 'slot: sd']))
})
