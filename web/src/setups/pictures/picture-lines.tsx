import type { Layout } from '@exemplar/core'

type Line = Layout['groups'][number]['lines'][number]

/** Joints as lines from box to box: dashed where they are assumed, in the colour of a stop where they lead to the worst place. */
export function PictureLines({ layout, worst }: { layout: Layout; worst: string | null }) {
  return (
    <svg
      className="pointer-events-none absolute inset-0 hidden md:block print:block"
      width={layout.width}
      height={layout.height}
      aria-hidden
    >
      {layout.groups.flatMap(({ lines }) =>
        lines.map((line) => (
          <path
            key={`${line.from} ${line.to}`}
            d={drawLine(line, layout)}
            fill="none"
            strokeWidth={1.5}
            stroke={line.to === worst ? 'var(--stop)' : 'var(--rule-strong)'}
            strokeDasharray={line.joints.every((it) => it.isStated) ? undefined : '5 4'}
          />
        )),
      )}
    </svg>
  )
}

/** From the right edge of the one to the left edge of the other, bent over the points between. */
function drawLine({ points, ...line }: Line, { boxOf }: Layout): string {
  const [from, to] = [boxOf.get(line.from), boxOf.get(line.to)]
  if (!from || !to) return ''
  const isAhead = to.x >= from.x + from.width
  const start = { x: isAhead ? from.x + from.width : from.x, y: from.y + from.height / 2 }
  const end = { x: isAhead ? to.x : to.x + to.width, y: to.y + to.height / 2 }
  const via = points.slice(1, -1)
  return [start, ...via, end].reduce((path, it, at, all) => {
    const before = all[at - 1]
    if (!before) return `M${it.x},${it.y}`
    const middle = (before.x + it.x) / 2
    return `${path}C${middle},${before.y} ${middle},${it.y} ${it.x},${it.y}`
  }, '')
}
