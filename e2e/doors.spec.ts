import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { Secret, TOTP } from 'otpauth'
import { endChild, startChild } from '../server/src/foundation/child.fixture.ts'
import { expect, listAxeViolations, OWNER, settle, test } from './exemplar.ts'

const at = (minutes: number) => new Date(Date.UTC(2026, 10, 24, 8, minutes))

test.describe('the door', () => {
  test.use({ role: null })

  test('a new house: what anybody would guess is no password; a second factor, asked at the door; once more before it matters', async ({
    page,
  }) => {
    const folder = mkdtempSync(join(tmpdir(), 'exemplar-door-'))
    const start = (minutes: number) => startChild(folder, { env: { EXEMPLAR_NOW: at(minutes).toISOString() } })
    let { child, url } = await start(0)
    await page.goto(url)
    await page.getByLabel('Your name').fill(OWNER.name)
    await page.getByLabel('Sign-in name').fill(OWNER.signInName)
    await page.getByLabel('Password').fill('password123')
    await page.getByRole('button', { name: 'Begin' }).click()
    await expect(page.getByText('This password is among the first that anybody tries.').first()).toBeVisible()
    await page.getByLabel('Password').fill(OWNER.password)
    await page.getByRole('button', { name: 'Begin' }).click()
    await expect(page.getByRole('heading', { level: 1 }).first()).toBeVisible()

    // The device reads the code; here it is typed off the page.
    await page.goto(`${url}/studio/me`)
    await settle(page)
    await page.getByRole('button', { name: 'Set one up' }).click()
    const secret = (await page.locator('p', { hasText: 'By hand:' }).locator('span').innerText()).replaceAll(' ', '')
    const totp = new TOTP({ secret: Secret.fromBase32(secret), algorithm: 'SHA1', digits: 6, period: 30 })
    expect(await listAxeViolations(page)).toEqual([])
    await page.getByLabel('Six digits').fill('000000')
    await page.getByRole('button', { name: 'Turn it on' }).click()
    await expect(page.getByText('This is not the code of this half minute.').first()).toBeVisible()
    await page.getByLabel('Six digits').fill(totp.generate({ timestamp: at(0).getTime() }))
    await page.getByRole('button', { name: 'Turn it on' }).click()
    await expect(page.getByText('It is on.')).toBeVisible()
    const codes = await page.locator('li', { hasText: /^[a-z2-9]{4}-[a-z2-9]{4}-[a-z2-9]{4}$/ }).allInnerTexts()
    expect(codes).toHaveLength(10)

    await page.getByRole('button', { name: 'Sign out everywhere' }).click()
    await expect(page.getByRole('heading', { name: 'Sign in' })).toBeVisible()
    await page.getByLabel('Sign-in name').fill(OWNER.signInName)
    await page.getByLabel('Password').fill(OWNER.password)
    await page.getByRole('button', { name: 'Sign in' }).click()
    await page.getByLabel('Code of your device').fill(codes[0] ?? '')
    await page.getByRole('button', { name: 'Sign in' }).click()
    await expect(page.getByRole('heading', { name: 'Sign in' })).toHaveCount(0)

    // A quarter of an hour later the page that was left open shows everything, and gives nothing away.
    await endChild(child, 'SIGKILL')
    ;({ child, url } = await start(15))
    await page.goto(`${url}/studio/safe`)
    await settle(page)
    await page.getByRole('button', { name: 'Export' }).click()
    const sheet = page.getByRole('dialog', { name: 'Is it you?' })
    await expect(sheet).toBeVisible()
    expect(await listAxeViolations(page)).toEqual([])
    await sheet.getByLabel('Your password').fill('not the one')
    await sheet.getByRole('button', { name: 'It is me' }).click()
    await expect(sheet.getByText('This is not your password.').first()).toBeVisible()
    await sheet.getByLabel('Your password').fill(OWNER.password)
    await sheet.getByLabel('Code of your device').fill(totp.generate({ timestamp: at(15).getTime() }))
    const fetching = page.waitForEvent('download')
    await page.keyboard.press('Enter')
    expect((await fetching).suggestedFilename()).toBe('exemplar-export.zip')
    await expect(sheet).toHaveCount(0)

    await page.goto(`${url}/studio/access`)
    await settle(page)
    const book = page.locator('li', { hasText: '127.0.0.1' })
    await expect(book.filter({ hasText: 'came in' }).first()).toBeVisible()
    await expect(book.filter({ hasText: 'wrong name or password' })).toHaveCount(1)
    await endChild(child, 'SIGKILL')
    rmSync(folder, { recursive: true, force: true })
  })
})

test.describe('what is out', () => {
  test.use({ demo: true, viewport: { width: 390, height: 844 } })

  test('is told with who has it, and goes on with whom it was handed to', async ({ page, context, exemplar }) => {
    const headers = { 'x-exemplar-client': 'journey' }
    const book = async (title: string) => {
      const reply = await context.request.post(`${exemplar}/api/bookings`, {
        headers,
        data: {
          kind: 'shoot',
          title,
          setupId: null,
          unitIds: ['CAM-06'],
          placeId: null,
          personIds: [],
          startsAt: '2026-12-01T10:00',
          endsAt: '2026-12-01T11:00',
          rigMinutes: 0,
          strikeMinutes: 0,
          state: 'confirmed',
          note: '',
        },
      })
      return (await reply.json()).id as string
    }
    const [first, second] = [await book('Frost'), await book('Moss walk')]
    for (const id of [first, second]) {
      await page.goto(`/diary/${id}/take-out`)
      await page.getByRole('button', { name: 'Take CAM-06' }).click()
      await page.getByRole('button', { name: 'Take out 1' }).click()
      if (id === first) await expect(page).toHaveURL(new RegExp(`/diary/${first}$`))
    }
    await expect(page.getByText(/CAM-06 is out on “Frost”, taken by .+\. Bring it back there first/)).toBeVisible()
    expect(await listAxeViolations(page)).toEqual([])
    await page.getByRole('button', { name: 'They were handed over: take them on' }).click()
    await expect(page).toHaveURL(new RegExp(`/diary/${second}$`))
  })
})
