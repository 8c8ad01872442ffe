import { expect, listAxeViolations, settle, test } from './exemplar.ts'

test.use({ demo: true })

/** Every form of the demo: on which page, and by which button it opens. */
const FORMS: readonly (readonly [path: string, button: string | RegExp])[] = [
  ['/kit/LGT-06', 'Change'],
  ['/kit/LGT-06', 'Specs'],
  ['/kit/LGT-06', 'Acquisition'],
  ['/kit/LGT-06', 'Report a fault'],
  ['/kit/LGT-06', 'Add more like it'],
  ['/kit/LGT-06', 'Recorded twice?'],
  ['/kit/CAM-01', 'Plan a service'],
  ['/kit/CAM-01', 'Used without a booking'],
  ['/kit/CAM-01', 'Something was done'],
  ['/bench', 'Something happened'],
  ['/bench', 'Send for repair'],
  ['/bench', 'It goes on'],
  ['/bench/supplies', 'Used up'],
  ['/kit/PAK-A1', 'It was run down'],
  ['/bench/services', 'Make a plan'],
  ['/bench/services', 'Change Clean and listen'],
  ['/kit/stock', 'Add a kind'],
  ['/kit/stock', /^Count$/],
  ['/kit/stock', 'Change AA cell'],
  ['/kit/models', 'What AA cell is'],
  ['/kit/models', 'AA cell is the same as …'],
  ['/kit/interfaces', 'Add one of our own'],
  ['/setups', 'New setup'],
  ['/setups/gi', 'Change'],
  ['/setups/gi', /^Key/],
  ['/setups/gi?view=look', 'Describe the scene'],
  ['/setups/gi?view=look', 'Set A camera'],
  ['/setups/gi?view=look', 'Set Key'],
  ['/setups/gi', 'Another room'],
  ['/setups/gi', 'Connect for me'],
  ['/diary/b-head', 'Change'],
  ['/ledger', 'Set the budget'],
  ['/ledger', 'Record spending'],
  ['/ledger', /^Correct: MOD-02/],
  ['/ledger', /^Money back: MOD-02/],
  ['/ledger/wishes', 'Wish for something'],
  ['/ledger/wishes', 'Change'],
  ['/ledger/wishes', 'Order'],
  ['/studio/people', 'Add a person'],
  ['/studio/people', 'Add a vendor or lender'],
  ['/studio/places', 'Add a place'],
  ['/studio/places/studio', 'Change'],
  ['/studio/archive', 'Write a film down'],
  ['/studio/access', 'Invite somebody'],
]

/** In so many parts, each well within the time of a journey on a machine that is busy. */
const PARTS = 7

for (let part = 0; part < PARTS; part += 1) {
  test(`every form, part ${part + 1}: axe finds nothing, on a desk and on a phone, and it fits`, async ({ page }) => {
    const troubles: string[] = []
    for (const [path, button] of FORMS.filter((_, at) => at % PARTS === part)) {
      await page.setViewportSize({ width: 1280, height: 800 })
      await page.goto(path)
      await settle(page)
      await page.getByRole('main').getByRole('button', { name: button, exact: true }).first().click()
      await expect(page.getByRole('dialog')).toBeVisible()
      await page.evaluate("for (const it of document.querySelectorAll('[role=dialog] details')) it.open = true")
      const desk = await listAxeViolations(page)
      await page.setViewportSize({ width: 390, height: 844 })
      await page.waitForTimeout(150)
      const phone = await listAxeViolations(page, ['color-contrast', 'target-size', 'scrollable-region-focusable'])
      troubles.push(...[...desk, ...phone].map((it) => `${path}, ${button}: ${it}`))
      const width = await page.evaluate<number>('document.documentElement.scrollWidth')
      const own = await page.evaluate<number>(
        "(it => it.scrollWidth - it.clientWidth)(document.querySelector('[role=dialog]'))",
      )
      if (width > 390 || own > 1) troubles.push(`${path}, ${button}: too wide for a phone`)
    }
    expect(troubles).toEqual([])
  })
}
