// @vitest-environment jsdom
import { expect, it } from 'vitest'
import { show } from '../foundation/component.fixture.tsx'
import { MoreLight } from './more-light.tsx'

async function offer(at: 0 | 1, light: string, price: string, { hands, page }: ReturnType<typeof show>) {
  const lights = page.getAllByLabelText(/^Light, /)
  const prices = page.getAllByLabelText(/^Price/)
  await hands.type(lights[at] as HTMLElement, light)
  await hands.type(prices[at] as HTMLElement, price)
}

it('[G42.1] [G42.2] twice the power for a little more: stops gained, light for each pound, and what is free', async () => {
  const shown = show(<MoreLight />)
  await offer(0, '5000', '200', shown)
  expect(shown.page.queryByRole('status')).toBe(null)
  await offer(1, '10000', '260', shown)
  const { textContent } = shown.page.getByRole('status')
  // 5000 / 200 and 10000 / 260.
  expect(textContent).toBe('The other gives 1 stop more. It costs £60.00 more. 25 lx for each £1.00 against 38.5.')
  expect(
    shown.page.getByText(/^A stop more costs £60\.00\. The one gives as much where it stands at 71 % of the distance/),
  ).toBeTruthy()
})

it('what gives less and costs more is told as that, and nought is no light', async () => {
  const shown = show(<MoreLight />)
  await offer(0, '800', '100', shown)
  await offer(1, '0', '120', shown)
  expect(shown.page.queryByRole('status')).toBe(null)
  await shown.hands.clear(shown.page.getAllByLabelText(/^Light, /)[1] as HTMLElement)
  await shown.hands.type(shown.page.getAllByLabelText(/^Light, /)[1] as HTMLElement, '400')
  expect(shown.page.getByRole('status').textContent).toMatch(/^The other gives 1 stop less\. It costs £20\.00 more\./)
  expect(shown.page.getByText('It gives less, and is no cheaper.')).toBeTruthy()
})
