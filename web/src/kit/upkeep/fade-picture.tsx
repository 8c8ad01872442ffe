import type { CapacityRun, judgePack } from '@exemplar/core'

type Fade = NonNullable<ReturnType<typeof judgePack>['fade']>

const [WIDTH, HEIGHT, LEFT, BOTTOM] = [420, 150, 34, 20] as const
/** From so much of its rating up to all of it. */
const LEAST_SHARE = 0.5

/** Capacity by charges: what was measured, the line through it, and where it meets 80 %. The table under it says the same. */
export function FadePicture({ runs, rated, fade }: { runs: readonly CapacityRun[]; rated: number; fade: Fade }) {
  const points = runs.flatMap(({ id, cycles, milliwattHours }) =>
    cycles === null ? [] : [{ id, cycles, share: milliwattHours / rated }],
  )
  const last = Math.max(...points.map((it) => it.cycles), 1)
  // The end is shown where it is not so far off that what was measured would be a dot.
  const end = fade.endCycles !== null && fade.endCycles < last * 4 ? fade.endCycles : null
  const most = Math.max(last, end ?? 0, end === null ? 0 : Math.min(fade.endHigh ?? 0, last * 4)) * 1.05
  const x = (cycles: number) => LEFT + ((WIDTH - LEFT - 8) * cycles) / most
  const y = (share: number) =>
    8 + (HEIGHT - BOTTOM - 8) * (1 - (Math.max(LEAST_SHARE, Math.min(1.1, share)) - LEAST_SHARE) / (1.1 - LEAST_SHARE))
  const at = (cycles: number) => fade.newShare - fade.perCycle * cycles
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      className="mt-1 w-full max-w-[420px]"
      role="img"
      aria-label={`Capacity by charges: ${Math.round(fade.newShare * 100)} % at none, ${Math.round(fade.perCycle * 100_000) / 10} % less with each hundred`}
    >
      {[1, 0.8, 0.6].map((share) => (
        <g key={share}>
          <line
            x1={LEFT}
            x2={WIDTH - 8}
            y1={y(share)}
            y2={y(share)}
            stroke="var(--rule-strong)"
            strokeDasharray={share === 0.8 ? undefined : '2 3'}
          />
          <text x={LEFT - 4} y={y(share) + 4} textAnchor="end" fontSize="11" fill="var(--quiet)">
            {share * 100} %
          </text>
        </g>
      ))}
      {end !== null && fade.endLow !== null && (
        <rect
          x={x(fade.endLow)}
          width={Math.max(2, x(Math.min(fade.endHigh ?? most, most)) - x(fade.endLow))}
          y={y(0.8) - 4}
          height="8"
          fill="var(--wash)"
          stroke="var(--rule-strong)"
        />
      )}
      <line x1={x(0)} y1={y(at(0))} x2={x(end ?? last)} y2={y(at(end ?? last))} stroke="var(--ink)" strokeWidth="1.5" />
      {points.map((it) => (
        <circle key={it.id} cx={x(it.cycles)} cy={y(it.share)} r="3" fill="var(--ink)" />
      ))}
      <text x={x(0)} y={HEIGHT - 5} fontSize="11" fill="var(--quiet)">
        0
      </text>
      <text x={x(end ?? last)} y={HEIGHT - 5} fontSize="11" textAnchor="end" fill="var(--quiet)">
        {end ?? last} charges
      </text>
    </svg>
  )
}
