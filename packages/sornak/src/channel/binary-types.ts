// Binary number types (IEEE 754): beyond a power of two only every 2nd, 4th, 8th … integer exists in them.

import {
  BINARY16,
  BINARY32,
  BINARY64,
  BINARY80,
  filledUp,
  nearestFloat,
  roundedTo,
  shortest,
  type BinaryFormat,
} from './binary-float.js'
import type { Channel, Preimage } from './channel.js'
import { bareDigits, isDigits } from './number-text.js'

const SEVENTEEN = '17 and zeros'
const INFINITY = 'inf'

type Words = Pick<Channel, 'id' | 'title' | 'describe' | 'met' | 'prevent' | 'example' | 'forms'>

/**
 * In its form `shortest` a number is printed with the fewest digits that name it, with seventeen and zeros behind them in
 * that of so many, else with all of them.
 */
function binaryType(format: BinaryFormat, words: Words): Channel {
  const { exactTo, infinite } = format
  const prints = (float: bigint, form: string) => {
    if (form === SEVENTEEN) return filledUp(float)
    return form === 'shortest' && float >= exactTo ? shortest(float, format) : float
  }
  return {
    ...words,
    finding: 'digits-rounded',
    forward(text, form) {
      if (!isDigits(text)) return text
      const value = BigInt(bareDigits(text))
      if (infinite !== undefined && value >= infinite) return INFINITY
      const printed = prints(nearestFloat(value, format), form)
      return printed === value ? text : printed.toString()
    },
    inverse(seen) {
      if (seen === INFINITY && infinite !== undefined)
        return [{ kind: 'residues', rest: 0n, modulus: 1n, from: infinite }]
      if (!/^[1-9]\d*$/.test(seen)) return []
      const value = BigInt(seen)
      const float = nearestFloat(value, format)
      if (infinite !== undefined && value >= infinite) return []
      if (float < exactTo || !words.forms.some((form) => prints(float, form) === value)) return []
      return [{ kind: 'integers', ...roundedTo(float, format) } satisfies Preimage]
    },
  }
}

export const binary16: Channel = binaryType(BINARY16, {
  id: 'binary16',
  title: 'Stored as a 16-bit binary number',
  describe:
    'Beyond 2048 a binary16 number holds only every 2nd, 4th, 8th … integer, and beyond 65504 none.',
  met: 'arrays of half precision, as models of statistics keep them',
  prevent: 'Keep identifiers out of arrays of numbers, or keep them as text.',
  example: { before: '20417', after: '20416', form: 'all digits' },
  forms: ['all digits', 'shortest'],
})

export const binary32: Channel = binaryType(BINARY32, {
  id: 'binary32',
  title: 'Stored as a 32-bit binary number',
  describe:
    'Beyond 2^24 a binary32 number holds only every 2nd, 4th, 8th … integer, so values of 8 digits and more move to a neighbour.',
  met: 'columns of type real or float, and arrays of single precision',
  prevent: 'Store identifiers as text; seven digits are all that this type keeps.',
  example: { before: '2065550142', after: '2065550080', form: 'all digits' },
  forms: ['all digits', 'shortest'],
})

export const binary64: Channel = binaryType(BINARY64, {
  id: 'binary64',
  title: 'Stored as a 64-bit binary number',
  describe:
    'Beyond 2^53 a binary64 number holds only every 2nd, 4th, 8th … integer, so long values move to a neighbour.',
  met: 'JSON read by scripts, columns of type double or float, data frames, spreadsheets',
  prevent: 'Send and store values of more than 15 digits as text.',
  example: { before: '123456789012345678', after: '123456789012345680', form: 'shortest' },
  forms: ['shortest', 'all digits', SEVENTEEN],
})

export const binary80: Channel = binaryType(BINARY80, {
  id: 'binary80',
  title: 'Stored as an 80-bit binary number',
  describe:
    'Beyond 2^64 an extended number, of which 64 bits are digits, holds only every 2nd, 4th, 8th … integer, so values of 20 digits and more move to a neighbour.',
  met: 'tools of the command line that add, round or format columns in the widest numbers of the processor',
  prevent:
    'Keep values of more than 19 digits away from such tools, or tell them that the column is text.',
  example: { before: '30580648082642691667', after: '30580648082642691668', form: 'all digits' },
  forms: ['all digits'],
})
