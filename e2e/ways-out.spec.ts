import type { APIRequestContext, Locator, Page } from '@playwright/test'
import { expect, test } from './exemplar.ts'
import { openWays } from './hands.ts'

test.use({ demo: true })

const HEADERS = { 'x-exemplar-client': 'journey' }
const margin = (page: Page): Locator => page.getByRole('complementary', { name: 'Readiness' })

interface Row {
  roles: { things: { stockId: string | null }[] }[]
  powerModes: object[]
}

async function change(request: APIRequestContext, path: string, edit: (it: Row) => object) {
  const before = await (await request.get(`/api${path}`)).json()
  const row = before.model ?? before
  const headers = { ...HEADERS, 'if-match': `"${row.version}"` }
  const target = before.model ? `/models/${row.id}` : path
  const reply = await request.put(`/api${target}`, { data: edit(row), headers })
  expect(reply.status(), await reply.text()).toBe(200)
}

/** Pushes a way out: the finding goes, comes back when it is taken back, and goes again when that is taken back. */
async function tryWayOut(page: Page, finding: string | RegExp, way: string | RegExp): Promise<void> {
  const title = margin(page).getByRole('heading', { name: finding })
  await openWays(margin(page), finding)
  await margin(page).getByRole('button', { name: way }).first().click()
  await expect(title).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await expect(title).toBeVisible()
}

test('every kind of way out is carried out, taken back, and the finding is gone and back', async ({
  page,
  request,
}) => {
  await page.goto('/setups/gi')
  // Another thing instead.
  await tryWayOut(page, 'TRI-01 is not there', 'Use TRI-06 instead')

  // Some of a stock: the recorder loses its cells first.
  await change(page.request, '/setups/gi', (setup) => ({
    ...setup,
    roles: setup.roles.map((role) => ({
      ...role,
      things: role.things.filter((it) => it.stockId === null),
    })),
  }))
  await tryWayOut(page, 'No AA cell for REC-01 (4 missing)', /Take 4 AA cell from stock/)

  // A circuit, where none is chosen.
  await change(page.request, '/setups/gi', (setup) => ({ ...setup, circuitId: null }))
  await tryWayOut(page, /Cannot tell whether the/, /^Feed it from/)

  // One more thing, and another way to record.
  await page.goto('/setups/pb')
  await tryWayOut(page, 'No mains lead for LGT-03', 'Take LED-06 too')
  await page.goto('/setups/lr')
  await tryWayOut(page, 'The cards in CAM-03 end 19 min early', /^Record CAM-03 at/)

  // Another way to power: the key gets a pack of its own, and its circuit becomes too weak for it.
  await page.goto('/setups/pb')
  await change(page.request, '/units/LGT-03', (model) => ({
    ...model,
    powerModes: [
      ...model.powerModes,
      { id: 'inside', label: 'The pack inside', source: 'packs', milliwatts: 60_000, portIds: [] },
    ],
  }))
  await tryWayOut(page, 'No mains lead for LGT-03', /^Run LGT-03 from: the pack inside/)

  // What is to be bought goes on the list, and off it again.
  await page.goto('/setups/gi')
  await openWays(margin(page), 'No 9 V cell for MIC-02')
  await margin(page).getByRole('button', { name: 'Put 1 on the shopping list' }).first().click()
  await expect(page.getByText('is on the shopping list.').first()).toBeVisible()
  const lines = async () => (await (await page.request.get('/api/shopping')).json()).length
  const listed = await lines()
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await expect.poll(lines).toBe(listed - 1)
  expect(request).toBeDefined()
})

test('a finding is accepted for a reason, is out of the verdict, and counts again', async ({ page }) => {
  await page.goto('/setups/pb')
  const verdict = margin(page).getByRole('heading', { level: 2 })
  await expect(verdict).toContainText('1 thing to check')
  await margin(page)
    .getByRole('button', { name: /^Accept risk/ })
    .last()
    .click()
  await margin(page).getByLabel('Why it is fine').fill('Short film, and the house has some')
  await margin(page).getByRole('button', { name: 'Accept', exact: true }).click()
  await expect(verdict).not.toContainText('to check')
  await margin(page).getByText('Accepted risks (1)').click()
  await expect(margin(page).getByText('Short film, and the house has some')).toBeVisible()
  await margin(page)
    .getByRole('button', { name: /^Count it again/ })
    .click()
  await expect(verdict).toContainText('1 thing to check')

  // A stop is accepted to a day, and the verdict says who answers for it.
  await margin(page)
    .getByRole('button', { name: /^Accept risk/ })
    .first()
    .click()
  await margin(page).getByLabel('Why it is fine').fill('The fill is not used this time')
  await expect(margin(page).getByRole('button', { name: 'Accept', exact: true })).toBeDisabled()
  await margin(page).getByLabel('Until').fill('2099-12-31')
  await margin(page).getByRole('button', { name: 'Accept', exact: true }).click()
  await expect(verdict).toContainText('1 risk accepted by Imke Harrow.')
})

/** Says on the page for cables which end is to be joined with which. */
async function pickEnds(page: Page, from: [tag: string, port: string], to: [tag: string, port: string]): Promise<void> {
  for (const [side, [tag, port]] of [
    ['From', from],
    ['To', to],
  ] as const) {
    const section = page.locator('section', { has: page.getByRole('heading', { name: side }) })
    await section.getByLabel('Find a thing').fill(tag)
    await section.getByRole('button', { name: `This one: ${tag}` }).click()
    await section.getByLabel(`End ${side.toLowerCase()}`).selectOption(port)
  }
}

test('a variant says what is otherwise; without one thing it is judged anew; a cable is found and put in', async ({
  page,
}) => {
  await page.goto('/setups/gi')
  const menu = (name: string) => page.getByRole('menuitem', { name })
  const dialog = page.getByRole('dialog')
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await menu('Without one thing').click()
  await dialog.getByLabel('Thing').selectOption({ label: 'CAM-01 Verrin V6 body, A camera' })
  await expect(dialog.getByText('New: The role “A camera” is empty')).toBeVisible()
  await page.keyboard.press('Escape')

  await page.getByRole('button', { name: 'More', exact: true }).click()
  await menu('Make a variant').click()
  await dialog.getByLabel('Name').fill('Glasshouse interview, standing')
  await dialog.getByRole('button', { name: 'Make it' }).click()
  await expect(page.getByRole('region', { name: 'Variant' })).toContainText('Both are the same, role by role.')
  await page.getByRole('button', { name: /^Hair/ }).click()
  await dialog.getByRole('button', { name: 'Remove the role' }).click()
  await expect(page.getByRole('region', { name: 'Variant' })).toContainText('not here: without LGT-06')

  await page.getByRole('button', { name: 'More', exact: true }).click()
  await menu('Find a cable').click()
  await pickEnds(page, ['MIC-05', 'out'], ['MIX-01', 'mic-in'])
  // 8 m along and 0.5 m down, with the studio's 15 % of slack: 9.775 m.
  await page.getByLabel('Along', { exact: true }).fill('8 m')
  await page.getByLabel('Down', { exact: true }).fill('0.5 m')
  const way = page.getByRole('listitem').filter({ hasText: '10 m' }).first()
  await expect(way).toContainText('CBL-03 XLR cable, 5 m + CBL-04')
  // What is made stays made: the setup shows the run, and lets it go again.
  await page.goto('/setups/lr')
  await page.getByRole('button', { name: 'More', exact: true }).click()
  await menu('Find a cable').click()
  await pickEnds(page, ['CAM-03', 'video-out'], ['SWI-01', 'video-in'])
  const run = page.getByRole('listitem').filter({ hasText: 'CBL-05' }).first()
  await run.getByRole('button', { name: 'Make it so in LR' }).click()
  await expect(run.getByText('made in LR')).toBeVisible()
  await page.goto('/setups/lr')
  await margin(page)
    .getByText(/^Where signals go/)
    .click()
  await expect(
    margin(page).getByRole('listitem').filter({ hasText: 'CAM-03' }).filter({ hasText: 'SWI-01' }),
  ).toContainText('as made')
  await margin(page).getByRole('button', { name: 'Let CAM-03 to SWI-01 go' }).click()
  await expect(margin(page).getByText('as made')).toHaveCount(0)

  await page.goto('/kit/cables')
  await pickEnds(page, ['MIC-05', 'out'], ['MIX-01', 'mic-in'])
  await page.getByLabel('Along', { exact: true }).fill('20 m')
  await expect(page.getByRole('status')).toContainText('at least 23 m')
})
