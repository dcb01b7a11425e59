import {
  CategoryScale,
  Chart,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  Tooltip,
} from 'chart.js'
import { useEffect, useRef } from 'react'
import type { WhatIf } from '../../core/findings/index.ts'

Chart.register(CategoryScale, LinearScale, LineController, LineElement, PointElement, Tooltip)

/**
 * Questions and errors over the threshold: two lines told apart by their strokes, and named beneath, not by
 * colour alone.
 */
export function ThresholdChart({ points, now }: { points: readonly WhatIf[]; now: number }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  useEffect(() => {
    if (!canvas.current) return
    const style = getComputedStyle(document.documentElement)
    const ink = (name: string) => style.getPropertyValue(name).trim()
    const line = (values: number[], colour: string, dash: number[]) => ({
      data: values,
      borderColor: colour,
      backgroundColor: colour,
      borderDash: dash,
      borderWidth: 2,
      pointRadius: points.map((p) => (Math.abs(p.threshold - now) < 0.011 ? 5 : 0)),
      stepped: 'before' as const,
    })
    const chart = new Chart(canvas.current, {
      type: 'line',
      data: {
        labels: points.map((p) => String(Math.round(p.threshold * 100))),
        datasets: [
          {
            label: 'questions',
            ...line(
              points.map((p) => p.questions),
              ink('--petrol'),
              [],
            ),
          },
          {
            label: 'errors nobody is asked about',
            ...line(
              points.map((p) => p.passed),
              ink('--plum'),
              [6, 4],
            ),
          },
        ],
      },
      options: {
        animation: false,
        responsive: true,
        maintainAspectRatio: false,
        interaction: { mode: 'index', intersect: false },
        scales: {
          x: { ticks: { color: ink('--ink-2'), maxTicksLimit: 8 }, grid: { display: false } },
          y: {
            beginAtZero: true,
            ticks: { precision: 0, color: ink('--ink-2') },
            grid: { color: ink('--line-2') },
          },
        },
      },
    })
    return () => chart.destroy()
  }, [points, now])
  const at = points.reduce(
    (best, p) => (Math.abs(p.threshold - now) < Math.abs(best.threshold - now) ? p : best),
    points[0],
  )
  return (
    <figure>
      <div className="h-44">
        <canvas
          ref={canvas}
          role="img"
          aria-label={`Asked below ${Math.round(at.threshold * 100)}: ${at.questions} questions, ${at.passed} errors pass`}
        />
      </div>
      <figcaption className="mt-1 flex flex-wrap gap-4 text-[13px] text-ink-2">
        <span className="flex items-center gap-1">
          <span aria-hidden className="w-6 border-t-2 border-petrol" />
          questions: {at.questions} at {Math.round(at.threshold * 100)}
        </span>
        <span className="flex items-center gap-1">
          <span aria-hidden className="w-6 border-t-2 border-dashed border-plum" />
          errors nobody is asked about: {at.passed}
        </span>
      </figcaption>
    </figure>
  )
}
