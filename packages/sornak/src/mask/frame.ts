// Filling up to a least width, and taking the fill off again.

import { misfit, type NoFit } from './misfit.js'
import type { Frame } from './tree.js'

/** The text filled up to its width; a longer text stays whole. Widths count characters. */
export function fillUp(text: string, { width, align = 'left', fill = ' ' }: Frame): string {
  const missing = (width ?? 0) - [...text].length
  if (missing <= 0) return text
  if (align === 'right') return fill.repeat(missing) + text
  if (align === 'left') return text + fill.repeat(missing)
  const before = Math.floor(missing / 2)
  return fill.repeat(before) + text + fill.repeat(missing - before)
}

export function isLonger(text: string, { width }: Frame): boolean {
  return width !== undefined && [...text].length > width
}

/** A value that begins or ends with the fill on the filled side could not be read back. */
export function fillClash(
  text: string,
  { width, align = 'left', fill = ' ' }: Frame,
): NoFit | undefined {
  if (width === undefined || text === '') return undefined
  if (align !== 'left' && text.startsWith(fill)) return misfit('fill-ends', text, 0, '', fill)
  if (align !== 'right' && text.endsWith(fill))
    return misfit('fill-ends', text, text.length - fill.length, '', fill)
  return undefined
}

/** The text without its fill, and how many UTF-16 units of fill stood in front. */
export function stripFill(
  text: string,
  { width, align = 'left', fill = ' ' }: Frame,
): { readonly text: string; readonly offset: number } {
  if (width === undefined) return { text, offset: 0 }
  let from = 0
  let to = text.length
  if (align !== 'left') while (from < to && text.startsWith(fill, from)) from += fill.length
  if (align !== 'right') while (to > from && text.endsWith(fill, to)) to -= fill.length
  return { text: text.slice(from, to), offset: from }
}
