import type { Page } from '@playwright/test'
import { expect, settle, test } from './exemplar.ts'
import { VIEWS } from './views.ts'

test.use({ demo: true })

/** Millimetres are trade designations: focal lengths, filters, spigots. */
const METRIC = /\d ?(?:kg|g|cm|m|m²)(?![\w/²])/
const IMPERIAL = /\d ?(?:lb|oz|ft|sq ft)(?![\w/])|\d[′″]/

/** What people wrote themselves, such as the name of a stand: it stays as they wrote it, whatever the studio measures in. */
async function listOwnWords(page: Page): Promise<string[]> {
  const paths = [
    'units?limit=500',
    'models',
    'stock',
    'setups',
    'places',
    'parties',
    'interfaces',
    'films',
    'shopping',
    'units/LGT-06',
  ]
  const texts = new Set<string>()
  const collect = (value: unknown): void => {
    if (typeof value === 'string') texts.add(value)
    else if (value !== null && typeof value === 'object') for (const it of Object.values(value)) collect(it)
  }
  for (const path of paths) {
    const reply = await page.request.get(`/api/${path}`)
    if (reply.ok()) collect(await reply.json())
  }
  collect(await (await page.request.get('/api/units/LGT-06')).json())
  for (const id of ['gi', 'lr']) collect(await (await page.request.get(`/api/setups/${id}`)).json())
  return [...texts].filter((it) => /\d/.test(it) && it.length > 2).sort((a, b) => b.length - a.length)
}

/** Views that people print. */
const ON_PAPER: ReadonlySet<string> = new Set([
  '/kit/schedule',
  '/kit/labels',
  '/setups/gi',
  '/setups/gi/start',
  '/setups/gi/looks',
  '/setups/gi/minutes',
  '/diary/b-head',
  '/studio/places/studio',
])

const ALL_TEXT = `[document.body.innerText, ...[...document.querySelectorAll('[placeholder],[aria-label],[title]')].flatMap((it) =>
  ['placeholder', 'aria-label', 'title'].flatMap((name) => it.getAttribute(name) ?? []))].join('\\n')`

for (const [system, stray] of [
  ['imperial', METRIC],
  ['metric', IMPERIAL],
] as const) {
  test(`with ${system} measures nothing else stands on any page`, async ({ page }) => {
    test.setTimeout(180_000)
    const headers = { 'x-exemplar-client': 'journey' }
    const { version, ...studio } = await (await page.request.get('/api/studio')).json()
    const changed = await page.request.put('/api/studio', {
      headers: { ...headers, 'if-match': `"${version}"` },
      data: { ...studio, unitSystem: system },
    })
    expect(changed.ok(), await changed.text()).toBe(true)
    const own = await listOwnWords(page)
    const found: string[] = []
    await page.goto('/today')
    // Imperial is where figures stay as they are stored; the other way round a share of the pages tells as much.
    for (const view of system === 'imperial' ? VIEWS : VIEWS.filter((_, at) => at % 3 === 0)) {
      // From one page to the next as a link leads there: nothing is fetched that is here.
      await page.evaluate(
        `history.pushState({}, '', ${JSON.stringify(view)}); dispatchEvent(new PopStateEvent('popstate'))`,
      )
      await settle(page)
      await page.evaluate("for (const it of document.querySelectorAll('details')) it.open = true")
      const onScreen = await page.evaluate<string>(ALL_TEXT)
      // On paper some columns stand that a screen has no room for.
      if (ON_PAPER.has(view)) await page.emulateMedia({ media: 'print' })
      const onPaper = ON_PAPER.has(view) ? await page.evaluate<string>(ALL_TEXT) : ''
      if (ON_PAPER.has(view)) await page.emulateMedia({ media: null })
      const text = own.reduce((all, name) => all.replaceAll(name, '·'), `${onScreen}\n${onPaper}`)
      // A label breaks a long name into lines, and a button shows how a long one begins.
      const isOfName = (line: string) =>
        own.some((name) => name.includes(line.trim()) || (name.length > 24 && line.includes(name.slice(0, 24))))
      const lines = text.split('\n').filter((it) => stray.test(it) && !isOfName(it))
      found.push(...[...new Set(lines)].map((it) => `${view}: ${it.trim().slice(0, 160)}`))
    }
    expect(found).toEqual([])
  })
}
