import type { Spending } from '@exemplar/core'
import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js'
import { useEffect, useRef } from 'react'
import { MONTHS } from './months.ts'

Chart.register(
  BarController,
  BarElement,
  CategoryScale,
  Legend,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
)

const read = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(name).trim()

/** Spending by month, running total, and the year's budget as the line it should stay under. The table says the same. */
export function SpendingChart({
  spending,
  exponent,
  currency,
  months,
}: {
  spending: Spending
  exponent: number
  currency: string
  /** Months that have begun; the running total ends there. */
  months: number
}) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    if (!canvas.current) return
    const scale = 10 ** exponent
    const ink = read('--ink')
    const quiet = read('--quiet')
    const budget = spending.budgetMinor
    const chart = new Chart(canvas.current, {
      data: {
        labels: MONTHS,
        datasets: [
          {
            type: 'line',
            label: 'Running total',
            data: spending.months.slice(0, months).map((it) => it.cumulativeMinor / scale),
            borderColor: ink,
            backgroundColor: ink,
            borderWidth: 2,
            pointRadius: 2,
          },
          ...(budget === null
            ? []
            : [
                {
                  type: 'line' as const,
                  label: 'Budget',
                  data: MONTHS.map(() => budget / scale),
                  borderColor: read('--stop'),
                  backgroundColor: read('--stop'),
                  borderDash: [6, 4],
                  borderWidth: 1.5,
                  pointRadius: 0,
                },
              ]),
          {
            type: 'bar',
            label: 'Month',
            data: spending.months.map((it) => it.totalMinor / scale),
            backgroundColor: read('--rule-strong'),
            borderRadius: 0,
          },
        ],
      },
      options: {
        animation: false,
        maintainAspectRatio: false,
        font: { family: read('--face-text') },
        color: quiet,
        plugins: { legend: { align: 'start', labels: { boxWidth: 12, boxHeight: 3, color: quiet } } },
        scales: {
          x: { grid: { display: false }, ticks: { color: quiet } },
          y: {
            grid: { color: read('--rule') },
            ticks: { color: quiet },
            title: { display: true, text: currency, color: quiet },
          },
        },
      },
    })
    return () => chart.destroy()
  }, [spending, exponent, currency, months])
  return (
    <div className="h-64">
      <canvas
        ref={canvas}
        role="img"
        aria-label="Spending by month against the budget; the table below holds the same figures"
      />
    </div>
  )
}
