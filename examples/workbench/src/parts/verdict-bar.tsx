// How the values of a column stand, as one bar, and where in the file they lie, as a strip of rows.

import type { Strip, Verdict } from 'sornak'
import { useEffect, useRef } from 'react'
import { useTheme } from './theme.js'
import { number, share, VERDICT_ORDER } from './words.js'

export function VerdictBar({
  verdicts,
  values,
}: {
  readonly verdicts: Readonly<Record<Verdict, number>>
  readonly values: number
}) {
  const shown = VERDICT_ORDER.filter((verdict) => verdicts[verdict] > 0)
  const words = shown.map((verdict) => `${number(verdicts[verdict])} ${verdict}`).join(', ')
  return (
    <svg
      className="bar"
      role="img"
      aria-label={words || 'no values'}
      viewBox="0 0 1000 20"
      preserveAspectRatio="none"
    >
      {shown.map((verdict, i) => {
        const before = shown.slice(0, i).reduce((sum, one) => sum + verdicts[one], 0)
        const width = Math.max(3, (1000 * verdicts[verdict]) / Math.max(1, values))
        return (
          <rect
            key={verdict}
            className={`v-${verdict}`}
            x={(1000 * before) / Math.max(1, values)}
            width={width}
            height="20"
          >
            <title>{`${verdict}: ${number(verdicts[verdict])} (${share(verdicts[verdict], values)})`}</title>
          </rect>
        )
      })}
    </svg>
  )
}

const KINDS = ['mendable', 'open', 'gone'] as const

/** From the first row at the left to the last at the right; taller where more values are damaged. */
export function StripView({ strip, label }: { readonly strip: Strip; readonly label: string }) {
  const canvas = useRef<HTMLCanvasElement>(null)
  const theme = useTheme()
  useEffect(() => {
    const draw = () => {
      const { current } = canvas
      const context = current?.getContext('2d')
      if (!current || !context) return
      const scale = devicePixelRatio || 1
      const { clientWidth: width, clientHeight: height } = current
      current.width = width * scale
      current.height = height * scale
      context.scale(scale, scale)
      context.clearRect(0, 0, width, height)
      const style = getComputedStyle(current)
      const parts = strip.gone.length
      const rowsIn = strip.rows / parts
      const step = width / parts
      for (let i = 0; i < parts; i++) {
        let bottom = height
        for (const kind of KINDS) {
          const full = Math.min(1, strip[kind][i]! / Math.max(1, rowsIn))
          if (full === 0) continue
          const tall = Math.max(3, full * height)
          context.fillStyle = style.getPropertyValue(`--s-${kind}`)
          context.fillRect(
            i * step,
            Math.max(0, bottom - tall),
            Math.ceil(step),
            Math.min(tall, bottom),
          )
          bottom -= tall
        }
      }
    }
    // Told at once, when the size is known, and whenever it changes.
    const observer = new ResizeObserver(draw)
    observer.observe(canvas.current!)
    return () => observer.disconnect()
  }, [strip, theme])
  return <canvas ref={canvas} className="strip" role="img" aria-label={label} />
}

/** The rows of a strip in words, for those who do not see it. */
export function stripWords(header: string, strip: Strip): string {
  const parts = strip.gone.length
  const busy = strip.gone.map((_, i) => KINDS.reduce((sum, kind) => sum + strip[kind][i]!, 0))
  const top = busy.indexOf(Math.max(...busy))
  if (busy[top] === 0) return `${header}: no damage in any row`
  const row = (part: number) => number(Math.floor((part * strip.rows) / parts) + 1)
  return `${header}: damage from row ${row(busy.findIndex((n) => n > 0))} to row ${row(busy.findLastIndex((n) => n > 0) + 1)}, most near row ${row(top)}`
}
