import type { Plan, PlanRoom } from '@exemplar/core'
import { type Drawn, Label } from './plan-shapes.tsx'

/** Walls, doors, windows, sockets, what is in the way, and the ways of leads to the nearest socket. */
export function RoomShapes({ plan, room, unit, sayLength }: { plan: Plan; room: PlanRoom } & Drawn) {
  const { leftMm, topMm, widthMm, depthMm } = room
  // Of the room: from its left wall, and from its front wall upwards.
  const x = (mm: number) => leftMm + mm
  const y = (mm: number) => topMm + depthMm - mm
  return (
    <g>
      <rect
        x={leftMm}
        y={topMm}
        width={widthMm}
        height={depthMm}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={2.5 * unit}
      />
      {plan.openings.map((it) => {
        const isAlong = it.wall === 'front' || it.wall === 'back'
        const wall = { front: y(0), back: y(depthMm), left: x(0), right: x(widthMm) }[it.wall]
        const [from, to] = isAlong
          ? [x(it.fromMm), x(it.fromMm + it.widthMm)]
          : [y(it.fromMm), y(it.fromMm + it.widthMm)]
        const line = isAlong ? { x1: from, x2: to, y1: wall, y2: wall } : { x1: wall, x2: wall, y1: from, y2: to }
        const inwards = { front: -12, back: 16, left: 0, right: 0 }[it.wall] * unit
        const aside = { front: 0, back: 0, left: 8, right: -8 }[it.wall] * unit
        return (
          <g key={it.id}>
            <line {...line} stroke="var(--ground)" strokeWidth={5 * unit} />
            {it.kind === 'window' && <line {...line} stroke="var(--advise)" strokeWidth={4 * unit} />}
            <text
              x={(line.x1 + line.x2) / 2 + aside}
              y={(line.y1 + line.y2) / 2 + inwards + 4 * unit}
              fontSize={12 * unit}
              textAnchor={isAlong ? 'middle' : it.wall === 'left' ? 'start' : 'end'}
              fill="var(--quiet)"
              className="font-mono"
            >
              {`${it.name} ${sayLength(it.widthMm)}`}
            </text>
          </g>
        )
      })}
      {plan.leads.map((lead) => {
        const socket = plan.sockets.find((it) => it.id === lead.socketId)
        const thing = plan.things.find((it) => it.key === lead.key)
        return (
          socket &&
          thing && (
            <path
              key={lead.key}
              d={`M ${x(socket.xMm)} ${y(socket.yMm)} V ${thing.yMm} H ${thing.xMm}`}
              fill="none"
              stroke="var(--quiet)"
              strokeWidth={1.2 * unit}
              strokeDasharray={`${7 * unit} ${4 * unit}`}
            />
          )
        )
      })}
      {plan.sockets.map((it) => (
        <g key={it.id} stroke="var(--ink)" strokeWidth={1.2 * unit} fill="var(--sheet)">
          <circle cx={x(it.xMm)} cy={y(it.yMm)} r={6 * unit} />
          <path
            d={`M ${x(it.xMm) - 2 * unit} ${y(it.yMm)} h 0.1 M ${x(it.xMm) + 2 * unit} ${y(it.yMm)} h 0.1`}
            strokeWidth={2 * unit}
            strokeLinecap="round"
          />
        </g>
      ))}
      {plan.fixtures.map((it) => (
        <g key={it.id}>
          <path
            d={`M ${x(it.xMm) - 6 * unit} ${y(it.yMm) - 6 * unit} l ${12 * unit} ${12 * unit} m ${-12 * unit} 0 l ${12 * unit} ${-12 * unit}`}
            stroke="var(--quiet)"
            strokeWidth={1.5 * unit}
          />
          <Label
            x={x(it.xMm)}
            y={y(it.yMm) - 16 * unit}
            unit={unit}
            end={it.xMm > widthMm / 2 ? 'end' : 'start'}
            isQuiet
          >
            {it.name}
          </Label>
        </g>
      ))}
    </g>
  )
}
