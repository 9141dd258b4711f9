// Damaged values of each column, stacked by verdict. The bars beside each column show shares; this shows counts.

import { BarController, BarElement, CategoryScale, Chart, LinearScale, Tooltip } from 'chart.js'
import { useEffect, useRef } from 'react'
import type { InspectedColumn } from '../worker/protocol.js'
import { useTheme } from './theme.js'
import { number, VERDICT_ORDER } from './words.js'

Chart.register(BarController, BarElement, CategoryScale, LinearScale, Tooltip)

const SHOWN = VERDICT_ORDER.filter((verdict) => verdict !== 'intact' && verdict !== 'blank')

export function VerdictChart({ columns }: { readonly columns: readonly InspectedColumn[] }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const theme = useTheme()
  useEffect(() => {
    let chart: Chart | undefined
    const fill = () => {
      if (!chart) return
      chart.data = {
        labels: columns.map(({ header }) => header),
        datasets: SHOWN.map((verdict) => ({
          label: verdict,
          // Of nothing there is no bar, not even a thin one.
          data: columns.map(({ verdicts }) => verdicts[verdict] || null),
          backgroundColor: colour(`--v-${verdict}`),
          barThickness: 16,
        })),
      }
      chart.update()
    }
    const style = getComputedStyle(canvas.current!)
    const colour = (name: string) => style.getPropertyValue(name)
    // Two tasks of their own, after what is drawn with it: the empty chart, and its bars.
    let wait = setTimeout(() => {
      const text = { color: colour('--ink'), font: { size: 12 } }
      chart = new Chart(canvas.current!, {
        type: 'bar',
        data: { datasets: [] },
        options: {
          indexAxis: 'y',
          animation: false,
          maintainAspectRatio: false,
          scales: {
            x: {
              stacked: true,
              ticks: { ...text, precision: 0 },
              grid: { color: colour('--line') },
            },
            y: { stacked: true, ticks: text, grid: { display: false } },
          },
          plugins: { legend: { display: false }, tooltip: { mode: 'index' } },
        },
      })
      wait = setTimeout(fill)
    })
    return () => {
      clearTimeout(wait)
      chart?.destroy()
    }
  }, [columns, theme])
  const words = columns
    .map(({ header, verdicts }) => {
      const parts = SHOWN.filter((verdict) => verdicts[verdict] > 0)
      return `${header}: ${parts.map((verdict) => `${number(verdicts[verdict])} ${verdict}`).join(', ') || 'none'}`
    })
    .join('; ')
  return (
    <div className="chart">
      <canvas ref={canvas} role="img" aria-label={`Damaged values by column. ${words}.`} />
    </div>
  )
}
