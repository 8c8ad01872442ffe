import { type PlanFrame, WALLS } from '@exemplar/core'
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
        {frame.walls.slice(1).map((it) => (
          <line
            key={it.from}
            x1={-half + it.from * widthMm}
            x2={-half + it.from * widthMm}
            y1={top}
            y2={top + heightMm}
            stroke="var(--quiet)"
            strokeWidth={line}
          />
        ))}
        {frame.inPicture.map((it) => it.y !== null && <Seen key={it.key} it={{ ...it, y: it.y }} frame={frame} />)}
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
        {frame.walls.length > 1 && ` From left to right: ${frame.walls.map((it) => WALLS[it.wall]).join(', ')}.`}
        {frame.inPicture
          .filter((it) => it.isIn && !it.isHidden)
          .map((it) => ` ${it.tag} is in it.`)
          .join('')}
        {backdropTag === null && ' How wide what is behind is nobody wrote down.'}
      </figcaption>
    </figure>
  )
}

/** A lamp or a microphone where the camera sees it, and so far outside as fits beside the picture. */
function Seen({ it, frame }: { it: PlanFrame['inPicture'][number] & { y: number }; frame: PlanFrame }) {
  const { widthMm } = frame
  const heightMm = (widthMm * 9) / 16
  const middle = heightMm / 6
  if (Math.abs(it.x) - it.radius > 1 || Math.abs(it.y) - (it.radius * 16) / 9 > 1) return null
  const [x, y] = [(it.x * widthMm) / 2, middle - (it.y * heightMm) / 2]
  const size = Math.max((it.radius * widthMm) / 2, widthMm / 60)
  const look = {
    fill: 'var(--sheet)',
    fillOpacity: 0.7,
    stroke: it.isHidden ? 'var(--quiet)' : 'var(--ink)',
    strokeWidth: widthMm / 220,
    strokeDasharray: it.isHidden ? `${widthMm / 80} ${widthMm / 120}` : undefined,
  }
  return (
    <g>
      {it.kind === 'lamp' ? (
        <circle cx={x} cy={y} r={size} {...look} />
      ) : (
        <path d={`M ${x - size} ${y - size} h ${size * 2} l ${-size} ${size * 2} Z`} {...look} />
      )}
      <text
        x={x}
        y={y + size + widthMm / 24}
        fontSize={widthMm / 28}
        textAnchor="middle"
        fill="var(--ink)"
        className="font-mono"
      >
        {it.tag}
      </text>
    </g>
  )
}

function sayBackdrop({ backdropShare, backdropTag }: PlanFrame): string {
  if (backdropShare === null || backdropTag === null) return ''
  return backdropShare < 1
    ? `${backdropTag} ends in the picture: it fills ${Math.floor(backdropShare * 100)} % of the width.`
    : `${backdropTag} fills it.`
}
