import {
  CATEGORIES,
  CATEGORY_CODES,
  type Category,
  FACT_WORDS,
  GROUPS,
  labelFact,
  labelSpec,
  SPECS,
} from '@exemplar/core'
import type { Locator, Page } from '@playwright/test'
import { EACH_KIND } from '../web/src/kit/entry/each-kind.fixture.ts'
import { addGround, judgeKind, splitTyped } from '../web/src/kit/entry/each-kind-setup.fixture.ts'
import { expect, test } from './exemplar.ts'
import { findChoice } from './hands.ts'

/** Enters a thing of a kind as somebody does who answers what the form asks and touches nothing else. */
async function enterByForm(page: Page, dialog: Locator, kind: Category): Promise<string> {
  const field = (label: string) => dialog.getByLabel(label, { exact: true })
  const { label } = CATEGORIES[kind]
  if ((await field('Kind').inputValue()) !== label) await findChoice(field('Kind'), label)
  await expect(field('Kind')).toHaveValue(label)
  await field('Name or model').fill(`The ${label}`)
  const more = dialog.locator('details:not([open]) > summary')
  if ((await more.count()) > 0) await more.click()
  const { facts, specs } = splitTyped(EACH_KIND[kind].told)
  for (const [key, text] of facts) {
    const own = field(labelFact(key, kind))
    if (FACT_WORDS[key].form.kind !== 'connector') await own.fill(text)
    // What was answered for the thing before, and this kind is asked as well, stands there still.
    else if ((await own.inputValue()) !== text) {
      await findChoice(own, text)
      await expect(own).toHaveValue(text)
    }
  }
  for (const [key, text] of specs) {
    const own = field(labelSpec(key))
    if (SPECS[key].kind === 'choice') await own.selectOption(text)
    else await own.fill(text)
  }
  const saved = page.waitForResponse((it) => it.request().method() === 'POST' && it.url().endsWith('/api/units'))
  await dialog.getByRole('button', { name: 'Add and another' }).click()
  const reply = await saved
  expect(reply.status(), await reply.text()).toBe(201)
  await expect(field('Name or model')).toHaveValue('')
  return (await reply.json()).id
}

for (const group of GROUPS) {
  const kinds = CATEGORY_CODES.filter((kind) => CATEGORIES[kind].group === group)
  test(`${kinds.length} kinds of ${group}: entered by the form, each is judged in its usual setup as was written down before`, async ({
    page,
    exemplar,
  }) => {
    test.setTimeout(120_000)
    const call = async (method: string, path: string, data?: unknown) => {
      const headers = { 'x-exemplar-client': 'journey' }
      const reply = await page.request.fetch(`${exemplar}/api${path}`, { method, data, headers })
      expect(reply.ok(), `${method} ${path}: ${await reply.text()}`).toBe(true)
      return reply.json()
    }
    const ground = await addGround(call)
    await page.goto('/kit')
    await page.getByRole('main').getByRole('button', { name: 'Add a thing' }).click()
    const dialog = page.getByRole('dialog')
    const odd: string[] = []
    for (const [at, kind] of kinds.entries()) {
      const id = await enterByForm(page, dialog, kind)
      const it = EACH_KIND[kind]
      const code = `${at < 26 ? 'K' : 'L'}${String.fromCharCode(65 + (at % 26))}`
      const { found } = await judgeKind(call, { kind, id, isStock: false }, it, { ...ground, code })
      if (found.join() !== (it.found ?? []).join()) odd.push(`${kind}: ${found.join(', ')}`)
    }
    expect(odd).toEqual([])
  })
}
