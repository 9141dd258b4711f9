// What `sornak explain` says of a mask, and of a value under it: where each character went, or why it
// does not fit and what would make it fit.

import { remedies, trace, type Mask } from 'sornak'
import { STATUS } from '../stop.js'
import type { Explained } from '../explained.js'

export function maskLines(mask: Mask): string[] {
  const shortest = mask.print()
  return [
    mask.text,
    `  ${mask.explain()}`,
    `  Outline: ${mask.outline}`,
    ...(shortest === mask.text ? [] : [`  Shortest: ${shortest}`]),
  ]
}

export function maskValue(mask: Mask, value: string): Explained {
  const lines = [...maskLines(mask), '']
  const traced = trace(mask, value)
  if (!traced.ok) {
    const { at, message, todo } = traced.misfit
    lines.push(`"${value}" does not fit.`, `  ${value}`)
    lines.push(`  ${' '.repeat([...value.slice(0, at)].length)}^ ${message}`, `  ${todo}`)
    for (const { message: way, shown } of remedies(mask, value))
      lines.push(`  - ${way}${shown === undefined ? '' : ` Shown: ${shown}`}`)
    return { lines, status: STATUS.findings }
  }
  const read = mask.read(value)
  const shown = mask.show(value)
  if (shown.ok) lines.push(`"${value}" as a plain value is shown as "${shown.text}".`)
  if (read.ok) {
    const how = read.strict ? 'is shown as the mask has it' : 'reads with other separators'
    const fields = Object.entries(read.fields ?? {}).map(([name, held]) => `${name} "${held}"`)
    lines.push(
      `"${value}" ${how}; ${fields.length ? `it holds ${fields.join(', ')}` : `its plain value is "${read.plain}"`}.`,
    )
  }
  const width = Math.max(...traced.places.map(({ text }) => [...text].length))
  for (const { text, place } of traced.places)
    lines.push(`  ${text}${' '.repeat(width - [...text].length)}  ${place}`)
  return { lines, status: STATUS.fine }
}
