// What a Parquet column holds (Apache Parquet format, logical types), and how its raw values are written.

import type { SchemaElement } from 'hyparquet'
import type { ColumnType } from 'sornak'
import { binary32Text, binary64Text } from './binary-text.js'

export interface ParquetColumn {
  readonly name: string
  readonly type: ColumnType
  /** @param raw as the file stores it: binary numbers are given by their bits */
  text(raw: unknown): string
}

const strict = new TextDecoder('utf-8', { fatal: true })

export function columnOf(element: SchemaElement): ParquetColumn {
  const { name, type = 'BYTE_ARRAY' } = element
  const logical = element.logical_type?.type ?? element.converted_type ?? ''
  const whole = (raw: unknown) =>
    raw instanceof Uint8Array ? fourBytes(raw) : BigInt(raw as bigint)
  const bigints = (show: (value: bigint) => string) => (raw: unknown) => show(whole(raw))
  const number = (holds: ColumnType['holds'], said: string): ColumnType => ({
    name: said,
    as: 'number',
    holds,
  })
  if (logical === 'DECIMAL') {
    const { precision = 0, scale = 0 } = element
    return {
      name,
      type: number(
        { kind: 'decimal', digits: precision - scale },
        `DECIMAL(${precision},${scale})`,
      ),
      text: (raw) =>
        decimalText(
          raw instanceof Uint8Array && type !== 'INT32' ? signed(raw) : whole(raw),
          scale,
        ),
    }
  }
  if (logical === 'DATE')
    return {
      name,
      type: { name: 'DATE', as: 'date' },
      text: bigints((days) => day(days * 86_400_000n)),
    }
  if (/^TIME/.test(logical) || type === 'INT96') {
    const unit = unitOf(element)
    const show = logical === 'TIME' || /^TIME_/.test(logical) ? clock : instant
    return {
      name,
      type: { name: logical || 'INT96', as: 'date' },
      text: bigints((n) => show(n, unit)),
    }
  }
  switch (type) {
    case 'BOOLEAN':
      return { name, type: { name: 'BOOLEAN', as: 'boolean' }, text: String }
    case 'INT32':
    case 'INT64': {
      const { bits, isSigned } = integerOf(element)
      const said = isSigned ? `INT${bits}` : `UINT${bits}`
      const show = (n: bigint) => (isSigned ? n : BigInt.asUintN(bits, n)).toString()
      return {
        name,
        type: number({ kind: 'integer', bits, signed: isSigned }, said),
        text: bigints(show),
      }
    }
    case 'FLOAT':
      return {
        name,
        type: number({ kind: 'binary', bits: 32 }, 'FLOAT'),
        text: bigints(binary32Text),
      }
    case 'DOUBLE':
      return {
        name,
        type: number({ kind: 'binary', bits: 64 }, 'DOUBLE'),
        text: bigints(binary64Text),
      }
    default:
      return {
        name,
        type: {
          name: logical || type,
          as: undefined,
          holds:
            type === 'FIXED_LEN_BYTE_ARRAY'
              ? { kind: 'text', length: element.type_length ?? 0 }
              : undefined,
        },
        text: (raw) => bytesText(raw as Uint8Array),
      }
  }
}

/**
 * The element without its meaning, so that the reader hands over what is stored.
 *
 * @param asBytes whole numbers of 32 bits are read as four bytes each
 */
export function rawElement(element: SchemaElement, asBytes: boolean): SchemaElement {
  const { converted_type: _converted, logical_type: _logical, ...raw } = element
  if (!element.type) return raw
  const type = rawType(element.type, asBytes)
  return { ...raw, type, ...(type !== element.type && isFixed(type) && { type_length: 4 }) }
}

const isFixed = (type: SchemaElement['type']) => type === 'FIXED_LEN_BYTE_ARRAY'

// A binary number is read as the whole number, or the bytes, that have the same bits.
export function rawType(
  type: NonNullable<SchemaElement['type']>,
  asBytes: boolean,
): NonNullable<SchemaElement['type']> {
  if (type === 'DOUBLE') return 'INT64'
  if (type === 'INT32' || type === 'FLOAT') return asBytes ? 'FIXED_LEN_BYTE_ARRAY' : 'INT32'
  return type
}

// The last byte is the first of the number.
function fourBytes(bytes: Uint8Array): bigint {
  let value = 0n
  for (const byte of [...bytes].reverse()) value = (value << 8n) | BigInt(byte)
  return BigInt.asIntN(32, value)
}

function integerOf({ type, logical_type: logical, converted_type: converted }: SchemaElement) {
  if (logical?.type === 'INTEGER')
    return { bits: logical.bitWidth as 8 | 16 | 32 | 64, isSigned: logical.isSigned }
  const found = /^(U?)INT_(\d+)$/.exec(converted ?? '')
  if (found)
    return { bits: Number.parseInt(found[2]!, 10) as 8 | 16 | 32 | 64, isSigned: !found[1] }
  return { bits: type === 'INT32' ? (32 as const) : (64 as const), isSigned: true }
}

function unitOf({ type, logical_type: logical, converted_type: converted }: SchemaElement): bigint {
  if (type === 'INT96') return 1_000_000_000n
  const unit =
    logical && 'unit' in logical
      ? logical.unit
      : /MICROS/.test(converted ?? '')
        ? 'MICROS'
        : 'MILLIS'
  return unit === 'NANOS' ? 1_000_000_000n : unit === 'MICROS' ? 1_000_000n : 1000n
}

const day = (ms: bigint) => new Date(Number(ms)).toISOString().slice(0, 10)

function instant(count: bigint, unit: bigint): string {
  const seconds = count >= 0n ? count / unit : -((-count + unit - 1n) / unit)
  return `${new Date(Number(seconds * 1000n)).toISOString().slice(0, 19)}${rest(count - seconds * unit, unit)}`
}

function clock(count: bigint, unit: bigint): string {
  const seconds = count / unit
  const two = (n: bigint) => n.toString().padStart(2, '0')
  return `${two(seconds / 3600n)}:${two((seconds / 60n) % 60n)}:${two(seconds % 60n)}${rest(count % unit, unit)}`
}

const rest = (count: bigint, unit: bigint) =>
  count === 0n ? '' : `.${count.toString().padStart(unit.toString().length - 1, '0')}`

function signed(bytes: Uint8Array): bigint {
  let value = 0n
  for (const byte of bytes) value = (value << 8n) | BigInt(byte)
  return BigInt.asIntN(bytes.length * 8, value)
}

function decimalText(value: bigint, scale: number): string {
  if (scale <= 0) return `${value}${'0'.repeat(-scale)}`
  const digits = (value < 0n ? -value : value).toString().padStart(scale + 1, '0')
  return `${value < 0n ? '-' : ''}${digits.slice(0, -scale)}.${digits.slice(-scale)}`
}

// Bytes that are no text are shown by their values.
function bytesText(bytes: Uint8Array): string {
  try {
    return strict.decode(bytes)
  } catch {
    return `0x${Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('')}`
  }
}
