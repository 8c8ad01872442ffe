import type { BrowserContext } from '@playwright/test'
import QRCode from 'qrcode'
import { expect, settle, test } from './exemplar.ts'
import { findChoice } from './hands.ts'

// What somebody who starts from nothing sees, in the browser.
const HEADERS = { 'x-exemplar-client': 'journey' }

/** A room, and a setup in it with the roles of one who talks to camera. */
async function beginSolo(context: BrowserContext, url: string): Promise<string> {
  const data = {
    purposes: ['talking-head'],
    country: 'GB',
    room: { name: 'Back room', size: null },
    things: [{ starter: 'Smartphone', count: 1 }],
  }
  const reply = await context.request.post(`${url}/api/first-hour`, { data: { ...data, things: [] }, headers: HEADERS })
  if (!reply.ok()) throw new Error(await reply.text())
  return (await reply.json()).setupIds[0]
}

test('[B28.1] a version for a guest has one more microphone, one more chair and a wider frame', async ({
  page,
  context,
  exemplar,
}) => {
  const id = await beginSolo(context, exemplar)
  await page.goto(`/setups/${id}`)
  await settle(page)
  await expect(page.getByText('Guest’s microphone')).toHaveCount(0)
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Version for a guest' }).click()
  await page.getByRole('dialog').getByRole('button', { name: 'Make it' }).click()
  await expect(page.getByRole('heading', { level: 1 })).toContainText('with a guest')
  for (const role of ['Guest’s microphone', 'Guest’s chair']) {
    await expect(page.getByRole('button', { name: new RegExp(`^${role}`) })).toBeVisible()
  }
  await expect(page.getByText(/wide enough for two/).first()).toBeVisible()
  // And each of them is told against what it was made from.
  const differences = page.getByRole('region', { name: 'Variant' })
  await expect(differences).toContainText('Guest’s microphone')
  await expect(differences).toContainText('Guest’s chair')
})

test('[B22.1] [B22.2] a brand’s colour is kept, rooms have theirs, and the nearest room comes first', async ({
  page,
}) => {
  await page.goto('/studio/settings')
  await page.getByLabel('Brand colours, as #rrggbb').fill('#4a7546')
  await page.getByRole('button', { name: 'Save the settings' }).click()
  await expect(page.getByText('Saved. Every verdict follows these settings now.', { exact: true })).toBeVisible()
  await page.goto('/studio/places')
  for (const [name, colour] of [
    ['Attic', '#b03030'],
    ['Cellar', '#4f7a4b'],
    ['Annexe', ''],
  ]) {
    await page.getByRole('button', { name: 'Add a place' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel('Name', { exact: true }).fill(name ?? '')
    if (colour) {
      await dialog.getByText('Doors, windows, sockets, bars, fixtures, access').click()
      await dialog.getByLabel('Its colours, as #rrggbb').fill(colour)
    }
    await dialog.getByRole('button', { name: 'Save' }).click()
    await expect(dialog).toHaveCount(0)
  }
  await page.getByRole('button', { name: 'Rooms by nearness to #4a7546' }).click()
  const rooms = page.getByRole('main').getByRole('listitem')
  await expect(rooms.nth(0)).toContainText('Cellar')
  await expect(rooms.nth(1)).toContainText('Attic')
  await expect(rooms.nth(2)).toContainText('no colour recorded')
})

test('[B20.2] a still with a thing and one without it stand side by side', async ({ page, context, exemplar }) => {
  const { request } = context
  const post = async (path: string, data: object) =>
    (await request.post(`${exemplar}/api${path}`, { data, headers: HEADERS })).json()
  const lamp = await post('/units', { category: 'light', maker: '', name: 'Tray', facts: {} })
  const role = {
    id: 'r1',
    group: 'light',
    name: 'Fill',
    wants: 'light',
    importance: 'wanted',
    detail: '',
    intentionallyEmpty: false,
    things: [{ unitId: lamp.id, stockId: null, quantity: 1, powerModeId: null, recordingModeId: null }],
  }
  const setup = await post('/setups', {
    code: 'ST',
    name: 'Still life',
    tape: 'fern',
    purpose: '',
    placeId: null,
    circuitId: null,
    plannedMinutes: 30,
    note: '',
    roles: [role],
  })
  await page.goto(`/setups/${setup.id}`)
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: /^Without/ }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByRole('combobox').first().selectOption({ index: 1 })
  await expect(dialog.getByText('no still yet')).toHaveCount(2)
  for (const side of ['with', 'without']) {
    const still = { name: `${side}.png`, mimeType: 'image/png', buffer: await QRCode.toBuffer(side, { width: 200 }) }
    await dialog.getByLabel(`Still ${lamp.tag} ${side}`, { exact: true }).setInputFiles(still)
    await expect(dialog.getByRole('img', { name: `${lamp.tag} ${side}`, exact: true })).toBeVisible()
  }
})

test('[A17.1] [A17.2] [A17.3] the wrong kind of fact: asked where it can hardly be, a prime with two lengths asked, the unit chosen, millilitres refused', async ({
  page,
}) => {
  const begin = async (kind: string, name: string) => {
    await page.goto('/kit?add=thing')
    await findChoice(page.getByLabel('Kind'), kind)
    await page.getByLabel('Name or model').fill(name)
  }
  const add = page.getByRole('button', { name: /add it$/i })
  const kept = (name: string) => page.getByRole('cell', { name })

  // Four, of gigabytes or of terabytes? Four gigabytes no drive has: it is asked, and the unit chosen.
  await begin('Drive', 'Store')
  await page.getByLabel('Capacity').fill('4')
  await page.getByRole('group', { name: 'Unit of: Capacity' }).getByRole('button', { name: 'GB', exact: true }).click()
  await add.click()
  await expect(page.getByText(/Capacity 4 GB: such things have .* Is the unit right\?/)).toBeVisible()
  await page.getByLabel('Capacity').fill('4')
  await page.getByRole('group', { name: 'Unit of: Capacity' }).getByRole('button', { name: 'TB', exact: true }).click()
  await expect(page.getByLabel('Capacity')).toHaveValue('4 TB')
  await add.click()
  await expect(kept('Store')).toBeVisible()

  await begin('Lens', 'Glass')
  await page.getByText('More, where you know it').click()
  await page.getByLabel('Shortest focal length, mm').fill('35 ml')
  await add.click()
  await expect(page.getByLabel('Shortest focal length, mm')).toHaveAttribute('aria-invalid', 'true')
  await page.getByLabel('Kind of lens').selectOption('prime')
  await page.getByLabel('Shortest focal length, mm').fill('24')
  await page.getByLabel('Longest focal length, mm').fill('70')
  await add.click()
  await expect(page.getByText('A prime has one focal length; 24 mm and 70 mm are two. Is it a zoom?')).toBeVisible()
  await expect(kept('Glass')).toHaveCount(0)
  await page.getByLabel('Kind of lens').selectOption('zoom')
  await add.click()
  await expect(kept('Glass')).toBeVisible()
})

test('[N15.1] of a chair of ten years’ warranty its page says how much is left', async ({ page }) => {
  const body = { category: 'seat', maker: '', name: 'Chair', facts: {} }
  const made = await page.request.post('/api/units', { data: body, headers: { 'x-exemplar-client': 'journey' } })
  const { id } = await made.json()
  await page.goto(`/kit/${id}`)
  const papers = page.getByRole('main').getByText(/warranty until/)
  await expect(papers).toHaveCount(0)
  await page.getByRole('button', { name: 'Acquisition' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Warranty until').fill('2033-10-24')
  await dialog.getByLabel('Its terms').fill('frame and gas spring')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(papers).toContainText('warranty until 24 Oct 2033 (frame and gas spring), 6 years 11 months left')
})
