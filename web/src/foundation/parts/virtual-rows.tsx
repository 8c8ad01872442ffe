import { useWindowVirtualizer } from '@tanstack/react-virtual'
import { type ReactNode, useEffect, useLayoutEffect, useRef, useState } from 'react'

/** Rows beyond the window that are drawn all the same, so that nothing flickers while one scrolls. */
const BEYOND = 12
/** Short lists are drawn whole: the browser finds a word on the page in them, and they print. */
const WHOLE_UP_TO = 60

/** What a drawn row is given, so that its true height is known. */
export interface RowPlace {
  ref(node: HTMLElement | null): void
  'data-index': number
}

/**
 * The body of a table of any length: only the rows near the window are in the page. `onEnd` is called when the last rows
 * come near, to have more loaded.
 */
export function VirtualRows<T>({
  rows,
  rowHeight,
  span,
  children,
  onEnd,
}: {
  rows: readonly T[]
  /** About how high a row is, in pixels; the true height is measured. */
  rowHeight: number
  /** Columns of the table. */
  span: number
  children(row: T, place: RowPlace): ReactNode
  onEnd?: () => void
}) {
  const body = useRef<HTMLTableSectionElement>(null)
  const [top, setTop] = useState(0)
  const isWhole = rows.length <= WHOLE_UP_TO
  // What stands above may grow, such as filters that are opened.
  useLayoutEffect(() => {
    const at = body.current ? body.current.getBoundingClientRect().top + window.scrollY : 0
    if (Math.abs(at - top) > 1) setTop(at)
  })
  const virtual = useWindowVirtualizer({
    count: rows.length,
    estimateSize: () => rowHeight,
    overscan: BEYOND,
    scrollMargin: top,
  })
  const drawn = virtual.getVirtualItems()
  const first = drawn[0]
  const last = drawn.at(-1)
  const isAtEnd = isWhole || (last !== undefined && last.index >= rows.length - BEYOND)
  useEffect(() => {
    if (isAtEnd) onEnd?.()
  }, [isAtEnd, onEnd])
  if (isWhole) {
    return <tbody ref={body}>{rows.map((row, index) => children(row, { ref: () => {}, 'data-index': index }))}</tbody>
  }
  return (
    <tbody ref={body}>
      <Gap span={span} height={(first?.start ?? top) - top} />
      {drawn.map(({ index }) => {
        const row = rows[index]
        return row === undefined ? null : children(row, { ref: virtual.measureElement, 'data-index': index })
      })}
      <Gap span={span} height={virtual.getTotalSize() - ((last?.end ?? top) - top)} />
    </tbody>
  )
}

/** The room that rows take which are not drawn. */
function Gap({ span, height }: { span: number; height: number }) {
  if (height <= 0) return null
  return (
    <tr>
      <td colSpan={span} style={{ height, padding: 0, border: 0 }} />
    </tr>
  )
}
