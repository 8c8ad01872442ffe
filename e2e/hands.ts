import type { Locator, Page } from '@playwright/test'

/** Opens the ways out of a finding in the margin, where they are not open already. */
export async function openWays(
  margin: Locator,
  finding: string | RegExp,
  push = (it: Locator) => it.click(),
): Promise<void> {
  const item = margin.getByRole('listitem').filter({ has: margin.page().getByRole('heading', { name: finding }) })
  await item.waitFor()
  const ways = item.getByRole('button', { name: /^Ways out/ })
  if ((await ways.count()) > 0) await push(ways)
}

/** Types into a field that is searched by typing, and takes the first choice that is found. */
export async function findChoice(target: Locator, text: string): Promise<void> {
  await target.fill(text)
  await target.page().getByRole('listbox', { name: 'Choices' }).getByRole('option').first().waitFor()
  await target.press('Enter')
}

/** What a person does to a page. Each call is one action, counted. */
export interface Hands {
  push(target: Locator): Promise<void>
  type(target: Locator, text: string): Promise<void>
  /** Chooses an option by its label, or by how it begins. */
  choose(target: Locator, text: string): Promise<void>
  /** Finds a choice by typing, and takes the first that is found. */
  find(target: Locator, text: string): Promise<void>
  tick(target: Locator): Promise<void>
  actions(): number
}

/** A person with a pointer. */
export function makePointer(): Hands {
  let count = 0
  const once = async (work: Promise<unknown>) => {
    count++
    await work
  }
  return {
    push: (target) => once(target.click()),
    type: (target, text) => once(target.fill(text)),
    choose: async (target, text) => {
      await target.waitFor()
      const labels = await target.locator('option').allTextContents()
      const label = labels.find((it) => it.trim().startsWith(text)) ?? text
      await once(target.selectOption({ label: label.trim() }))
    },
    find: (target, text) => once(findChoice(target, text)),
    tick: (target) => once(target.check()),
    actions: () => count,
  }
}

export interface Keys extends Hands {
  press(key: string): Promise<void>
  reach(target: Locator, back?: boolean): Promise<void>
}

const TAB_STOPS =
  'a[href], button:not([disabled]), input:not([disabled]), select, textarea, summary, [tabindex]:not([tabindex="-1"])'

/** A person without a pointer: Tab until it is reached, then keys. Nothing here clicks or fills. */
export function makeKeys(page: Page): Keys {
  let count = 0
  const press = (key: string) => page.keyboard.press(key)
  const isThere = (target: Locator) => target.evaluate((it) => it === it.ownerDocument.activeElement)
  /** How far off it seems to be, backwards below nought, so that one need not look after each step. */
  const guessSteps = (target: Locator) =>
    target.evaluate((it, stops) => {
      const all = [...it.ownerDocument.querySelectorAll(stops)].filter((stop) => stop.getClientRects().length > 0)
      const active = it.ownerDocument.activeElement
      return all.includes(it) ? all.indexOf(it) - (active === null ? -1 : all.indexOf(active)) : 1
    }, TAB_STOPS)
  const reach = async (target: Locator, back = false): Promise<void> => {
    await target.waitFor({ state: 'attached' })
    if (await isThere(target)) return
    const steps = back ? -1 : await guessSteps(target)
    const key = steps < 0 ? 'Shift+Tab' : 'Tab'
    for (let step = 0; step < Math.abs(steps); step++) await press(key)
    for (let tabs = 0; tabs < 260; tabs++) {
      if (await isThere(target)) return
      await press(back ? 'Shift+Tab' : 'Tab')
    }
    throw new Error(`Tab never reached ${target}.`)
  }
  const at = async (target: Locator, work: () => Promise<unknown>) => {
    count++
    await reach(target)
    await work()
  }
  return {
    press,
    reach,
    push: (target) => at(target, () => press('Enter')),
    type: (target, text) =>
      at(target, async () => {
        await press('Control+a')
        await page.keyboard.type(text)
      }),
    /** The first letters of an option choose it. */
    choose: (target, text) => at(target, () => page.keyboard.type(text)),
    find: (target, text) =>
      at(target, async () => {
        await press('Control+a')
        await page.keyboard.type(text)
        await target.page().getByRole('listbox', { name: 'Choices' }).getByRole('option').first().waitFor()
        await press('Enter')
      }),
    tick: (target) => at(target, () => press('Space')),
    actions: () => count,
  }
}
