// Whether bytes are a number as it is stored, without reading each: numbers of one shape all fit or none does. The first
// of a shape is read, the others are only looked at.

import { isDigit } from '../../identifier/codes.js'
import type { Definition } from '../../identifier/definition.js'
import { holds } from '../../identifier/holds.js'
import type { Matcher } from './matcher.js'

const CODES = 128
/** What is longer is read by itself, so that one field of rubbish does not use up the shapes. */
const LONGEST = 64
/** More shapes than this are no column of numbers. */
const MOST_NODES = 4096
const [ZERO, NINE] = [48, 57]
/** Stands for a zero that is the last digit: where decimals may be left out it does not belong there. */
const LAST_ZERO = 1

/** Numbers in other bases and with exponents have digits that say more than where they stand. */
export function hasShapes({ stored, check, never, only, zeros }: Definition): boolean {
  const free = !check && never.length === 0 && only.length === 0 && zeros !== 'padding'
  return (
    free &&
    stored.masks.every(({ nodes }) =>
      nodes.every((node) => {
        if (node.kind === 'literal') return true
        if (node.kind !== 'number') return false
        const { base, scientific } = node.quantity
        return base === undefined && scientific === undefined
      }),
    )
  )
}

export function shapesOf(definition: Definition): Matcher {
  const next = new Int16Array(CODES * MOST_NODES)
  const fits: (boolean | undefined)[] = []
  let nodes = 1

  function shape(bytes: Uint8Array, start: number, end: number): number {
    let last = end - 1
    while (last >= start && !isDigit(bytes[last]!)) last--
    let at = 0
    let leading = true
    for (let i = start; i < end; i++) {
      let code = bytes[i]!
      if (code >= CODES) return -1
      if (isDigit(code)) {
        leading &&= code === ZERO
        // 0012.50 -> 0099.9_, where the last one is a zero
        code = i === last && code === ZERO ? LAST_ZERO : leading ? ZERO : NINE
      }
      const place = at * CODES + code
      if (next[place] === 0) {
        if (nodes === MOST_NODES) return -1
        next[place] = nodes++
      }
      at = next[place]!
    }
    return at
  }

  return (bytes, start, end) => {
    const at = end - start > LONGEST ? -1 : shape(bytes, start, end)
    if (at <= 0) return false
    return (fits[at] ??= holds(definition, String.fromCharCode(...bytes.subarray(start, end))))
  }
}
