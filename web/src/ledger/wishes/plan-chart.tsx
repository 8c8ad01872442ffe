import type { PlanSketch } from '@exemplar/core'
import { CategoryScale, Chart, LinearScale, LineController, LineElement, PointElement, Tooltip } from 'chart.js'
import { useEffect, useRef } from 'react'

Chart.register(CategoryScale, LinearScale, LineController, LineElement, PointElement, Tooltip)

const read = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()

/** Shoots that nothing stops against money, with what is to be spent as a line across. The table beside it says the same. */
export function PlanChart({
  steps,
  now,
  all,
  budgetMinor,
  exponent,
  currency,
}: {
  steps: readonly PlanSketch[]
  now: number
  all: number
  budgetMinor: number
  exponent: number
  currency: string
}) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    if (!canvas.current) return
    const scale = 10 ** exponent
    const [ink, quiet, rule] = [read('--ink'), read('--quiet'), read('--rule')]
    const last = Math.max(budgetMinor, steps.at(-1)?.costMinor ?? 0) / scale
    const points = [
      { x: 0, y: now },
      ...steps.map((it) => ({ x: it.costMinor / scale, y: it.shoots })),
      { x: last * 1.02, y: steps.at(-1)?.shoots ?? now },
    ]
    const chart = new Chart(canvas.current, {
      type: 'line',
      data: {
        datasets: [
          {
            label: 'Shoots that nothing stops',
            data: points,
            stepped: 'before',
            borderColor: ink,
            backgroundColor: ink,
            borderWidth: 2,
            pointRadius: 3,
          },
          {
            label: 'Your money',
            data: [
              { x: budgetMinor / scale, y: 0 },
              { x: budgetMinor / scale, y: all },
            ],
            borderColor: quiet,
            borderDash: [4, 4],
            borderWidth: 1.5,
            pointRadius: 0,
          },
        ],
      },
      options: {
        animation: false,
        parsing: false,
        maintainAspectRatio: false,
        plugins: { legend: { display: false } },
        scales: {
          x: {
            type: 'linear',
            min: 0,
            title: { display: true, text: currency, color: quiet },
            ticks: { color: quiet },
            grid: { color: rule },
          },
          y: {
            min: 0,
            suggestedMax: all,
            title: { display: true, text: 'Shoots that nothing stops', color: quiet },
            ticks: { color: quiet, precision: 0 },
            grid: { color: rule },
          },
        },
      },
    })
    return () => chart.destroy()
  }, [steps, now, all, budgetMinor, exponent, currency])
  return (
    <div className="h-60 max-w-[720px]">
      <canvas
        ref={canvas}
        role="img"
        aria-label="Shoots that nothing stops against money; the table beside it says the same."
      />
    </div>
  )
}
