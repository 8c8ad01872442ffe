import { moveTo, type Plan, type PlanThing, placeAt } from '@exemplar/core'
import { type KeyboardEvent, type PointerEvent, useEffect, useRef, useState } from 'react'

export type Place = Pick<PlanThing, 'distanceMm'> & { sideDegrees: number }

/** After the last key, so that somebody who taps an arrow ten times has made one change. */
const REST_MS = 700
/** One tap of an arrow key, and one with Shift. */
export const STEP_MM = 50
export const WIDE_STEP_MM = 250

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
}

/** Writes down where a role's thing stands now; false where that was not kept. */
export type OnMove = (roleId: string, place: Place) => Promise<boolean>

export interface PlanMoves {
  /** Where everything is, what is being moved included. */
  things: readonly PlanThing[]
  heldKey: string | null
  heldPlace: Place | null
  /** Null for what nobody may move, or what stands where its role's other things do. */
  listenTo(thing: PlanThing): MoveListeners | null
}

export interface MoveListeners {
  onPointerDown(event: PointerEvent<SVGGElement>): void
  onPointerMove(event: PointerEvent<SVGGElement>): void
  onPointerUp(): void
  onPointerCancel(): void
  onKeyDown(event: KeyboardEvent): void
}

interface Held {
  thing: PlanThing
  /** Where the hand has it, before it is rounded to what is written on tape. */
  xMm: number
  yMm: number
}

/** Things of a plan that are moved by pointer or arrow keys, and where they are until that is saved. */
export function usePlanMoves(plan: Plan, onMove: OnMove | null): PlanMoves {
  const [held, setHeld] = useState<Held | null>(null)
  const rest = useRef<ReturnType<typeof setTimeout> | null>(null)
  const waiting = useRef<(() => void) | null>(null)
  const grip = useRef<{ dx: number; dy: number } | null>(null)
  // What was saved comes back with the plan; until then it stays where it was put.
  // biome-ignore lint/correctness/useExhaustiveDependencies: another plan lets go of what was held for the one before.
  useEffect(() => {
    if (!grip.current) setHeld(null)
  }, [plan])
  // Who leaves the page before it rested has moved it all the same.
  useEffect(() => () => waiting.current?.(), [])

  const placeOf = ({ thing, xMm, yMm }: Held): Place => placeAt(thing, { xMm, yMm }, plan.turnedDegrees)
  const things = plan.things.map((it) =>
    held && it.key === held.thing.key ? moveTo(it, placeOf(held), plan.turnedDegrees) : it,
  )
  const letGo = () => {
    clearTimeout(rest.current ?? undefined)
    waiting.current = null
  }
  const save = async (last: Held) => {
    letGo()
    const place = placeOf(last)
    const before = placeAt(last.thing, last.thing, plan.turnedDegrees, 1)
    if (place.distanceMm === before.distanceMm && place.sideDegrees === before.sideDegrees) setHeld(null)
    else if (!(await onMove?.(last.thing.roleId, place))) setHeld(null)
  }
  const toPlan = (event: PointerEvent<SVGGElement>) => {
    const matrix = event.currentTarget.ownerSVGElement?.getScreenCTM()
    if (!matrix) return null
    const point = new DOMPoint(event.clientX, event.clientY).matrixTransform(matrix.inverse())
    return { xMm: point.x, yMm: point.y }
  }

  const listen = (thing: PlanThing): MoveListeners => ({
    onPointerDown(event: PointerEvent<SVGGElement>) {
      const at = toPlan(event)
      if (!at || event.button !== 0) return
      event.currentTarget.setPointerCapture(event.pointerId)
      grip.current = { dx: thing.xMm - at.xMm, dy: thing.yMm - at.yMm }
    },
    onPointerMove(event: PointerEvent<SVGGElement>) {
      const at = grip.current && toPlan(event)
      if (!at || !grip.current) return
      const origin = plan.things.find((it) => it.key === thing.key) ?? thing
      setHeld({ thing: origin, xMm: at.xMm + grip.current.dx, yMm: at.yMm + grip.current.dy })
    },
    onPointerUp() {
      grip.current = null
      if (held) save(held)
    },
    onPointerCancel() {
      grip.current = null
      setHeld(null)
    },
    onKeyDown(event: KeyboardEvent) {
      const arrow = ARROWS[event.key]
      if (event.key === 'Escape' && held) {
        letGo()
        setHeld(null)
      }
      if (!arrow) return
      event.preventDefault()
      const step = event.shiftKey ? WIDE_STEP_MM : STEP_MM
      const isSame = held?.thing.key === thing.key
      // Another one that still waits to be written down is written down first.
      if (held && !isSame) save(held)
      const now = held && isSame ? held : { thing, xMm: thing.xMm, yMm: thing.yMm }
      const next = { ...now, xMm: now.xMm + arrow[0] * step, yMm: now.yMm + arrow[1] * step }
      setHeld(next)
      letGo()
      waiting.current = () => save(next)
      rest.current = setTimeout(waiting.current, REST_MS)
    },
  })
  return {
    things,
    heldKey: held?.thing.key ?? null,
    heldPlace: held && placeOf(held),
    listenTo: (thing: PlanThing) => (onMove && thing.isAlone ? listen(thing) : null),
  }
}
