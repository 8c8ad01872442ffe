import type { Locator, Page } from '@playwright/test'

/** What a person does to a page. Each call is one action, counted. */
export interface Hands {
  push(target: Locator): Promise<void>
  type(target: Locator, text: string): Promise<void>
  /** Chooses an option by its label, or by how it begins. */
  choose(target: Locator, text: string): Promise<void>
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
    tick: (target) => once(target.check()),
    actions: () => count,
  }
}

export interface Keys extends Hands {
  press(key: string): Promise<void>
  reach(target: Locator, back?: boolean): Promise<void>
}

/** A person without a pointer: Tab until it is reached, then keys. Nothing here clicks or fills. */
export function makeKeys(page: Page): Keys {
  let count = 0
  const press = (key: string) => page.keyboard.press(key)
  const isThere = (target: Locator) => target.evaluate((it) => it === it.ownerDocument.activeElement)
  const reach = async (target: Locator, back = false): Promise<void> => {
    await target.waitFor({ state: 'attached' })
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
    tick: (target) => at(target, () => press('Space')),
    actions: () => count,
  }
}
