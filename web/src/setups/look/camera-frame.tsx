import type { PlanFrame } from '@exemplar/core'
import { useMeasures } from '../../foundation/form/measures.tsx'

/** A person as large as people are, in millimetres: from the eyes to the top of the head, and to the floor. */
const HEAD = { halfWidth: 80, above: 120, below: 130 }
const SHOULDERS = { halfWidth: 225, below: 270 }
const HIPS_BELOW_MM = 800

/** What one camera sees, 16 to 9, with the eyes on the upper third and the edges of the backdrop where they come into it. */
export function CameraFrame({ frame }: { frame: PlanFrame }) {
  const { sayLength } = useMeasures()
  const { widthMm, tag, backdropShare, backdropTag } = frame
  const heightMm = (widthMm * 9) / 16
  const half = widthMm / 2
  const top = -heightMm / 3
  const isShort = backdropShare !== null && backdropShare < 1
  const edge = isShort ? half * backdropShare : half
  const line = widthMm / 300
  return (
    <figure>
      <svg
        viewBox={`${-half} ${top} ${widthMm} ${heightMm}`}
        className="h-auto w-full border border-ink bg-sheet"
        role="img"
        aria-label={`${tag} sees ${sayLength(Math.round(widthMm))} across. ${sayBackdrop(frame)}`}
      >
        {backdropShare !== null && (
          <rect x={-edge} y={top} width={edge * 2} height={heightMm} fill="var(--ok)" fillOpacity={0.14} />
        )}
        {isShort && (
          <g fill="var(--stop)" fillOpacity={0.14}>
            <rect x={-half} y={top} width={half - edge} height={heightMm} />
            <rect x={edge} y={top} width={half - edge} height={heightMm} />
          </g>
        )}
        <g fill="var(--sheet)" stroke="var(--ink)" strokeWidth={line * 1.4}>
          <path
            d={`M ${-SHOULDERS.halfWidth} ${HIPS_BELOW_MM} V ${SHOULDERS.below + 60} Q ${-SHOULDERS.halfWidth} ${SHOULDERS.below} ${-SHOULDERS.halfWidth + 120} ${SHOULDERS.below - 40} L -60 ${HEAD.below - 30} H 60 L ${SHOULDERS.halfWidth - 120} ${SHOULDERS.below - 40} Q ${SHOULDERS.halfWidth} ${SHOULDERS.below} ${SHOULDERS.halfWidth} ${SHOULDERS.below + 60} V ${HIPS_BELOW_MM} Z`}
          />
          <ellipse cx={0} cy={(HEAD.below - HEAD.above) / 2} rx={HEAD.halfWidth} ry={(HEAD.above + HEAD.below) / 2} />
        </g>
        <rect
          x={-half * 0.95}
          y={top + heightMm * 0.025}
          width={widthMm * 0.95}
          height={heightMm * 0.95}
          fill="none"
          stroke="var(--quiet)"
          strokeWidth={line}
          strokeDasharray={`${line * 3} ${line * 3}`}
        />
      </svg>
      <figcaption className="mt-1 text-[12px] text-quiet">
        {tag} sees {sayLength(Math.round(widthMm))} across, 16 to 9. {sayBackdrop(frame)}
        {backdropTag === null && ' How wide what is behind is nobody wrote down.'}
      </figcaption>
    </figure>
  )
}

function sayBackdrop({ backdropShare, backdropTag }: PlanFrame): string {
  if (backdropShare === null || backdropTag === null) return ''
  return backdropShare < 1
    ? `${backdropTag} ends in the picture: it fills ${Math.floor(backdropShare * 100)} % of the width.`
    : `${backdropTag} fills it.`
}
