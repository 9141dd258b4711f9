// Whether a stored text fits its definition: shape first, then check digit, then reserved parts.

import type { Misfit } from '../mask/misfit.js'
import type { MaskList } from '../mask/list.js'
import type { Mask } from '../mask/mask.js'
import { passes } from './check-digit/scheme.js'
import { WHOLE, type Definition } from './definition.js'
import { inRanges } from './ranges.js'

export type Fit =
  | { readonly ok: true; readonly plain: string }
  | { readonly ok: false; readonly code: 'shape'; readonly misfit: Misfit }
  | { readonly ok: false; readonly code: 'check-digit'; readonly scheme: string }
  | {
      readonly ok: false
      readonly code: 'reserved'
      readonly part: string
      readonly rule: 'never' | 'only'
    }

/**
 * Whether a stored text fits: shape, check digit and reserved parts. Strict: the text as it stands, no
 * separators added or dropped.
 *
 * @example
 * fit(identifier({ stored: '{5}' }), '00417') // { ok: true, plain: '00417' }
 * fit(fromCatalog('card/payment'), '4111111111111112').code // 'check-digit'
 */
export function fit(definition: Definition, text: string): Fit {
  if (definition.zeros === 'padding') return fitPadded(definition, text)
  return fitExactly(definition, text)
}

/**
 * The key by which two texts are the same value: without leading zeros where they are padding.
 *
 * @example
 * keyOf(identifier({ stored: '{1..6}', zeros: 'padding' }), '042') // '42'
 */
export function keyOf(definition: Definition, text: string): string {
  return definition.zeros === 'padding' ? text.replace(/^0+(?=\d)/, '') : text
}

function fitExactly(definition: Definition, text: string): Fit {
  const { stored, check, never, only } = definition
  const read = stored.read(text, { strict: true })
  if (!read.ok) return { ok: false, code: 'shape', misfit: read.misfit }
  const { plain } = read
  if (!check && never.length === 0 && only.length === 0) return { ok: true, plain }

  // Most rules are over the whole value, and ask for no part of it.
  let parts: ReadonlyMap<string, string> | undefined
  const part = (name: string) => {
    if (name === WHOLE) return text
    parts ??= maskOf(stored, text).parts(text)!
    return parts.get(name)
  }
  if (check) {
    const { over, scheme } = check
    const subject =
      over === 'plain'
        ? plain
        : over === 'stored'
          ? text
          : over.map((name) => part(name) ?? '').join('')
    if (!passes(scheme, subject)) return { ok: false, code: 'check-digit', scheme: scheme.title }
  }
  for (const rule of never) {
    const held = part(rule.part)
    if (held !== undefined && inRanges(held, rule.ranges)) {
      return { ok: false, code: 'reserved', part: rule.part, rule: 'never' }
    }
  }
  for (const rule of only) {
    const held = part(rule.part)
    if (held !== undefined && !inRanges(held, rule.ranges)) {
      return { ok: false, code: 'reserved', part: rule.part, rule: 'only' }
    }
  }
  return { ok: true, plain }
}

const maskOf = ({ masks }: MaskList, text: string): Mask =>
  masks.length === 1 ? masks[0]! : masks.find((one) => one.read(text, { strict: true }).ok)!

// A value whose zeros are padding fits if some width of it does. The widths of one all-digit mask
// are few, and the narrowest is tried first.
function fitPadded(definition: Definition, text: string): Fit {
  const exact = fitExactly(definition, text)
  if (exact.ok || !/^\d+$/.test(text)) return exact
  const key = keyOf(definition, text)
  for (const width of widths(definition.stored.masks[0]!)) {
    if (width < key.length) continue
    const padded = fitExactly(definition, key.padStart(width, '0'))
    if (padded.ok) return padded
  }
  return exact
}

/** Whether a mask takes digits only. */
export const allDigits = ({ nodes }: Mask): boolean =>
  nodes.every((node) => node.kind === 'slot' && node.chars.kind === 'digit')

/** The widths in characters that a mask without separators takes, narrowest first. */
export function widths(mask: Mask): number[] {
  const slots = mask.program.slots
  const min = slots.reduce((sum, slot) => sum + slot.min, 0)
  const max = slots.reduce((sum, slot) => sum + slot.max, 0)
  const last = Math.min(max, min + 64)
  return Array.from({ length: last - min + 1 }, (_, i) => min + i)
}
