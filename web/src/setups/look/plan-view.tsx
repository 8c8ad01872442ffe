import { type Plan, type PlanThing, sayPosition, WALLS } from '@exemplar/core'
import { type CSSProperties, useEffect, useRef, useState } from 'react'
import { useMeasures } from '../../foundation/form/measures.tsx'
import { LuxLegend, makeGrid, useLuxPicture } from './lux-map.tsx'
import { type Place, type PlanMoves, STEP_MM, WIDE_STEP_MM } from './plan-moves.ts'
import { RoomShapes } from './plan-room.tsx'
import { Backdrop, Distance, Label, Person, Spread, Thing } from './plan-shapes.tsx'
import { useLuxMap } from './use-lux-map.ts'

/** Room for labels around what is drawn, in millimetres. */
const AROUND_MM = 400
const BEHIND_MM = 300
const BEHIND_CAMERA_MM = 500
/** What goes onto a sheet of A4 with its margins, and the scales that rulers have. */
const SHEET_MM = { width: 180, height: 200 }
const SCALES = [10, 20, 25, 50, 100, 200]
/** No higher than this on the screen. */
const MOST_HEIGHT_PX = 640
/** Nearer to a wall than this somebody wants to know. */
const NARROW_MM = 1200

function findBox({ room, things, backdropMm, backdrop }: Plan) {
  const xs = [-900, 900, ...things.flatMap((it) => [it.xMm - (it.legsMm ?? 200), it.xMm + (it.legsMm ?? 200)])]
  const ys = [
    600,
    -600,
    ...things.map((it) => it.yMm + (it.kind === 'camera' ? BEHIND_CAMERA_MM : 300)),
    ...things.map((it) => it.yMm - 300),
  ]
  if (room) {
    xs.push(room.leftMm, room.leftMm + room.widthMm)
    ys.push(room.topMm, room.topMm + room.depthMm)
  }
  if (!room?.isStated) {
    ys.push(-(backdropMm ?? 600) - BEHIND_MM)
    if (backdrop) xs.push(-backdrop.widthMm / 2, backdrop.widthMm / 2)
  }
  const left = Math.min(...xs) - AROUND_MM
  const top = Math.min(...ys) - AROUND_MM
  return { left, top, width: Math.max(...xs) + AROUND_MM - left, height: Math.max(...ys) + AROUND_MM - top }
}

/**
 * The set from above, to scale: the room, the person, cameras with what they see, lamps with what they light, the background. Things are
 * moved by pointer or by arrow keys.
 */
export function PlanView({ plan, moves, canMove }: { plan: Plan; moves: PlanMoves; canMove: boolean }) {
  const { sayLength } = useMeasures()
  const { things, heldKey, heldPlace, listenTo } = moves
  const box = findBox(plan)
  // Letters and lines are as large on paper however large the room is.
  const [isLit, setLit] = useState(false)
  const grid = makeGrid(plan, box)
  const run = useLuxMap(plan.light.lights, grid, isLit)
  const map = useLuxPicture(plan, grid, run.lux)
  const { ref, widthPx } = useWidth()
  const unit = Math.max(box.width / widthPx, box.height / MOST_HEIGHT_PX)
  const scale =
    SCALES.find((it) => box.width / it <= SHEET_MM.width && box.height / it <= SHEET_MM.height) ?? SCALES.at(-1) ?? 200
  const held = heldKey === null ? undefined : things.find((it) => it.key === heldKey)
  return (
    <figure className="mt-3">
      {/* biome-ignore lint/a11y/useSemanticElements: a fieldset holds no drawing. */}
      <svg
        ref={ref}
        viewBox={`${box.left} ${box.top} ${box.width} ${box.height}`}
        className="h-auto max-h-[640px] w-full border border-rule bg-sheet print:max-h-none print:w-(--print-width) print:border-0"
        style={{ '--print-width': `${box.width / scale}mm` } as CSSProperties}
        role="group"
        aria-label={describe(plan, sayLength)}
      >
        {map && (
          <image
            href={map}
            x={grid.leftMm}
            y={grid.topMm}
            width={grid.widthMm}
            height={grid.depthMm}
            preserveAspectRatio="none"
          />
        )}
        {plan.room && (
          <RoomShapes plan={{ ...plan, things: [...things] }} room={plan.room} unit={unit} sayLength={sayLength} />
        )}
        {things.map((it) => (
          <Spread key={`spread-${it.key}`} thing={it} />
        ))}
        {plan.backdropMm !== null && <Backdrop plan={plan} unit={unit} sayLength={sayLength} />}
        <Person unit={unit} turnedDegrees={plan.turnedDegrees} />
        {things.map((it) => (
          <Distance key={`distance-${it.key}`} thing={it} unit={unit} sayLength={sayLength} />
        ))}
        {things.map((it) => {
          const listen = listenTo(it)
          const movable = listen && {
            ...listen,
            tabIndex: 0,
            role: 'button',
            'aria-label': `${it.tag}, ${sayPlace(it, plan, sayLength)}. Arrow keys move it.`,
            className: 'cursor-move touch-none outline-offset-2',
          }
          return (
            <g key={it.key} {...movable}>
              {movable && <circle cx={it.xMm} cy={it.yMm} r={Math.max(22 * unit, 150)} fill="transparent" />}
              <Thing thing={it} unit={unit} isHeld={it.key === heldKey} />
            </g>
          )
        })}
        {plan.room?.isStated &&
          plan.gaps
            .filter((it) => it.freeMm < NARROW_MM && it.key !== heldKey)
            .map((gap) => {
              const at = things.find((it) => it.key === gap.key)
              return (
                at && (
                  <Label key={gap.key} x={at.xMm} y={at.yMm + 24 * unit} unit={unit} isQuiet>
                    {`${sayLength(Math.round(gap.freeMm / 10) * 10)} to the wall`}
                  </Label>
                )
              )
            })}
      </svg>
      <p aria-live="polite" className="sr-only">
        {held && heldPlace ? `${held.tag}: ${sayPosition(asPosition(heldPlace), sayLength)}` : ''}
      </p>
      <LuxLegend plan={plan} isShown={isLit} onShow={setLit} run={run} />
      <figcaption className="mt-1 text-[12px] text-quiet">
        <span className="hidden print:inline">Scale 1 : {scale}. </span>
        {canMove && (
          <span className="no-print">
            Drag a thing, or move it by arrow keys: {sayLength(STEP_MM)}, with Shift {sayLength(WIDE_STEP_MM)}.{' '}
          </span>
        )}
        {sayRoom(plan, sayLength)}{' '}
        {plan.gaps
          .filter((it) => it.freeMm < NARROW_MM)
          .map(
            (it) =>
              `${it.tag}${it.isWithLegs ? ' with its legs' : ''} is ${sayLength(Math.max(Math.round(it.freeMm / 10) * 10, 0))} from ${WALLS[it.wall]}.`,
          )
          .join(' ')}{' '}
        {plan.leads
          .map((it) => `${it.tag} has ${sayLength(Math.round(it.wayMm / 10) * 10)} of way to ${it.socket}.`)
          .join(' ')}{' '}
        {plan.unplaced.map((it) => `${it.tag} is not drawn: ${it.lacks.join(', ')}.`).join(' ')}
      </figcaption>
    </figure>
  )
}

/** How wide something is on the screen, as often as that changes. */
function useWidth() {
  const ref = useRef<SVGSVGElement>(null)
  const [widthPx, setWidth] = useState(560)
  useEffect(() => {
    if (!ref.current || typeof ResizeObserver === 'undefined') return
    const watch = new ResizeObserver(([entry]) => setWidth(Math.max(entry?.contentRect.width ?? 560, 240)))
    watch.observe(ref.current)
    return () => watch.disconnect()
  }, [])
  return { ref, widthPx }
}

const asPosition = ({ distanceMm, sideDegrees }: Place) => ({ distanceMm, sideDegrees, heightMm: null, focalMm: null })

function sayPlace(thing: PlanThing, plan: Plan, sayLength: (mm: number) => string): string {
  const angle = Math.atan2(thing.xMm - thing.atXMm, thing.yMm - thing.atYMm) * (180 / Math.PI)
  const side = Math.round(((angle + plan.turnedDegrees + 540) % 360) - 180)
  return sayPosition(asPosition({ distanceMm: thing.distanceMm, sideDegrees: side }), sayLength)
}

function sayRoom({ room, besideMm }: Plan, sayLength: (mm: number) => string): string {
  if (!room) return 'Nobody measured the room: it is drawn without walls.'
  const size = `The room is ${sayLength(room.widthMm)} × ${sayLength(room.depthMm)}.`
  if (room.isStated) return size
  const beside =
    besideMm === null
      ? ''
      : besideMm < 0
        ? ` What stands furthest to the side is ${sayLength(Math.round(-besideMm / 10) * 10)} beyond the wall then.`
        : ` ${sayLength(Math.round(besideMm / 10) * 10)} are left beside what stands furthest to the side.`
  return `${size} Where in it they are nobody said: it is drawn with the background at a short wall and them in the middle.${beside}`
}

function describe({ things, backdropMm, backdrop, room }: Plan, sayLength: (mm: number) => string): string {
  const each = things.map(
    (it) =>
      `${it.tag} ${sayLength(Math.round(Math.abs(it.yMm)))} ${it.yMm < 0 ? 'above' : 'below'} them and ${sayLength(Math.round(Math.abs(it.xMm)))} to the ${it.xMm < 0 ? 'left' : 'right'}`,
  )
  const behind =
    backdropMm === null ? [] : [`the background ${sayLength(backdropMm)} behind${backdrop ? `, ${backdrop.tag}` : ''}`]
  const where = room?.isStated ? 'with the front wall of the room below' : 'the camera below'
  return `Plan from above, ${where}, the person in the middle: ${[...each, ...behind].join('; ')}.`
}
