import type { Plan, PlanThing } from '@exemplar/core'
import { useMeasures } from '../../foundation/form/measures.tsx'

/** Room for labels around what is drawn, and so much of the backdrop behind it, in millimetres. */
const AROUND_MM = 500
const BEHIND_MM = 300
const BEHIND_CAMERA_MM = 500

interface Box {
  left: number
  top: number
  width: number
  height: number
}

/** Where the room lies around the person: the background at a short wall, the person in the middle between the long ones. */
function findRoom({ room, backdropMm }: Plan): Box | null {
  if (!room) return null
  const top = -(backdropMm ?? room.alongMm / 3) - BEHIND_MM
  return { left: -room.acrossMm / 2, top, width: room.acrossMm, height: room.alongMm }
}

function findBox(plan: Plan): Box {
  const room = findRoom(plan)
  const xs = [-900, 900, ...plan.things.flatMap((it) => [it.xMm - (it.legsMm ?? 200), it.xMm + (it.legsMm ?? 200)])]
  const ys = [
    -(plan.backdropMm ?? 600) - BEHIND_MM,
    600,
    ...plan.things.map((it) => it.yMm + (it.kind === 'camera' ? BEHIND_CAMERA_MM : 300)),
    ...plan.things.map((it) => it.yMm - 300),
  ]
  if (plan.backdrop) xs.push(-plan.backdrop.widthMm / 2, plan.backdrop.widthMm / 2)
  if (room) {
    xs.push(room.left, room.left + room.width)
    ys.push(room.top, room.top + room.height)
  }
  const left = Math.min(...xs) - AROUND_MM
  const top = Math.min(...ys) - AROUND_MM
  return { left, top, width: Math.max(...xs) + AROUND_MM - left, height: Math.max(...ys) + AROUND_MM - top }
}

/** The set from above, to scale: person, cameras with what they see, lamps with what they light, the background, and the walls. */
export function PlanView({ plan }: { plan: Plan }) {
  const { sayLength } = useMeasures()
  const box = findBox(plan)
  const room = findRoom(plan)
  // Letters and lines are as large on paper however large the room is.
  const unit = box.width / 560
  return (
    <figure className="mt-3">
      <svg
        viewBox={`${box.left} ${box.top} ${box.width} ${box.height}`}
        className="h-auto max-h-[560px] w-full border border-rule bg-sheet"
        role="img"
        aria-label={describe(plan, sayLength)}
      >
        {room && (
          <rect
            x={room.left}
            y={room.top}
            width={room.width}
            height={room.height}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={2.5 * unit}
          />
        )}
        {plan.things.map((it) => (
          <Spread key={`spread-${it.key}`} thing={it} />
        ))}
        {plan.backdropMm !== null && <Backdrop plan={plan} unit={unit} sayLength={sayLength} />}
        <Person unit={unit} />
        {plan.things.map((it) => (
          <Thing key={it.key} thing={it} unit={unit} sayLength={sayLength} />
        ))}
      </svg>
      <figcaption className="mt-1 text-[12px] text-quiet">
        {plan.room
          ? `The room is ${sayLength(plan.room.alongMm)} × ${sayLength(plan.room.acrossMm)}. Where in it they stand nobody said: it is drawn with the background at a short wall and them in the middle.${plan.besideMm === null ? '' : sayBeside(plan.besideMm, sayLength)}`
          : 'Nobody measured the room: it is drawn without walls.'}{' '}
        {plan.unplaced.map((it) => `${it.tag} is not drawn: ${it.lacks.join(', ')}.`).join(' ')}
      </figcaption>
    </figure>
  )
}

function sayBeside(besideMm: number, sayLength: (mm: number) => string): string {
  return besideMm < 0
    ? ` What stands furthest to the side is ${sayLength(Math.round(-besideMm / 10) * 10)} beyond the wall then.`
    : ` ${sayLength(Math.round(besideMm / 10) * 10)} are left beside what stands furthest to the side.`
}

function describe({ things, backdropMm, backdrop }: Plan, sayLength: (mm: number) => string): string {
  const each = things.map(
    (it) =>
      `${it.tag} ${sayLength(Math.round(Math.abs(it.yMm)))} ${it.yMm < 0 ? 'behind' : 'before'} them and ${sayLength(Math.round(Math.abs(it.xMm)))} to the ${it.xMm < 0 ? 'left' : 'right'}`,
  )
  const behind =
    backdropMm === null ? [] : [`the background ${sayLength(backdropMm)} behind${backdrop ? `, ${backdrop.tag}` : ''}`]
  return `Plan from above, the person in the middle: ${[...each, ...behind].join('; ')}.`
}

/** What it sees or lights, as a wedge as far as to what it is aimed at and half as far again. */
function Spread({ thing: { xMm, yMm, atXMm, atYMm, spreadDegrees, kind } }: { thing: PlanThing }) {
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

interface Drawn {
  unit: number
  sayLength(mm: number): string
}

function Backdrop({ plan, unit, sayLength }: { plan: Plan } & Drawn) {
  const y = -(plan.backdropMm ?? 0)
  const half = (plan.backdrop?.widthMm ?? 1_800) / 2
  return (
    <g>
      <line
        x1={-half}
        x2={half}
        y1={y}
        y2={y}
        stroke="var(--ink)"
        strokeWidth={5 * unit}
        strokeDasharray={plan.backdrop ? undefined : `${8 * unit} ${6 * unit}`}
      />
      <Label x={0} y={y - 15 * unit} unit={unit}>
        {plan.backdrop ? `${plan.backdrop.tag} ${sayLength(plan.backdrop.widthMm)}` : 'background'}
      </Label>
      <Dimension from={[unit * 46, 0]} to={[unit * 46, y]} unit={unit} text={sayLength(plan.backdropMm ?? 0)} />
    </g>
  )
}

function Person({ unit }: { unit: number }) {
  return (
    <g stroke="var(--ink)" strokeWidth={1.5 * unit} fill="var(--sheet)">
      <ellipse cx={0} cy={0} rx={240} ry={130} />
      <circle cx={0} cy={20} r={95} />
    </g>
  )
}

const LEGS = [-90, 30, 150]

function Thing({ thing, unit, sayLength }: { thing: PlanThing } & Drawn) {
  const { xMm, yMm, atXMm, atYMm, tag, kind, legsMm, distanceMm } = thing
  const legs = legsMm ?? 180
  return (
    <g>
      <Dimension from={[xMm, yMm]} to={[atXMm, atYMm]} unit={unit} text={sayLength(distanceMm)} isQuiet />
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
      {kind === 'camera' ? (
        <rect
          x={xMm - 80}
          y={yMm - 60}
          width={160}
          height={120}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth={1.5 * unit}
        />
      ) : (
        <circle cx={xMm} cy={yMm} r={80} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.5 * unit} />
      )}
      <Label x={xMm + 100 + 6 * unit} y={yMm} unit={unit} isBeside>
        {tag}
      </Label>
    </g>
  )
}

function Dimension({
  from,
  to,
  unit,
  text,
  isQuiet = false,
}: {
  from: readonly [number, number]
  to: readonly [number, number]
  unit: number
  text: string
  isQuiet?: boolean
}) {
  const [x1, y1] = from
  const [x2, y2] = to
  return (
    <g>
      <line
        x1={x1}
        y1={y1}
        x2={x2}
        y2={y2}
        stroke="var(--quiet)"
        strokeWidth={unit}
        strokeDasharray={isQuiet ? `${3 * unit} ${3 * unit}` : undefined}
      />
      <Label x={(x1 + x2) / 2} y={(y1 + y2) / 2} unit={unit} isBoxed>
        {text}
      </Label>
    </g>
  )
}

function Label({
  x,
  y,
  unit,
  isBoxed = false,
  isBeside = false,
  children,
}: {
  x: number
  y: number
  unit: number
  isBoxed?: boolean
  /** Begins there, instead of being written round it. */
  isBeside?: boolean
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
        textAnchor={isBeside ? 'start' : 'middle'}
        fill="var(--ink)"
        className="font-mono"
      >
        {children}
      </text>
    </g>
  )
}
