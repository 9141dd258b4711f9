// Text that stands in a field as it came, since no mask can read it.

import { reasons } from './reasons.js'
import type { Rendered } from './state.js'

export function plainly(chars: readonly string[], expected: string): Rendered {
  const ends: number[] = []
  let length = 0
  for (const char of chars) ends.push((length += char.length))
  const text = chars.join('')
  const shared = { text, starts: [0, ...ends], ends, plain: text, expected, rest: '', fits: [] }
  return { ...shared, status: 'misfit', problem: reasons.kept(0, expected) }
}
