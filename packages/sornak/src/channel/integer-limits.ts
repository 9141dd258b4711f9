// Columns of numbers that are too narrow: the value starts again from below, or is held at the limit.

import type { Channel, Preimage } from './channel.js'
import { isDigits } from './number-text.js'

export interface IntegerType {
  /** `int32`, or `uint32` without a sign. */
  readonly name: string
  readonly bits: number
  readonly signed: boolean
  readonly min: bigint
  readonly max: bigint
}

const type = (bits: number, signed: boolean): IntegerType => ({
  name: `${signed ? 'int' : 'uint'}${bits}`,
  bits,
  signed,
  min: signed ? -(1n << BigInt(bits - 1)) : 0n,
  max: (1n << BigInt(signed ? bits - 1 : bits)) - 1n,
})

const ofBits = (...sizes: number[]) =>
  sizes.flatMap((bits) => [type(bits, true), type(bits, false)])

export const INTEGER_TYPES: readonly IntegerType[] = ofBits(16, 32, 64)

/** Types in which numbers start again from below. At the limits of 8 bits, which are numbers like others, none is held. */
export const WRAPPING_TYPES: readonly IntegerType[] = [...ofBits(8), ...INTEGER_TYPES]

/**
 * Of longer numbers that went through 8 bits none is left complete: nothing but how short they all are tells of that, and
 * a minus in front.
 */
const FEW_DIGITS = 3

/** Types in which numbers of at most so many digits start again from below, as far as single values tell of them. */
export const wrappingTypes = (digits: number): readonly IntegerType[] =>
  digits <= FEW_DIGITS
    ? WRAPPING_TYPES
    : WRAPPING_TYPES.filter(({ bits, signed }) => bits > 8 || signed)

/** Types at whose limits values are held; those of 24 bits let none start again. */
export const HOLDING_TYPES: readonly IntegerType[] = [...INTEGER_TYPES, ...ofBits(24)]

// What is seen of values held there, and the largest values of the types that hold them so.
const MAX_OF = new Map<string, bigint[]>()
for (const { min, max, signed } of HOLDING_TYPES)
  for (const limit of signed ? [max, min] : [max])
    MAX_OF.set(`${limit}`, [...(MAX_OF.get(`${limit}`) ?? []), max])

/**
 * Whether numbers of at most so many digits are held there, as hardly one wraps round to it. What was held at the limit of
 * 64 bits first comes out of a narrower type as its limit, though.
 */
export const isHeld = (seen: string, digits: number): boolean =>
  MAX_OF.has(seen) && (seen.length > NARROW || 10n ** BigInt(digits) <= 1n << 64n)

/** Characters of a limit of 32 bits, at the most. */
const NARROW = '-2147483648'.length

const typeNamed = (name: string) => HOLDING_TYPES.find((one) => one.name === name)
/** No identifier is longer than this many digits. */
const ENDLESS = 10n ** 60n

export const wrapped: Channel = {
  id: 'wrapped',
  finding: 'wrapped',
  title: 'Wrapped round',
  describe:
    'The value is too large for an integer of 8, 16, 32 or 64 bits, which starts again from below.',
  met: 'integer columns and casts of programs that do not test for overflow',
  prevent: 'Make the column text; where it must be a number, 64 bits hold 18 digits.',
  example: { before: '4300222233', after: '5254937', form: 'int32' },
  forms: WRAPPING_TYPES.map(({ name }) => name),
  forward(text, form) {
    const into = WRAPPING_TYPES.find(({ name }) => name === form)
    if (!into || !isDigits(text)) return text
    const value = BigInt(text.replace('+', ''))
    return value <= into.max ? text : wrap(value, into).toString()
  },
  inverse: (seen) =>
    /^-?(?:0|[1-9]\d*)$/.test(seen)
      ? WRAPPING_TYPES.flatMap((from) => unwrap(BigInt(seen), from) ?? [])
      : [],
}

/** A column of so many decimal digits holds nines. */
const DECIMAL = /^decimal (\d+)$/
/** Fewer nines are a number like any other. */
const FEW_NINES = 6

export const clamped: Channel = {
  id: 'clamped',
  finding: 'clamped',
  title: 'Held at a limit',
  describe:
    'The value is too large for an integer of 16, 24, 32 or 64 bits or for so many decimal digits, and the largest or smallest value is put instead.',
  met: 'loading long numbers into columns of numbers with a lenient setting, and casts of decimals to integers',
  prevent: 'Make the column text; a value held at a limit must be fetched again.',
  example: { before: '4300222233', after: '2147483647', form: 'int32' },
  forms: [
    ...HOLDING_TYPES.flatMap(({ name, signed }) =>
      signed ? [name, `${name} from below`] : [name],
    ),
    ...[6, 8, 10, 12, 15].map((digits) => `decimal ${digits}`),
  ],
  forward(text, form) {
    if (!isDigits(text)) return text
    const held = heldIn(form)
    return held && BigInt(text.replace('+', '')) > held.max ? held.seen : text
  },
  inverse: (seen) => {
    const found = [...(MAX_OF.get(seen) ?? [])]
    if (seen.length >= FEW_NINES && /^9+$/.test(seen)) found.push(BigInt(seen))
    return found.map((max): Preimage => ({ kind: 'integers', low: max + 1n, high: ENDLESS }))
  },
}

// The largest value of a type, and what it puts for larger ones.
function heldIn(form: string): { readonly max: bigint; readonly seen: string } | undefined {
  const [, digits] = DECIMAL.exec(form) ?? []
  if (digits) {
    const nines = '9'.repeat(Number.parseInt(digits, 10))
    return { max: BigInt(nines), seen: nines }
  }
  const [name = '', below] = form.split(' ')
  const into = typeNamed(name)
  return into && { max: into.max, seen: `${below === undefined ? into.max : into.min}` }
}

/** What an integer type makes of a value that may be too large for it. */
export function wrap(value: bigint, { bits, signed }: IntegerType): bigint {
  return signed ? BigInt.asIntN(bits, value) : BigInt.asUintN(bits, value)
}

/** The values that wrap round to what is seen; undefined where the type could not hold that. */
export function unwrap(
  seen: bigint,
  { bits, min, max }: IntegerType,
): (Preimage & { kind: 'residues' }) | undefined {
  if (seen < min || seen > max) return undefined
  const modulus = 1n << BigInt(bits)
  return { kind: 'residues', rest: ((seen % modulus) + modulus) % modulus, modulus, from: max + 1n }
}
