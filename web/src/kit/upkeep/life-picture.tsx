import { formatMoney, type LifeMonth, sayNumber } from '@exemplar/core'
import { useStudioQuery } from '../../foundation/api/api.ts'
import { useMay } from '../../foundation/api/session.ts'

const [WIDTH, HEIGHT, BASE] = [640, 96, 60] as const
/** Where faults, services and money are marked, under the bars. */
const [FAULTS, SERVICES, COSTS] = [70, 80, 90] as const

/** The life of a thing on one line: use by month as bars, under them faults, services and costs; the table says the same. */
export function LifePicture({ life }: { life: readonly LifeMonth[] }) {
  const { data: studio } = useStudioQuery()
  const may = useMay()
  const seesMoney = may('see-money')
  const told = life.filter((it) => it.uses + it.faults + it.services > 0 || (seesMoney && it.costMinor !== 0))
  if (told.length === 0 || life.length < 2) return null
  const step = WIDTH / life.length
  const most = Math.max(1, ...life.map((it) => it.uses))
  // The first label and that of the year after it would lie on each other.
  const nearYear = life.slice(1, 5).some((it) => it.month.endsWith('-01'))
  const say = (minor: number) => formatMoney(minor, studio?.currency ?? 'GBP')
  const sum = (read: (it: LifeMonth) => number) => life.reduce((total, it) => total + read(it), 0)
  const words = `${sayNumber(
    sum((it) => it.uses),
    'use',
  )}, ${sayNumber(
    sum((it) => it.faults),
    'fault',
  )}, ${sayNumber(
    sum((it) => it.services),
    'service',
  )} in ${sayNumber(life.length, 'month')}`
  return (
    <figure className="my-2">
      <figcaption className="text-[12px] text-quiet">Its life: {words}</figcaption>
      <svg
        viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
        className="w-full max-w-[640px]"
        role="img"
        aria-label={`Its life: ${words}`}
      >
        <line x1="0" x2={WIDTH} y1={BASE} y2={BASE} stroke="var(--rule-strong)" />
        {life.map((it, at) => {
          const x = at * step
          const middle = x + step / 2
          const high = (it.uses / most) * (BASE - 14)
          return (
            <g key={it.month}>
              {it.uses > 0 && (
                <rect x={x + step * 0.15} width={step * 0.7} y={BASE - high} height={high} fill="var(--quiet)" />
              )}
              {it.faults > 0 && (
                <polygon
                  points={`${middle - 2},${FAULTS - 5} ${middle + 2},${FAULTS - 5} ${middle + 5},${FAULTS - 2} ${middle + 5},${FAULTS + 2} ${middle + 2},${FAULTS + 5} ${middle - 2},${FAULTS + 5} ${middle - 5},${FAULTS + 2} ${middle - 5},${FAULTS - 2}`}
                  fill={it.failures > 0 ? 'var(--stop)' : 'none'}
                  stroke={it.failures > 0 ? 'var(--stop)' : 'var(--warn)'}
                />
              )}
              {it.services > 0 && (
                <path d={`M${middle - 4} ${SERVICES} l3 4 l6 -8`} fill="none" stroke="var(--ok)" strokeWidth="1.8" />
              )}
              {seesMoney && it.costMinor !== 0 && (
                <rect x={middle - 3} y={COSTS - 3} width="6" height="6" fill="none" stroke="var(--ink)" />
              )}
              {(it.month.endsWith('-01') || (at === 0 && !nearYear)) && (
                <text x={x} y="10" fontSize="11" fill="var(--quiet)">
                  {at === 0 ? it.month : it.month.slice(0, 4)}
                </text>
              )}
            </g>
          )
        })}
      </svg>
      <details className="text-[12px]">
        <summary className="cursor-pointer">As a table</summary>
        <table>
          <thead>
            <tr>
              <th scope="col">Month</th>
              <th scope="col" className="text-right">
                Uses
              </th>
              <th scope="col" className="text-right">
                Faults
              </th>
              <th scope="col" className="text-right">
                Services
              </th>
              {seesMoney && (
                <th scope="col" className="text-right">
                  Cost
                </th>
              )}
            </tr>
          </thead>
          <tbody>
            {told.map((it) => (
              <tr key={it.month}>
                <td>{it.month}</td>
                <td className="figures text-right">{it.uses}</td>
                <td className="figures text-right">
                  {it.faults}
                  {it.failures > 0 && ` (${it.failures} unusable)`}
                </td>
                <td className="figures text-right">{it.services}</td>
                {seesMoney && <td className="figures text-right">{it.costMinor === 0 ? '–' : say(it.costMinor)}</td>}
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </figure>
  )
}
