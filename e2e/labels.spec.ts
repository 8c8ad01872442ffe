import {
  BarcodeFormat,
  BinaryBitmap,
  DecodeHintType,
  HybridBinarizer,
  MultiFormatReader,
  RGBLuminanceSource,
} from '@zxing/library'
import { PNG } from 'pngjs'
import { expect, settle, test } from './exemplar.ts'

// 192 dots to the inch: coarser than what prints labels (common practice: 203 or 300).
test.use({ demo: true, deviceScaleFactor: 2 })

/** Reads the codes of a picture with a decoder that has nothing to do with the maker of the codes. */
function decode(png: PNG, format: BarcodeFormat): string | null {
  const grey = new Uint8ClampedArray(png.width * png.height)
  for (let at = 0; at < grey.length; at++) {
    const [r = 0, g = 0, b = 0] = png.data.subarray(at * 4, at * 4 + 3)
    grey[at] = (r + g + b) / 3
  }
  const reader = new MultiFormatReader()
  reader.setHints(
    new Map<DecodeHintType, unknown>([
      [DecodeHintType.POSSIBLE_FORMATS, [format]],
      [DecodeHintType.TRY_HARDER, true],
    ]),
  )
  try {
    return reader
      .decode(new BinaryBitmap(new HybridBinarizer(new RGBLuminanceSource(grey, png.width, png.height))))
      .getText()
  } catch {
    return null
  }
}

for (const [name, code, sheet, format] of [
  [
    'square ones on the commonest sheet',
    'Square, for phones',
    'A4, 24 labels of 63.5 × 33.9 mm',
    BarcodeFormat.QR_CODE,
  ],
  [
    'square ones on the smallest labels',
    'Square, for phones',
    'A4, 65 labels of 38.1 × 21.2 mm',
    BarcodeFormat.QR_CODE,
  ],
  ['square ones on a roll', 'Square, for phones', 'Label printer, 62 × 29 mm each', BarcodeFormat.QR_CODE],
  ['bars', 'Bars, for scanners', 'Letter, 30 labels of 66.7 × 25.4 mm', BarcodeFormat.CODE_128],
] as const) {
  test(`labels: every code on a sheet is read by an independent decoder: ${name}`, async ({ page }) => {
    await page.goto('/kit/labels?find=LGT')
    await settle(page)
    await page.getByLabel('Sheet', { exact: true }).selectOption({ label: sheet })
    await page.getByLabel('Code', { exact: true }).selectOption({ label: code })
    await page.getByLabel('Labels used already').fill('2')
    const labels = page.locator('svg[aria-label^="Sheet "] g[data-tag]')
    const tags = await labels.evaluateAll((all) => all.map((it) => it.getAttribute('data-tag')))
    expect(tags.length).toBeGreaterThanOrEqual(8)
    for (const [at, tag] of tags.entries()) {
      const picture = PNG.sync.read(await labels.nth(at).screenshot())
      expect([tag, decode(picture, format)]).toEqual([tag, tag])
    }
  })
}

test.describe('an empty Exemplar', () => {
  test.use({ demo: false })

  test('[A03.3] a thing that was added a minute ago has its label, and its code says its tag', async ({ page }) => {
    await page.goto('/kit?add=thing')
    await page.getByLabel('Kind').fill('LED panel on')
    await page.getByRole('option').first().click()
    await page.getByRole('button', { name: 'Add it' }).click()
    await page.goto('/kit/labels')
    await settle(page)
    const label = page.locator('svg[aria-label^="Sheet "] g[data-tag]')
    const tag = await label.getAttribute('data-tag')
    expect(tag).toMatch(/^[A-Z]+-01$/)
    await expect(label).toContainText(tag ?? '')
    expect(decode(PNG.sync.read(await label.screenshot()), BarcodeFormat.QR_CODE)).toBe(tag)
  })
})

test('labels: the sheet prints at its true size, alone on the paper, and is kept as SVG', async ({ page }) => {
  await page.goto('/kit/labels?find=CAM')
  await settle(page)
  await page.emulateMedia({ media: 'print' })
  await expect(page.getByRole('navigation', { name: 'Rooms' })).toBeHidden()
  await expect(page.getByRole('heading', { name: 'Labels' })).toBeHidden()
  const sheet = page.getByRole('img', { name: 'Sheet 1 of labels' })
  const box = await sheet.boundingBox()
  // A CSS millimetre is 96/25.4 px: 210 mm are 793.7 px.
  expect(Math.round((box?.width ?? 0) * 10)).toBe(7937)
  expect([box?.x, box?.y]).toEqual([0, 0])
  await page.emulateMedia({ media: 'screen' })
  const download = page.waitForEvent('download')
  await page.getByRole('button', { name: 'Keep as SVG' }).click()
  const text = await (await (await download).createReadStream()).setEncoding('utf8').toArray()
  expect(text.join('')).toContain('viewBox="0 0 210 297"')
  expect(text.join('')).not.toContain('var(--')
})

test('a scanner that types opens a thing on any page, ticks it in the sheet that is open, and is silent in a field', async ({
  page,
}) => {
  // A scanner's own pace: keys sent one by one from outside, or stamped when a busy machine comes to them, can come as
  // slowly as a hand's.
  const scan = (tag: string) =>
    page.evaluate(`[...${JSON.stringify(tag)}, 'Enter'].forEach((key, index) => {
      const target = document.activeElement ?? document.body
      const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true })
      Object.defineProperty(event, 'timeStamp', { value: 1000 + index * 4 })
      target.dispatchEvent(event)
    })`)
  await page.goto('/diary/b-graft/take-out')
  await settle(page)
  await page.getByRole('heading', { name: 'Take out' }).click()
  await scan('CAM-06')
  await expect(page.getByRole('button', { name: 'Leave CAM-06' })).toBeVisible()
  // A digit alone goes to a room, but only after a pause: the 6 of the tag must not.
  await page.waitForTimeout(200)
  await expect(page).toHaveURL(/take-out$/)
  await page.goto('/scan')
  await page.getByLabel('Or type the tag').fill('lgt-06')
  await page.getByRole('button', { name: 'let the practice scanner read LGT-06' }).click()
  await expect(page.getByRole('heading', { level: 1, name: /LGT-06/ })).toBeVisible()
  await page.goto('/today')
  await settle(page)
  await scan('ZZZ-99')
  await expect(page.getByText('No thing has the tag ZZZ-99.').first()).toBeVisible()
  await page.goto('/kit/labels')
  await page.getByLabel('Which things').fill('CAM')
  await scan('CAM-06')
  await settle(page)
  await expect(page.getByLabel('Which things')).toHaveValue('CAM')
  await expect(page).toHaveURL(/labels$/)
})
