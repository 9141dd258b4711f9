// A list of masks for an identifier that comes in several lengths: the first that takes a value
// exactly is used.

import { mask, type Mask } from './mask.js'
import { misfit, type NoFit, type Read, type Shown } from './misfit.js'
import { mayRead } from './recognize.js'
import { givenText, type Given } from './show.js'
import type { Fields } from './composite.js'

export interface MaskList {
  readonly masks: readonly Mask[]
  show(value: Given | Fields): Shown
  /** Strictly over all masks, then loosely over all; two different values are a misfit. */
  read(text: string, options?: { readonly strict?: boolean }): Read
}

/**
 * Masks for an identifier that comes in several lengths; the first that takes a value exactly is used.
 *
 * @throws {MaskError} for the first mask that is not well formed
 * @example
 * maskList(['{4} {4} {4} {4}', '{4} {6} {5}']).show('378282246310005') // { ok: true, text: '3782 822463 10005' }
 */
export function maskList(texts: readonly string[]): MaskList {
  return listOf(texts.map((text) => mask(text)))
}

export function listOf(masks: readonly Mask[]): MaskList {
  const list: MaskList = {
    masks,
    show: (value) => showFirst(list, value),
    read: (text, options) => readAll(masks, text, options),
  }
  return list
}

function showFirst(list: MaskList, value: Given | Fields): Shown {
  const { masks } = list
  if (masks.length === 1) return masks[0]!.show(value)
  let nearest: Shown | undefined
  for (const one of masks) {
    const shown = one.show(value)
    if (shown.ok) {
      const canon = one.canon(value)
      const back = one.nodes.some(hides) ? canon : list.read(shown.text)
      if (canon.ok && back.ok && back.plain === canon.plain) return shown
    } else if (!nearest || nearest.ok || shown.misfit.at > nearest.misfit.at) nearest = shown
  }
  return listMisfit(typeof value === 'object' ? '' : givenText(value), nearest)
}

const hides = (node: Mask['nodes'][number]): boolean =>
  node.kind === 'slot' ? node.hide !== undefined : node.kind === 'section' && node.nodes.some(hides)

function readAll(
  masks: readonly Mask[],
  text: string,
  options?: { readonly strict?: boolean },
): Read {
  const [first, second] = masks
  if (first && !second) return first.read(text, options)
  // Of many masks hardly one takes the text.
  const likely = masks.filter((one) => mayRead(one, text))
  for (const strict of options?.strict ? [true] : [true, false]) {
    const read = likely.map((one) => one.read(text, { strict })).filter((one) => one.ok)
    const plains = [...new Set(read.map((one) => one.plain))]
    if (plains.length > 1) {
      return misfit('two-readings', text, 0, plains.map((plain) => `"${plain}"`).join(' or as '))
    }
    if (read[0]) return read[0]
  }
  const failed = masks.map((one) => one.read(text, options)).filter((one) => !one.ok)
  failed.sort((a, b) => b.misfit.at - a.misfit.at)
  return listMisfit(text, failed[0])
}

function listMisfit(text: string | object, nearest: Shown | Read | undefined): NoFit {
  const whole = typeof text === 'string' ? text : ''
  if (!nearest || nearest.ok) return misfit('list', whole, 0, 'another form')
  const { at, expected, code } = nearest.misfit
  if (code !== 'wrong-character' && code !== 'too-long' && code !== 'too-short') return nearest
  return misfit('list', whole, at, expected)
}
