import type { Plan, PlanThing } from '@exemplar/core'

/** What everything drawn in a plan needs: how large a point on paper is in millimetres of the room, and how lengths are said. */
export interface Drawn {
  unit: number
  sayLength(mm: number): string
}

/** What it sees or lights, as a wedge as far as to what it is aimed at and half as far again. */
export function Spread({ thing: { xMm, yMm, atXMm, atYMm, spreadDegrees, kind } }: { thing: PlanThing }) {
  if (spreadDegrees === null || spreadDegrees >= 170) return null
  const towards = Math.atan2(atYMm - yMm, atXMm - xMm)
  const reach = Math.hypot(atXMm - xMm, atYMm - yMm) * 1.5
  const half = (spreadDegrees * Math.PI) / 360
  const edge = (angle: number) => `${xMm + reach * Math.cos(angle)} ${yMm + reach * Math.sin(angle)}`
  return (
    <path
      d={`M ${xMm} ${yMm} L ${edge(towards - half)} A ${reach} ${reach} 0 0 1 ${edge(towards + half)} Z`}
      fill={kind === 'camera' ? 'var(--advise)' : 'var(--warn)'}
      fillOpacity={0.1}
    />
  )
}

/** Drawn behind the person, and turned with them. */
export function Backdrop({ plan, unit, sayLength }: { plan: Plan } & Drawn) {
  const y = -(plan.backdropMm ?? 0)
  const half = (plan.backdrop?.widthMm ?? 1_800) / 2
  // Inside a room whose walls are there, else behind; further away where it is read along the line.
  const across = Math.abs(Math.sin((plan.turnedDegrees * Math.PI) / 180))
  const labelMm = plan.room?.isStated ? (16 + across * 45) * unit : -15 * unit
  return (
    <>
      <g transform={`rotate(${plan.turnedDegrees})`}>
        <line
          x1={-half}
          x2={half}
          y1={y}
          y2={y}
          stroke="var(--ink)"
          strokeWidth={5 * unit}
          strokeDasharray={plan.backdrop ? undefined : `${8 * unit} ${6 * unit}`}
        />
        <line x1={unit * 46} x2={unit * 46} y1={0} y2={y} stroke="var(--quiet)" strokeWidth={unit} />
      </g>
      <Label {...turned(plan, 0, y + labelMm)} unit={unit}>
        {plan.backdrop ? `${plan.backdrop.tag} ${sayLength(plan.backdrop.widthMm)}` : 'background'}
      </Label>
      <Label {...turned(plan, unit * 46, y / 2)} unit={unit} isBoxed>
        {sayLength(plan.backdropMm ?? 0)}
      </Label>
    </>
  )
}

/** A point behind or beside the person as it is drawn, turned as they are. */
function turned({ turnedDegrees }: Plan, x: number, y: number) {
  const angle = (turnedDegrees * Math.PI) / 180
  return { x: x * Math.cos(angle) - y * Math.sin(angle), y: x * Math.sin(angle) + y * Math.cos(angle) }
}

export function Person({ unit, turnedDegrees }: { unit: number; turnedDegrees: number }) {
  return (
    <g transform={`rotate(${turnedDegrees})`} stroke="var(--ink)" strokeWidth={1.5 * unit} fill="var(--sheet)">
      <ellipse cx={0} cy={0} rx={240} ry={130} />
      <circle cx={0} cy={20} r={95} />
    </g>
  )
}

const LEGS = [-90, 30, 150]

/** Legs, what stands on them, and its tag. */
export function Thing({ thing, unit, isHeld }: { thing: PlanThing; isHeld: boolean } & Pick<Drawn, 'unit'>) {
  const { xMm, yMm, tag, kind, legsMm } = thing
  const legs = legsMm ?? 180
  const body = { fill: isHeld ? 'var(--ink)' : 'var(--sheet)', stroke: 'var(--ink)', strokeWidth: 1.5 * unit }
  return (
    <>
      <g
        stroke="var(--ink)"
        strokeWidth={1.5 * unit}
        strokeDasharray={legsMm === null ? `${4 * unit} ${3 * unit}` : undefined}
      >
        {LEGS.map((degrees) => (
          <line
            key={degrees}
            x1={xMm}
            y1={yMm}
            x2={xMm + legs * Math.cos((degrees * Math.PI) / 180)}
            y2={yMm + legs * Math.sin((degrees * Math.PI) / 180)}
          />
        ))}
      </g>
      {kind === 'camera' && <rect x={xMm - 80} y={yMm - 60} width={160} height={120} {...body} />}
      {kind === 'lamp' && <circle cx={xMm} cy={yMm} r={80} {...body} />}
      {kind === 'microphone' && (
        <path d={`M ${xMm - 70} ${yMm - 50} h 140 l -70 120 Z`} strokeLinejoin="round" {...body} />
      )}
      <Label x={xMm + 100 + 6 * unit} y={yMm} unit={unit} end="start">
        {tag}
      </Label>
    </>
  )
}

/** From a thing to what it is aimed at, as long as it is written on tape. */
export function Distance({ thing, unit, sayLength }: { thing: PlanThing } & Drawn) {
  const { xMm, yMm, atXMm, atYMm, distanceMm } = thing
  return (
    <g>
      <line
        x1={xMm}
        y1={yMm}
        x2={atXMm}
        y2={atYMm}
        stroke="var(--quiet)"
        strokeWidth={unit}
        strokeDasharray={`${3 * unit} ${3 * unit}`}
      />
      {Math.hypot(xMm - atXMm, yMm - atYMm) > 60 * unit && (
        <Label x={(xMm + atXMm) / 2} y={(yMm + atYMm) / 2} unit={unit} isBoxed>
          {sayLength(distanceMm)}
        </Label>
      )}
    </g>
  )
}

export function Label({
  x,
  y,
  unit,
  isBoxed = false,
  end = 'middle',
  isQuiet = false,
  children,
}: {
  x: number
  y: number
  unit: number
  isBoxed?: boolean
  /** Where in it that point is. */
  end?: 'start' | 'middle' | 'end'
  isQuiet?: boolean
  children: string
}) {
  const width = (children.length * 7 + 8) * unit
  return (
    <g>
      {isBoxed && <rect x={x - width / 2} y={y - 9 * unit} width={width} height={18 * unit} fill="var(--sheet)" />}
      <text
        x={x}
        y={y + 4 * unit}
        fontSize={12 * unit}
        textAnchor={end}
        fill={isQuiet ? 'var(--quiet)' : 'var(--ink)'}
        stroke="var(--sheet)"
        strokeWidth={3 * unit}
        paintOrder="stroke"
        className="font-mono"
      >
        {children}
      </text>
    </g>
  )
}
