// A code with hyphens or a slash that is worked out as a sum: 555-0142 becomes 413, 1/2 becomes 0.5.

import type { Channel } from './channel.js'

const DIFFERENCE = /^\d+(?:-\d+){1,3}$/
const QUOTIENT = /^\d+\/\d+$/
/** Digits of a quotient that programs print. */
const PLACES = 15

export const arithmetic: Channel = {
  id: 'arithmetic',
  finding: 'evaluated',
  title: 'Worked out as a sum',
  describe: 'Hyphens and slashes between digits are taken for minus and divided by.',
  met: 'values pasted into a cell or field that works out what looks like a formula',
  prevent: 'Enter such codes as text, or store them without separators.',
  example: { before: '555-0142', after: '413', form: 'decimal' },
  forms: ['decimal', 'comma'],
  forward(text, form) {
    const value = workedOut(text)
    if (value === undefined) return text
    return form === 'comma' ? value.replace('.', ',') : value
  },
  inverse(seen) {
    const value = seen.replace(',', '.').replace('−', '-')
    return /^-?(?:0|[1-9]\d*)(?:\.\d+)?$/.test(value) ? [{ kind: 'sums', value }] : []
  },
}

/** The value of digits joined by hyphens or one slash; undefined for anything else. */
export function workedOut(text: string): string | undefined {
  if (DIFFERENCE.test(text)) {
    const [first, ...rest] = text.split('-').map((part) => BigInt(part))
    return rest.reduce((sum, part) => sum - part, first!).toString()
  }
  if (!QUOTIENT.test(text)) return undefined
  const [above, below] = text.split('/').map((part) => BigInt(part))
  return below === 0n ? undefined : quotient(above!, below!)
}

// Rounded to so many significant digits, zeros at the end dropped.
function quotient(above: bigint, below: bigint): string {
  const whole = above / below
  const places = Math.max(0, PLACES - (whole === 0n ? 0 : `${whole}`.length))
  const unit = 10n ** BigInt(places)
  const scaled = (above * unit * 2n + below) / (below * 2n)
  const fraction = `${scaled % unit}`.padStart(places, '0').replace(/0+$/, '')
  return `${scaled / unit}${fraction ? `.${fraction}` : ''}`
}
