import { findLuxOf, type LuxGrid, type Plan } from '@exemplar/core'
import { useMemo } from 'react'
import { CheckField } from '../../foundation/form/field.tsx'
import { useMeasures } from '../../foundation/form/measures.tsx'
import { Button } from '../../foundation/parts/button.tsx'
import type { useLuxMap } from './use-lux-map.ts'

const POINTS = 200
/** So many tones, a stop each: from twice as bright as where they are down to a sixty-fourth. */
const STOPS = [1, 0, -1, -2, -3, -4, -5, -6]

/** What of the floor is looked at: the room, where it is known how they stand in it, else as much as is drawn. */
export function makeGrid(
  { room, light: { zMm } }: Plan,
  box: { left: number; top: number; width: number; height: number },
): LuxGrid {
  const area = room?.isStated
    ? { leftMm: room.leftMm, topMm: room.topMm, widthMm: room.widthMm, depthMm: room.depthMm }
    : { leftMm: box.left, topMm: box.top, widthMm: box.width, depthMm: box.height }
  return { ...area, zMm, columns: POINTS, rows: POINTS }
}

/** Lux of all lamps in the plan where they are. */
export const findWhereTheyAre = ({ light: { lights, zMm } }: Plan): number =>
  lights.reduce((sum, it) => sum + findLuxOf(it, 0, 0, zMm), 0)

/** The map as a picture of tones of one stop each, against where they are; null until it is summed. */
export function useLuxPicture(plan: Plan, grid: LuxGrid, lux: Float32Array | null): string | null {
  return useMemo(() => {
    const face = findWhereTheyAre(plan)
    // Tones are told against where they are: without light there, there is nothing to tell them against.
    if (!lux || face === 0 || typeof document === 'undefined') return null
    const canvas = document.createElement('canvas')
    canvas.width = grid.columns
    canvas.height = grid.rows
    const context = canvas.getContext('2d')
    if (!context) return null
    const image = context.createImageData(grid.columns, grid.rows)
    // Said once, and not for each of forty thousand points.
    const tones = STOPS.map((least, at) => ({ from: face * 2 ** least, alpha: Math.round(strengthOf(at) * 255) }))
    for (let at = 0; at < lux.length; at += 1) {
      const there = lux[at] ?? 0
      image.data[at * 4] = 216
      image.data[at * 4 + 1] = 150
      image.data[at * 4 + 2] = 20
      image.data[at * 4 + 3] = tones.find(({ from }) => there >= from)?.alpha ?? 0
    }
    context.putImageData(image, 0, 0)
    return canvas.toDataURL()
  }, [plan, grid.columns, grid.rows, lux])
}

/** How strong each tone is, the brightest first; below the last there is none. */
const strengthOf = (at: number): number => ((STOPS.length - at) / STOPS.length) * 0.75

/** The switch of the map, what its tones mean, and the same as figures. */
export function LuxLegend({
  plan,
  isShown,
  onShow,
  run,
}: {
  plan: Plan
  isShown: boolean
  onShow(isShown: boolean): void
  run: ReturnType<typeof useLuxMap>
}) {
  const { sayLength } = useMeasures()
  const { lights, left, isHeightSaid, zMm } = plan.light
  const face = findWhereTheyAre(plan)
  return (
    <div className="mt-2 text-[13px]">
      <div className="no-print flex flex-wrap items-center gap-3">
        <CheckField
          label="Light over the floor"
          checked={isShown}
          disabled={lights.length === 0}
          onChange={(event) => onShow(event.target.checked)}
        />
        {run.done !== null && (
          <>
            <span role="status">{Math.round(run.done * 100)} % summed</span>
            <Button size="small" onClick={() => onShow(false)}>
              Cancel
            </Button>
          </>
        )}
      </div>
      {isShown && face > 0 && (
        <>
          <ul className="mt-1 flex flex-wrap gap-x-3 gap-y-1 text-[12px]" aria-label="Tones">
            {STOPS.map((least, at) => (
              <li key={least} className="flex items-center gap-1">
                <span
                  className="inline-block size-3.5 border border-rule"
                  style={{ background: `rgb(216 150 20 / ${strengthOf(at)})` }}
                />
                {sayTone(least, at, face)}
              </li>
            ))}
          </ul>
          <table className="mt-2 w-full max-w-md text-[12px]">
            <caption className="text-left text-quiet">
              Lux of these lamps from all sides together, also from behind them,{' '}
              {isHeightSaid
                ? 'at the height of the eyes'
                : `${sayLength(zMm)} above the floor, as nobody said how high the eyes are`}
              . Walls, the day and lights of the house are not in it.
            </caption>
            <tbody>
              {listPoints(plan).map(({ name, xMm, yMm }) => {
                const there = lights.reduce((sum, it) => sum + findLuxOf(it, xMm, yMm, zMm), 0)
                return (
                  <tr key={name}>
                    <th scope="row" className="border-rule font-normal">
                      {name}
                    </th>
                    <td className="figures text-right">{there < 0.05 ? 'none' : `${Math.round(there)} lx`}</td>
                    <td className="figures text-right">{sayStops(there, face)}</td>
                  </tr>
                )
              })}
            </tbody>
          </table>
        </>
      )}
      {isShown && face === 0 && <p className="mt-1">No light of these lamps falls where they are.</p>}
      {left.length > 0 && (
        <p className="mt-1 text-[12px] text-quiet">
          {left.map((it) => `${it.tag} is not in the light over the floor: ${it.lacks.join(', ')}.`).join(' ')}
        </p>
      )}
    </div>
  )
}

function sayTone(least: number, at: number, face: number): string {
  const from = Math.round(face * 2 ** least)
  return at === STOPS.length - 1 ? `from ${from} lx, below it none` : `from ${from} lx`
}

function sayStops(lux: number, face: number): string {
  if (lux < 0.05) return ''
  const stops = Math.log2(lux / face)
  return Math.abs(stops) < 0.05 ? 'as there' : `${stops > 0 ? '+' : '−'}${Math.abs(stops).toFixed(1)} stops`
}

/** Where they are, and the background in its middle and at its ends. */
function listPoints({ backdropMm, backdrop, turnedDegrees }: Plan) {
  const angle = (turnedDegrees * Math.PI) / 180
  const turn = (x: number, y: number) => ({
    xMm: x * Math.cos(angle) - y * Math.sin(angle),
    yMm: x * Math.sin(angle) + y * Math.cos(angle),
  })
  const half = (backdrop?.widthMm ?? 1_800) / 2
  const behind =
    backdropMm === null
      ? []
      : [
          { name: 'Background, left end', ...turn(-half, -backdropMm) },
          { name: 'Background, middle', ...turn(0, -backdropMm) },
          { name: 'Background, right end', ...turn(half, -backdropMm) },
        ]
  return [{ name: 'Where they are', xMm: 0, yMm: 0 }, ...behind]
}
