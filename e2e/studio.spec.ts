import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { type Browser, type BrowserContext, test as bare, type Page } from '@playwright/test'
import QRCode from 'qrcode'
import { endChild, startChild } from '../server/src/foundation/child.fixture.ts'
import { enter, expect, NOW, settle, test } from './exemplar.ts'
import { findChoice } from './hands.ts'

const PHONE = { width: 390, height: 844 }

test.describe('an empty Exemplar', () => {
  test.use({ role: null })

  test('the owner begins, invites somebody, who comes in on a phone, sees no money and takes nothing that is not theirs', async ({
    page,
    browser,
    baseURL,
  }) => {
    await page.goto('/kit')
    await expect(page.getByRole('heading', { name: 'Whose studio is this?' })).toBeVisible()
    await page.getByLabel('Your name').fill('Mira Dunn')
    await page.getByLabel('Sign-in name').fill('mira')
    await page.getByLabel('Password').fill('short')
    await page.getByRole('button', { name: 'Begin' }).click()
    await expect(
      page.getByText('A password has at least 10 characters. Four plain words do well.').first(),
    ).toBeVisible()
    await page.getByLabel('Password').fill('ferns behind the glass')
    await page.getByText('With the demo').click()
    await page.getByRole('button', { name: 'Begin' }).click()
    // Where one wanted to go, one is.
    await expect(page.getByRole('heading', { name: 'Kit' })).toBeVisible()

    await page.goto('/studio/access')
    await page.getByRole('button', { name: 'Invite somebody' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel('Who').selectOption({ label: 'Bram Okeld' })
    await expect(dialog.getByLabel('Sign-in name')).toHaveValue('bram')
    await dialog.getByRole('button', { name: 'Make the link' }).click()
    const link = await dialog.getByLabel('Link').inputValue()
    expect(link).toMatch(/\/join\/[\w-]{43}$/)

    const phone = await browser.newContext({ viewport: PHONE, baseURL })
    const bram = await phone.newPage()
    await bram.goto(link)
    await expect(bram.getByRole('heading', { name: 'Welcome, Bram Okeld' })).toBeVisible()
    await bram.getByLabel('Password').fill('moss on the north wall')
    await bram.getByRole('button', { name: 'Come in' }).click()
    await expect(bram.getByRole('heading', { name: 'Tuesday 24 November' })).toBeVisible()
    await expect(bram.getByRole('link', { name: 'Ledger' })).toHaveCount(0)
    await bram.goto('/kit/CAM-06')
    await expect(bram.getByText('Acquisition')).toBeVisible()
    await expect(bram.locator('main')).not.toContainText('£')
    await expect(bram.getByRole('button', { name: 'Report a fault' })).toBeVisible()
    await expect(bram.getByRole('button', { name: 'Change', exact: true })).toHaveCount(0)
    await bram.goto('/ledger')
    await expect(bram.getByRole('alert')).toContainText('Your access does not allow this')

    // Signed out here, one is at the door, and the old page shows nothing any more.
    await bram.getByRole('button', { name: /your menu/ }).click()
    await bram.getByRole('menuitem', { name: 'Sign out' }).click()
    await expect(bram.getByRole('heading', { name: 'Sign in' })).toBeVisible()
    await bram.getByLabel('Sign-in name').fill('bram')
    await bram.getByLabel('Password').fill('something else entirely')
    await bram.getByRole('button', { name: 'Sign in' }).click()
    await expect(bram.getByRole('alert')).toContainText('Name and password do not belong together.')
    await bram.getByLabel('Password').fill('moss on the north wall')
    await bram.getByRole('button', { name: 'Sign in' }).click()
    await expect(bram.getByRole('navigation', { name: 'Rooms' })).toBeVisible()

    // The link worked once.
    await bram.goto(link)
    await expect(bram.getByRole('heading', { name: 'This link does not open' })).toBeVisible()
    await phone.close()
  })
})

test.describe('the demo', () => {
  test.use({ demo: true })

  test('a change is taken back from its note, and from the history, where it can be done again', async ({ page }) => {
    await page.goto('/kit/stock')
    const row = page.getByRole('row', { name: /BAG-01/ })
    const before = await row.getByRole('cell').nth(4).innerText()
    await row.getByRole('button', { name: 'Count' }).click()
    await page.getByLabel('How many are there?').fill('31')
    await page.getByRole('button', { name: 'Save' }).click()
    await expect(row).toContainText('31')
    await page.getByRole('button', { name: 'Undo' }).last().click()
    await expect(row.getByRole('cell').nth(4)).toHaveText(before)

    await page.goto('/studio/history')
    const lines = page.getByRole('listitem')
    await expect(lines.nth(0)).toContainText('Took back: Counted BAG-01')
    await expect(lines.nth(1)).toContainText('taken back')
    await lines
      .nth(0)
      .getByRole('button', { name: /Take back/ })
      .click()
    await expect(lines.nth(0)).toContainText('Did again: Counted BAG-01')
    await page.goto('/kit/stock')
    await expect(row).toContainText('31')
  })

  test('what is said before it is done: restoring cannot be undone; a drill brings back what was lost', async ({
    page,
    context,
    exemplar,
  }) => {
    await page.goto('/studio/safe')
    await page.getByRole('button', { name: 'Take a backup now' }).click()
    await expect(page.getByText('The backup is taken, and was found whole.').first()).toBeVisible()

    // Something is lost: a person is archived by mistake, and nobody notices for a while.
    await page.goto('/studio/people')
    await page.getByRole('button', { name: 'Change Cobb’s lens bench' }).click()
    await page.getByRole('button', { name: 'Archive Cobb’s lens bench' }).click()
    await expect(page.getByRole('dialog')).toBeHidden()
    await expect(page.getByText('Cobb’s lens bench', { exact: true })).toHaveCount(0)

    await page.goto('/studio/safe')
    await page
      .getByRole('button', { name: /^Restore/ })
      .first()
      .click()
    const dialog = page.getByRole('dialog')
    await expect(dialog).toContainText('A backup of it is made first; restoring that one is the way back.')
    await dialog.getByRole('button', { name: 'Look at it first' }).click()
    await expect(dialog).toContainText('Whole: 150 things')
    await dialog.getByRole('button', { name: /^Restore/ }).click()
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
    await enter(context, exemplar, true, 'manager')
    await page.goto('/studio/people')
    await expect(page.getByText('Cobb’s lens bench', { exact: true })).toBeVisible()

    // A drill says what would be said, and touches no backup.
    await page.goto('/studio/safe')
    await settle(page)
    await expect(page.getByRole('button', { name: /^Restore/ }).first()).toBeVisible()
    const kept = await page.getByRole('button', { name: /^Restore/ }).count()
    for (const [fault, said] of [
      ['full', 'The volume for backups is full. Nothing was kept of this one; the older backups are whole.'],
      ['gone in the middle', 'The volume for backups cannot be reached. Plug it in and try again.'],
      ['slow', 'The backup was taken, and was found whole.'],
    ] as const) {
      await page.getByLabel('Pretend that the volume is').selectOption({ label: fault })
      await page.getByRole('button', { name: 'Try it' }).click()
      await expect(page.getByText(said)).toBeVisible()
    }
    await page.reload()
    await settle(page)
    await expect(page.getByRole('button', { name: /^Restore/ })).toHaveCount(kept)
    const fetching = page.waitForEvent('download')
    await page.getByRole('button', { name: 'Export' }).click()
    expect((await fetching).suggestedFilename()).toBe('exemplar-export.zip')
  })

  test('a viewer looks everywhere and is offered nothing to change', async ({ page, browser, exemplar }) => {
    const context = await browser.newContext({ baseURL: exemplar })
    await enter(context, exemplar, true, 'viewer')
    const viewer = await context.newPage()
    for (const path of [
      '/kit',
      '/setups',
      '/setups/gi',
      '/diary',
      '/diary/b-head',
      '/bench',
      '/kit/CAM-01',
      '/kit/stock',
      '/studio/people',
      '/studio/places/studio',
    ]) {
      await viewer.goto(path)
      await settle(viewer)
      const names = await viewer.locator('main').getByRole('button').allInnerTexts()
      const acting = names.filter((it) =>
        /^(Add|Change|Book|Confirm|Cancel|Take|Bring|Mended|Done|Count|Archive|Report|New|Attach|It is back|Move it)/.test(
          it,
        ),
      )
      expect([path, acting]).toEqual([path, []])
    }
    await expect(viewer.getByRole('button', { name: 'Add', exact: true })).toHaveCount(0)
    await context.close()
    await page.close()
  })

  test('a place tells what fits and how long the lead must be; a setup is judged in another room before it is moved', async ({
    page,
  }) => {
    await page.goto('/studio/places')
    await page.getByRole('button', { name: 'Rooms by nearness to #4a7546' }).click()
    await expect(page.getByRole('listitem').first()).toContainText('Studio')
    await page.getByRole('link', { name: 'Orangery hall' }).click()
    await expect(page.getByText(/It can be used until/)).toBeVisible()
    await page.goto('/studio/places/studio')
    await page.getByLabel('Above the floor').fill('1 m')
    await expect(page.getByRole('row', { name: /Ceiling, middle/ })).toContainText('straight1.96 m')
    await page.getByRole('button', { name: 'Change', exact: true }).click()
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel('Width inside').fill('6 feet and a bit')
    await expect(dialog.getByText('Write it as 2.4 m or 90 cm.')).toBeVisible()
    await dialog.getByLabel('Width inside').fill(`21' 4"`)
    await dialog.getByRole('button', { name: 'Save' }).click()
    await expect(page.getByText('6.5 m × 5.4 m')).toBeVisible()

    await page.goto('/setups/pb')
    await page.getByRole('button', { name: 'Another room' }).click()
    await dialog.getByLabel('Room').selectOption({ label: 'Glasshouse corner' })
    await expect(dialog).toContainText('You would miss: Bar over the bench, as in Studio')
    await dialog.getByRole('button', { name: 'Move it there' }).click()
    await expect(page.getByText(/Glasshouse corner/).first()).toBeVisible()
    await page.getByRole('button', { name: 'Undo' }).last().click()
    await expect(page.getByText(/45 min · Studio/)).toBeVisible()
  })

  test('a policy of the setup’s own changes its verdict, and the working names whose word it was', async ({ page }) => {
    await page.goto('/setups/lr')
    const margin = page.getByRole('complementary', { name: 'Readiness' })
    await expect(margin).toContainText('Packs of Fenn B: 2 short')
    await page.getByRole('button', { name: 'Change', exact: true }).click()
    await page.getByText('Policies of its own').click()
    const spare = page.getByLabel('Spare packs of each family')
    await expect(spare).toHaveAttribute('placeholder', 'as usual: 1')
    await spare.fill('0')
    await spare.press('Tab')
    await expect(margin).toContainText('Packs of Fenn B: 1 short')
    await page.getByRole('dialog').getByRole('button', { name: 'Close' }).click()
    await margin
      .getByRole('listitem')
      .filter({ hasText: 'Packs of Fenn B' })
      .getByText('How this was worked out')
      .click()
    await expect(margin).toContainText('Follows this setup’s own policy: spare packs of each family, 0.')

    // Plain words in place of figures, for who goes by feel; the figures are a choice away.
    await page
      .getByRole('button', { name: /your menu/ })
      .first()
      .click()
    await page.getByRole('menuitemradio', { name: 'Plain words' }).click()
    await expect(margin).toContainText('The cards in CAM-03 are full before the end.')
    await expect(margin).not.toContainText('76 of 95 min')
    await margin.getByRole('button', { name: 'Packs: what is that?' }).first().click()
    await expect(page.getByText('A rechargeable battery that clips to a camera or lamp.')).toBeVisible()
  })

  test('find anything by keyboard alone, misspelled: a thing, a place, something to do', async ({ page }) => {
    await page.goto('/today')
    await settle(page)
    for (const [words, first, heading] of [
      ['tripd brindle', 'Brindle', /TRI-0/],
      ['orangrey', 'Orangery hall', /Studio/],
      ['bakup', 'Back up or restore', /Studio/],
    ] as const) {
      await page.keyboard.press('Control+k')
      await page.keyboard.type(words)
      await expect(page.getByRole('option').first()).toContainText(first)
      await page.keyboard.press('Enter')
      await expect(page.getByRole('heading', { level: 1, name: heading })).toBeVisible()
    }
    await expect(page).toHaveURL(/\/studio\/safe$/)
  })

  test('a label is scanned from a picture and opens its thing; the camera says why it is off', async ({ page }) => {
    const folder = mkdtempSync(join(tmpdir(), 'exemplar-label-'))
    const file = join(folder, 'label.png')
    writeFileSync(file, await QRCode.toBuffer('CAM-02', { width: 900, margin: 8 }))
    await page.setViewportSize(PHONE)
    await page.goto('/scan')
    await page.getByLabel('From a picture').setInputFiles(file)
    await expect(page.getByRole('heading', { level: 1, name: /CAM-02/ })).toBeVisible()
    await page.goto('/scan')
    writeFileSync(file, await QRCode.toBuffer('https://elsewhere.example/a page', { width: 400 }))
    await page.getByLabel('From a picture').setInputFiles(file)
    await expect(page.getByRole('alert')).toContainText('which is no tag of yours')
    await page.getByLabel('Or type the tag').fill('lgt-06')
    await page.getByRole('button', { name: 'Open' }).click()
    await expect(page.getByRole('heading', { level: 1, name: /LGT-06/ })).toBeVisible()
    rmSync(folder, { recursive: true, force: true })
  })

  test('an app of a thing is recorded with its version and where it is installed', async ({ page }) => {
    await page.goto('/kit/CAM-01')
    const section = page.locator('section').filter({ hasText: 'Apps, drivers, firmware' }).last()
    await section.getByRole('button', { name: 'Add one' }).click()
    await section.getByLabel('Its exact name').fill('V6 remote')
    await section.getByLabel('Version').fill('2.4.1')
    await section.getByLabel('Installed on').fill('the store laptop')
    await section.getByRole('button', { name: 'Save' }).click()
    await expect(section.getByRole('listitem')).toHaveText(/App\s*V6 remote 2\.4\.1 on the store laptop/)
  })

  test('a film is written down with the drive it lies on, and one copy is said to be too few', async ({ page }) => {
    await page.goto('/kit?add=thing')
    await findChoice(page.getByLabel('Kind'), 'Drive')
    await page.getByLabel('Name or model').fill('Archive drive')
    await page.getByRole('button', { name: 'Add it' }).click()
    await page.goto('/studio/archive')
    await page.getByRole('button', { name: 'Write a film down' }).click()
    const dialog = page.getByRole('dialog')
    await dialog.getByLabel('Title').fill('Ferns, a year')
    await dialog.getByRole('button', { name: 'Add a copy' }).click()
    await dialog.getByLabel('Folder').fill('2026/ferns')
    await dialog.getByRole('button', { name: 'Save' }).click()
    const film = page.locator('main').getByRole('listitem').filter({ hasText: 'Ferns, a year' })
    await expect(film).toContainText('DRV-01')
    await expect(film).toContainText('on one drive only: a fault loses it')
  })

  test('photos and papers: attached, seen, taken away, and brought back', async ({ page }) => {
    await page.goto('/kit/CAM-01')
    const png = await QRCode.toBuffer('front', { width: 300 })
    await page.getByLabel('Photo or paper').setInputFiles({ name: 'front.png', mimeType: 'image/png', buffer: png })
    await expect(page.getByRole('img', { name: 'front.png' })).toBeVisible()
    await page
      .getByLabel('Photo or paper')
      .setInputFiles({ name: 'bill.pdf', mimeType: 'application/pdf', buffer: Buffer.from('no paper at all') })
    await expect(page.getByText('This file is neither, whatever its name says.').first()).toBeVisible()
    await page.getByRole('button', { name: 'Take front.png away' }).click()
    await expect(page.getByRole('img', { name: 'front.png' })).toHaveCount(0)
    await page.getByRole('button', { name: 'Undo' }).last().click()
    await expect(page.getByRole('img', { name: 'front.png' })).toBeVisible()
  })
})

/** Two people on one Exemplar whose server this journey starts and stops itself. */
async function openTwo(browser: Browser, url: string): Promise<{ contexts: BrowserContext[]; imke: Page; bram: Page }> {
  const contexts = [
    await browser.newContext({ baseURL: url }),
    await browser.newContext({ baseURL: url, viewport: PHONE }),
  ]
  const pages: Page[] = []
  for (const [at, context] of contexts.entries()) {
    await enter(context, url, true, at === 0 ? 'manager' : 'crew')
    pages.push(await context.newPage())
  }
  return { contexts, imke: pages[0] as Page, bram: pages[1] as Page }
}

bare(
  'live: what one does the other sees; the server goes and comes again, and nothing is missed',
  async ({ browser }) => {
    const folder = mkdtempSync(join(tmpdir(), 'exemplar-live-'))
    const env = { EXEMPLAR_NOW: NOW }
    let { child, url } = await startChild(folder, { args: ['--demo'], env })
    const port = new URL(url).port
    const { contexts, imke, bram } = await openTwo(browser, url)
    await imke.goto('/kit/stock')
    await bram.goto('/kit/stock')
    const count = async (page: Page, tag: string, quantity: string) => {
      await page
        .getByRole('row', { name: new RegExp(tag) })
        .getByRole('button', { name: 'Count' })
        .click()
      await page.getByLabel('How many are there?').fill(quantity)
      await page.getByRole('button', { name: 'Save' }).click()
      await expect(page.getByRole('dialog')).toBeHidden()
    }
    await settle(imke)
    await settle(bram)
    await count(bram, 'BAG-01', '17')
    await expect(imke.getByRole('row', { name: /BAG-01/ })).toContainText('17', { timeout: 5_000 })

    // The server goes away; both pages say so, and keep what they show.
    await endChild(child)
    await expect(imke.getByText('Not connected')).toBeVisible()
    await expect(imke.getByRole('row', { name: /BAG-01/ })).toContainText('17')

    // While one of them is still away, the other goes on as soon as it is back.
    ;({ child, url } = await startChild(folder, { args: ['--demo'], env: { ...env, EXEMPLAR_PORT: port } }))
    const { request } = contexts[1] as BrowserContext
    const rows = await (await request.get(`${url}/api/stock`)).json()
    const clamp = rows.find((it: { tag: string }) => it.tag === 'CLP-01')
    await request.post(`${url}/api/stock/CLP-01/count`, {
      data: { quantity: 23 },
      headers: { 'If-Match': `"${clamp.version}"`, 'x-exemplar-client': 'journey' },
    })
    await expect(imke.getByText('Not connected')).toBeHidden({ timeout: 15_000 })
    await expect(imke.getByRole('row', { name: /CLP-01/ })).toContainText('23')
    await expect(bram.getByRole('row', { name: /CLP-01/ })).toContainText('23')
    await count(imke, 'BAG-01', '18')
    await expect(bram.getByRole('row', { name: /BAG-01/ })).toContainText('18', { timeout: 5_000 })
    for (const context of contexts) await context.close()
    await endChild(child)
    rmSync(folder, { recursive: true, force: true })
  },
)
