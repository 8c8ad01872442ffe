// @vitest-environment jsdom
import { expect, it, onTestFinished, vi } from 'vitest'
import { show } from '../component.fixture.tsx'
import { VirtualRows } from './virtual-rows.tsx'

const HEIGHT = 40

function showRows(count: number, onEnd = vi.fn()) {
  // The page of the test has no layout.
  const height = vi.spyOn(HTMLElement.prototype, 'offsetHeight', 'get').mockReturnValue(HEIGHT)
  onTestFinished(() => height.mockRestore())
  const rows = Array.from({ length: count }, (_, index) => `row ${index + 1}`)
  return show(
    <table>
      <VirtualRows rows={rows} rowHeight={HEIGHT} span={1} onEnd={onEnd}>
        {(row, place) => (
          <tr key={row} {...place}>
            <td>{row}</td>
          </tr>
        )}
      </VirtualRows>
    </table>,
  ).page
}

it('draws a short list whole and asks for more at once', () => {
  const onEnd = vi.fn()
  const page = showRows(60, onEnd)
  expect(page.getAllByText(/^row /)).toHaveLength(60)
  expect(onEnd).toHaveBeenCalled()
})

it('draws of a long list what is near the window, with room for the rest', () => {
  const onEnd = vi.fn()
  const page = showRows(20_000, onEnd)
  const drawn = page.getAllByText(/^row /)
  expect(drawn[0]?.textContent).toBe('row 1')
  expect(drawn.length).toBeGreaterThanOrEqual(12)
  expect(drawn.length).toBeLessThan(100)
  const gaps = [...document.querySelectorAll<HTMLElement>('td[style]')].map((it) => Number.parseFloat(it.style.height))
  expect(drawn.length * HEIGHT + gaps.reduce((sum, it) => sum + it, 0)).toBeCloseTo(20_000 * HEIGHT, -2)
  expect(onEnd).not.toHaveBeenCalled()
})
