import type { APIRequestContext, Page } from '@playwright/test'
import { expect, settle, test } from './exemplar.ts'

const HEADERS = { 'x-exemplar-client': 'journey' }

async function send(request: APIRequestContext, path: string, data: object) {
  const reply = await request.post(`/api${path}`, { data, headers: HEADERS })
  if (!reply.ok()) throw new Error(`${path}: ${await reply.text()}`)
  return reply.json()
}

const NOTHING = { stockId: null, quantity: 1, powerModeId: null, recordingModeId: null }

/** Things entered the quick way, and a setup of them. */
async function build(
  page: Page,
  roles: readonly { name: string; group?: string; things: object[]; rest?: object }[],
  rest: object = {},
) {
  const made = []
  for (const [at, { name, group = 'light', things, rest: more = {} }] of roles.entries()) {
    const units = []
    for (const it of things) units.push(await send(page.request, '/units', { maker: '', facts: {}, ...it }))
    made.push({
      id: `r${at}`,
      group,
      name,
      importance: 'wanted',
      wants: null,
      detail: '',
      intentionallyEmpty: false,
      things: units.map((it) => ({ ...NOTHING, unitId: it.id })),
      ...more,
    })
  }
  const setup = {
    code: 'MD',
    name: 'Mended',
    tape: 'fern',
    purpose: '',
    placeId: null,
    circuitId: null,
    plannedMinutes: 30,
  }
  const { id } = await send(page.request, '/setups', { ...setup, note: '', ...rest, roles: made })
  await page.goto(`/setups/${id}?view=look`)
  await settle(page)
  return id as string
}

const place = (position: object) => ({
  distanceMm: null,
  sideDegrees: null,
  heightMm: null,
  focalMm: null,
  ...position,
})
const card = (settings: Record<string, string>) => Object.entries(settings).map(([name, value]) => ({ name, value }))
const addRoom = (page: Page, name: string, depthMm: number) =>
  send(page.request, '/places', {
    name,
    kind: 'room',
    parentId: null,
    circuits: [],
    note: '',
    details: { size: { widthMm: 3_000, depthMm, heightMm: 2_600 } },
  })

/** A camera of 36 × 24 mm with a zoom, on a mount of its own. */
async function makeRig(page: Page, distanceMm: number, focalMm: number) {
  const ends = { hostName: 'body', guestName: 'part', standard: null, viaCableOnly: false }
  const { code: mount } = await send(page.request, '/interfaces', { label: 'Larch', kind: 'mount', ...ends })
  return {
    name: 'A camera',
    group: 'camera',
    things: [
      {
        category: 'camera',
        name: 'Body',
        facts: { mount, cardForm: 'sd' },
        specs: { sensorWidthMm: 36, sensorHeightMm: 24 },
      },
      { category: 'lens', name: 'Zoom', facts: { mount }, specs: { lensKind: 'zoom', focalMinMm: 24, focalMaxMm: 70 } },
    ],
    rest: { position: place({ distanceMm, focalMm }) },
  }
}

const margin = (page: Page) => page.getByRole('complementary')

test('a roll that ends in the picture is mended by the lens, from where the camera stands', async ({ page }) => {
  await build(
    page,
    [
      await makeRig(page, 2_100, 35),
      {
        name: 'Backdrop',
        group: 'set',
        things: [{ category: 'backdrop', name: 'Roll', facts: { widthMinMm: 2_720 } }],
      },
    ],
    { stage: { backdropMm: 1_800 } },
  )
  await expect(margin(page)).toContainText('ends in the picture')
  // 36 mm · 3.9 m / 2.72 m are 51.6 mm, and a tenth more to aim: 57.
  await page.getByRole('button', { name: 'Set A camera' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Focal length, mm').fill('57')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('region', { name: 'A camera' })).toContainText('is 2.72 m wide, which fills it.')
  await expect(margin(page)).not.toContainText('ends in the picture')
})

test('lamps of two colours are matched, or said to be meant', async ({ page }) => {
  const lamp = (name: string, kelvinMin: number, kelvinMax: number) => ({
    category: 'cob',
    name,
    specs: { luxAtOneMetre: 900, dims: 'yes', kelvinMin, kelvinMax },
  })
  const role = (name: string, thing: object, job: string, kelvin: string) => ({
    name,
    things: [thing],
    rest: { position: place({ distanceMm: 1_000 }), settings: card({ Level: '50 %', Colour: kelvin }), light: { job } },
  })
  await build(page, [
    role('Key', lamp('Bicolour', 2_700, 6_500), 'key', '5600 K'),
    role('Fill', lamp('Warm', 3_200, 3_200), 'fill', '3200 K'),
  ])
  await expect(margin(page)).toContainText('another colour than the rest')
  const dialog = page.getByRole('dialog')
  await page.getByRole('button', { name: 'Set Fill' }).click()
  await dialog.getByLabel('Its other colour is meant').check()
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(margin(page)).not.toContainText('another colour than the rest')
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(margin(page)).toContainText('another colour than the rest')
  await page.getByRole('button', { name: 'Set Key' }).click()
  await dialog.getByLabel('Colour', { exact: true }).fill('3200 K')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(margin(page)).not.toContainText('another colour than the rest')
})

test('a shallower room is tried before anybody carries anything there', async ({ page }) => {
  const deep = await addRoom(page, 'Hall', 6_000)
  await addRoom(page, 'Cabin', 4_000)
  await build(page, [await makeRig(page, 2_500, 50)], { placeId: deep.id, stage: { backdropMm: 1_500 } })
  await expect(margin(page)).not.toContainText('too shallow')
  await page.getByRole('button', { name: 'Another room' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('Room').selectOption({ label: 'Cabin' })
  await expect(dialog).toContainText('The room is too shallow')
  // Nothing is changed by looking.
  await page.keyboard.press('Escape')
  await expect(margin(page)).not.toContainText('too shallow')
})

test('a lamp in spectacles is told, and further to the side it is not', async ({ page }) => {
  const disc = { category: 'cob', name: 'Disc', specs: { luxAtOneMetre: 900, dims: 'yes', diameterMm: 450 } }
  const key = {
    name: 'Key',
    things: [disc],
    rest: { position: place({ distanceMm: 1_500, sideDegrees: 5, heightMm: 1_200 }), light: { job: 'key' } },
  }
  await build(page, [await makeRig(page, 2_000, 50), key], { demands: ['spectacles'], stage: { posture: 'seated' } })
  await expect(margin(page)).toContainText('spectacles')
  await page.getByRole('button', { name: 'Set Key' }).click()
  const dialog = page.getByRole('dialog')
  await dialog.getByLabel('To the side, °').fill('70')
  await dialog.getByRole('button', { name: 'Save' }).click()
  await expect(page.getByRole('region', { name: 'Key', exact: true })).toContainText('Likely clear')
  await expect(margin(page)).not.toContainText('in spectacles')
})
