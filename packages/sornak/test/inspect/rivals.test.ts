// Whether zeros were lost or something else happened: columns of many populations are sent through conversions that
// are done here in plain text and whole numbers. What lost its zeros gets them back; what did not is left open.

import { describe, expect, test } from 'vitest'
import { bare, digits, next, of, outcome, padded, type Population } from './converted-column.js'

const octal = (text: string) => BigInt(`0o${text}`).toString()
const isOctal = (text: string) => /^0[0-7]+$/.test(text)
const modulo = (text: string, bits: bigint) => (BigInt(text) % (1n << bits)).toString()

const CONVERSIONS: Record<string, (text: string) => string> = {
  'zeros lost': bare,
  'zeros lost, a tail added': (text) => `${bare(text)}.0`,
  'zeros lost, grouped': (text) => bare(text).replace(/\B(?=(?:\d{3})+$)/g, ','),
  'octal where it can be': (text) => (isOctal(text) ? octal(text) : text),
  'octal or decimal': (text) => (isOctal(text) ? octal(text) : bare(text)),
  'octal as far as it goes': (text) =>
    text.startsWith('0') ? octal(/^[0-7]*/.exec(text)![0]) : text,
  '16 bits': (text) => modulo(text, 16n),
  '32 bits': (text) => modulo(text, 32n),
  'cut to four': (text) => text.slice(0, 4),
}

const POPULATIONS: Record<string, Population> = {
  'of six digits': { of: of('{6}'), values: () => () => digits(6) },
  'of eight digits': { of: of('{8}'), values: () => () => digits(8) },
  'small numbers in six digits': { of: of('{6}'), values: () => () => padded(next(4200), 6) },
  'small numbers in ten digits': { of: of('{10}'), values: () => () => padded(next(650), 10) },
  'numbers one after the other': {
    of: of('{8}'),
    values: () => {
      let value = 1_000_000 + next(900_000)
      return () => padded(value++, 8)
    },
  },
  'few numbers that repeat': {
    of: of('{6}'),
    values: () => {
      const few = Array.from({ length: 40 }, () => padded(next(9000), 6))
      return () => few[next(40)]!
    },
  },
  'mobiles of one block': { of: of('0{10}'), values: () => () => `07700900${digits(3)}` },
  'of two kinds': {
    of: of('{9}'),
    values: () => () => (next(3) ? `9${digits(8)}` : `000${digits(6)}`),
  },
}

const SCENES: Record<string, (row: number) => boolean> = {
  'a block of them': (row) => row >= 240 && row < 400,
  'here and there': (row) => (row * 7919) % 13 < 4,
  'all of them': () => true,
}

describe.each(Object.entries(POPULATIONS))('identifiers: %s', (_, population) => {
  describe.each(Object.entries(SCENES))('%s', (_, struck) => {
    test.each(Object.entries(CONVERSIONS))('%s: no mend is wrong', (name, convert) => {
      const { short, wrong, known, found } = outcome(population, convert, struck)
      // Three values say too little of what happened to them.
      if (short >= 4) expect(wrong).toEqual([])
      if (name.startsWith('zeros lost')) {
        expect(known).toBeGreaterThan(10)
        // A few rows of one length next to each other may have been cut.
        expect(found / known).toBeGreaterThanOrEqual(0.85)
      }
    })
  })
})
