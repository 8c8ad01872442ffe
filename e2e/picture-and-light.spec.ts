import { expect, settle, test } from './exemplar.ts'

test.use({ demo: true })

for (const [name, width, height] of [
  ['a desk', 1280, 800],
  ['a phone', 390, 844],
] as const) {
  test(`a grey background is found and mended on ${name}`, async ({ page }) => {
    await page.setViewportSize({ width, height })
    await page.goto('/setups/gi?view=look')
    await settle(page)
    const scene = page.getByRole('region', { name: 'The scene' })
    await expect(scene).toContainText('90 lx, measured: 1.5 stops less than on the face')
    // White goes grey there: it is told, with how much is lacking.
    await page.getByRole('button', { name: 'Describe the scene' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel('The background is to be').selectOption({ label: 'White that stays white' })
    await dialog.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('The white behind would turn grey')).toBeVisible()
    // What cannot be read is held back, and nothing is lost.
    await page.getByRole('button', { name: 'Set Key' }).click()
    await dialog.getByLabel('Level').fill('bright')
    await dialog.getByRole('button', { name: 'Save' }).click()
    await expect(dialog.getByText('Write it as 50 %.')).toBeVisible()
    await dialog.getByLabel('Level').fill('25')
    await dialog.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByRole('region', { name: 'Key', exact: true })).toContainText('2 stops, at 25 %')
    // Lit by itself, and measured again.
    await page.getByRole('button', { name: 'Describe the scene' }).click()
    await dialog.getByLabel('Measured behind, lx').fill('260')
    await dialog.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('The white behind would turn grey')).toBeHidden()
    await expect(scene).toContainText('as much as on the face')
    await expect(page.getByRole('group', { name: /^Plan from above/ })).toBeVisible()
    expect(await page.evaluate('document.documentElement.scrollWidth <= window.innerWidth')).toBe(true)
  })
}

test('a lamp is moved in the plan, by hand and by arrow keys; its light follows, and it can be undone', async ({
  page,
}) => {
  await page.setViewportSize({ width: 1280, height: 900 })
  await page.goto('/setups/gi?view=look')
  await settle(page)
  const key = page.getByRole('region', { name: 'Key', exact: true })
  await expect(key).toContainText('256 lx at 1.5 m')
  const lamp = page.getByRole('button', { name: /^LGT-01,/ })
  await lamp.scrollIntoViewIfNeeded()
  const box = await lamp.locator('circle').first().boundingBox()
  if (!box) throw new Error('LGT-01 is not drawn')
  const middle = { x: box.x + box.width / 2, y: box.y + box.height / 2 }
  // Its light reaches from a metre further away with a quarter of the strength, or near that.
  await page.mouse.move(middle.x, middle.y)
  await page.mouse.down()
  for (let step = 1; step <= 10; step += 1) await page.mouse.move(middle.x - step * 6, middle.y - step * 3)
  await page.mouse.up()
  await expect(page.getByText(/^Key is at /).first()).toBeVisible()
  await expect(key).not.toContainText('256 lx at 1.5 m')
  await expect(lamp).not.toHaveAccessibleName(/1\.5 m away/)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(key).toContainText('256 lx at 1.5 m')
  // Ten taps are one change.
  await lamp.focus()
  for (let tap = 0; tap < 4; tap += 1) await page.keyboard.press('ArrowUp')
  await expect(key).not.toContainText('256 lx at 1.5 m')
  await expect(lamp).toHaveAccessibleName(/^LGT-01, 1\.6 m away, 46° left/)
  // The light over the floor is summed, told as figures, and put away again.
  await page.getByLabel('Light over the floor').check()
  await expect(page.getByRole('row', { name: /^Where they are \d+ lx/ })).toBeVisible()
  await expect(page.locator('svg image')).toHaveCount(1)
  await page.getByLabel('Light over the floor').uncheck()
  await expect(page.locator('svg image')).toHaveCount(0)
})

test('they turn in the room: the plan turns, and what is in a wall is told', async ({ page }) => {
  await page.goto('/setups/gi?view=look')
  await settle(page)
  await page.getByRole('button', { name: 'Describe the scene' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('They face').selectOption({ label: 'The right wall' })
  await dialog.getByRole('button', { name: 'Save' }).click()
  // The camera would be 2.1 m before them, and the wall is 1.9 m away.
  await expect(
    page.getByText('No room behind CAM-02').or(page.getByText('CAM-01 does not go there')).first(),
  ).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('CAM-01 does not go there')).toBeHidden()
})
