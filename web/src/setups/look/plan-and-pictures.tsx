import type { Plan, PlanFrame, PlanThing } from '@exemplar/core'
import { CameraFrame } from './camera-frame.tsx'
import { type OnMove, usePlanMoves } from './plan-moves.ts'
import { PlanView } from './plan-view.tsx'

/** The set from above, and beside it what each camera sees; what is moved in the one changes the other at once. */
export function PlanAndPictures({
  plan,
  onMove,
}: {
  plan: Plan
  /** Null for who may not change setups. */
  onMove: OnMove | null
}) {
  const moves = usePlanMoves(plan, onMove)
  return (
    <div className="grid gap-4 min-[1700px]:grid-cols-[1.25fr_1fr]">
      <PlanView plan={plan} moves={moves} canMove={onMove !== null} />
      <div className="mt-3 grid content-start gap-3 sm:grid-cols-2">
        {plan.frames.map((frame) => (
          <CameraFrame key={frame.roleId} frame={seeFrom(frame, plan, moves.things)} />
        ))}
      </div>
    </div>
  )
}

/** What a camera sees from where it is while it is being moved: what comes into the picture beside its width is told once it rests. */
function seeFrom(frame: PlanFrame, plan: Plan, things: readonly PlanThing[]): PlanFrame {
  const camera = things.find((it) => it.roleId === frame.roleId && it.tag === frame.tag)
  if (!camera || camera.distanceMm === frame.distanceMm) return frame
  const { distanceMm } = camera
  const { backdrop, backdropMm } = plan
  return {
    ...frame,
    distanceMm,
    widthMm: (frame.widthMm * distanceMm) / frame.distanceMm,
    backdropShare:
      frame.backdropShare !== null && backdrop && backdropMm !== null
        ? backdrop.widthMm / (frame.seenPerMm * (distanceMm + backdropMm))
        : frame.backdropShare,
    walls: [],
    inPicture: [],
  }
}
