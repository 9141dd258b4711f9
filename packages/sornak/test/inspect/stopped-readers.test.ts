// Values that end in a letter, read by a program that stops at it, or makes zero of it: what it has read is rounded and
// wrapped like any other number.

import { describe, expect, test } from 'vitest'
import { columnRuns, fit, fromCatalog, judge } from 'sornak'
import { openWhy, runWhy } from '../../src/inspect/messages.js'
import { bare, digits, evidenceOf, next, of } from './converted-column.js'

const books = fromCatalog('book/isbn-10')!

/** A number of ten characters with its check digit by ISO 2108: weights of 10 to 2, 11 kinds of remainders. */
function book(): string {
  const nine = digits(9)
  const sum = Array.from(nine).reduce(
    (all, digit, i) => all + (10 - i) * Number.parseInt(digit, 10),
    0,
  )
  const check = (11 - (sum % 11)) % 11
  return nine + (check === 10 ? 'X' : `${check}`)
}

const front = (text: string) => /^\d+/.exec(text)![0]
const shortened = (number: string) =>
  number.length <= 6
    ? number
    : `${number[0]}.${number.slice(1, 6)}e+${`${number.length - 1}`.padStart(2, '0')}`

const READERS: Record<string, (text: string) => string> = {
  'stops at the letter': (text) => bare(front(text)),
  'leaves what has a letter': (text) => (/X$/.test(text) ? text : bare(text)),
  'stops, and wraps in 32 bits': (text) => BigInt.asUintN(32, BigInt(front(text))).toString(),
  'stops, and prints six digits, cut': (text) => shortened(bare(front(text))),
  'makes zero of a letter, and wraps in 32 bits': (text) =>
    /X$/.test(text) ? '0' : BigInt.asIntN(32, BigInt(text)).toString(),
}

describe.each(Object.entries(READERS))('a reader that %s', (_, read) => {
  const before = Array.from({ length: 400 }, book)
  const after = before.map((text, row) => (row >= 100 && row < 300 ? read(text) : text))
  const runs = columnRuns(books, evidenceOf(books, after))

  test('every mend is what was there, and every list has it', () => {
    let judged = 0
    before.forEach((original, row) => {
      const { verdict, mend, candidates } = judge(books, after[row]!, 1000, runs.around(row))
      if (after[row] === original) {
        expect([original, mend]).toEqual([original, undefined])
        return
      }
      judged++
      if (verdict === 'mendable') expect(mend).toBe(original)
      else if (verdict === 'ambiguous')
        expect(candidates.map(({ text }) => text)).toContain(original)
      else expect(['lost', 'suspect', 'intact']).toContain(verdict)
    })
    expect(judged).toBeGreaterThan(15)
  })
})

test('a lone value lost its zero: readers that stop are seldom', () => {
  expect(judge(books, '306406152')).toMatchObject({ verdict: 'mendable', mend: '0306406152' })
})

test('names whose X went here and there are as right with a zero in front, and left open', () => {
  const names = fromCatalog('person/isni')!
  // ISO/IEC 7064, MOD 11-2: what stands before an X has a right check digit by itself.
  const check = (fifteen: string) => {
    const rest = Array.from(fifteen).reduce((sum, digit) => (sum + Number(digit)) * 2, 0) % 11
    return (12 - rest) % 11
  }
  const before = Array.from({ length: 300 }, () => {
    const fifteen = digits(15)
    const last = check(fifteen)
    return fifteen + (last === 10 ? 'X' : `${last}`)
  })
  const struck = (text: string, row: number) => row % 5 === 0 && /^[1-9].*X$/.test(text)
  const after = before.map((text, row) => (struck(text, row) ? front(text) : text))
  const runs = columnRuns(names, evidenceOf(names, after))
  const open = before.flatMap((text, row) => (struck(text, row) ? [row] : []))
  expect(open.length).toBeGreaterThan(2)
  for (const row of open) {
    const { verdict, candidates } = judge(names, after[row]!, 10, runs.around(row))
    const texts = candidates.map(({ text }) => text).sort()
    expect([verdict, texts]).toEqual(['ambiguous', [before[row]!, `0${after[row]!}`].sort()])
  }
})

test('where every value ends in a letter, zeros in front were read as octal', () => {
  const people = fromCatalog('person/es')!
  const person = () => {
    const eight = digits(8)
    return eight + 'TRWAGMYFPDXBNJZSQVHLCKE'[Number(BigInt(eight) % 23n)]!
  }
  // As strtol does with base 0: an 8 or 9 ends an octal number.
  const read = (text: string) => {
    const octal = /^0[0-7]*/.exec(text)?.[0]
    return octal === undefined ? front(text) : BigInt(`0o${octal.slice(1) || '0'}`).toString()
  }
  const before = Array.from({ length: 360 }, person)
  const after = before.map((text, row) => (row >= 120 && row < 240 ? read(text) : text))
  const runs = columnRuns(people, evidenceOf(people, after))
  let mended = 0
  before.forEach((original, row) => {
    if (row < 120 || row >= 240) return
    const { verdict, mend } = judge(people, after[row]!, 10, runs.around(row))
    if (verdict === 'mendable') expect([after[row], mend]).toEqual([after[row], original])
    if (mend !== undefined && original.startsWith('0')) mended++
  })
  expect(mended).toBeGreaterThan(0)
})

test('where all were read so, what both could have printed is left open', () => {
  const both = Array.from({ length: 4000 }, () => digits(9)).filter((nine) => {
    if (nine.startsWith('0')) return false
    const weighed = (text: string) =>
      Array.from(text).reduce(
        (sum, digit, i) => sum + (10 - i) * (digit === 'X' ? 10 : Number.parseInt(digit, 10)),
        0,
      ) % 11
    return weighed(`0${nine}`) === 0 && weighed(`${nine}X`) === 0
  })
  expect(both.length).toBeGreaterThan(5)
  const column = [...Array.from({ length: 300 }, () => bare(front(book()))), ...both]
  const runs = columnRuns(books, evidenceOf(books, column))
  both.forEach((nine, i) => {
    const { verdict, candidates } = judge(books, nine, 10, runs.around(300 + i))
    expect(verdict).toBe('ambiguous')
    expect(candidates.map(({ text }) => text).sort()).toEqual([`0${nine}`, `${nine}X`].sort())
  })
})

describe('postcodes, half of which go on behind a hyphen', () => {
  const postcodes = fromCatalog('postcode/us')!
  const before = Array.from({ length: 360 }, (_, row) =>
    row % 2 ? digits(5) : `${digits(5)}-${digits(4)}`,
  )
  const verdicts = (column: readonly string[]) => {
    const runs = columnRuns(postcodes, evidenceOf(postcodes, column))
    return column.map((text, row) => judge(postcodes, text, 10, runs.around(row)))
  }

  test('where it is gone from a run of rows, what is left there is doubted', () => {
    const struck = (row: number) => row >= 120 && row < 240
    const after = verdicts(before.map((text, row) => (struck(row) ? bare(front(text)) : text)))
    const doubted = after.flatMap(({ verdict }, row) => (verdict === 'suspect' ? [row] : []))
    expect(doubted.length).toBeGreaterThan(90)
    expect(doubted.every(struck)).toBe(true)
    after.forEach(({ mend }, row) => {
      if (struck(row)) expect([row, mend]).toEqual([row, undefined])
    })
  })
  test('where it stands, zeros were lost', () => {
    const after = verdicts(before.map((text) => (/-/.test(text) ? text : bare(text))))
    const lost = before.flatMap((text, row) => (/^0\d{4}$/.test(text) ? [row] : []))
    expect(lost.length).toBeGreaterThan(8)
    for (const row of lost) expect(after[row]!.mend).toBe(before[row])
  })
  const hereAndThere = (text: string, row: number) => (row % 3 ? text : bare(text))
  test('where some lost theirs here and there, they may have stood in front of a hyphen', () => {
    const after = verdicts(
      before.map((text, row) => (/-/.test(text) ? text : hereAndThere(text, row))),
    )
    const lost = before.flatMap((text, row) =>
      /^0\d{4}$/.test(text) && row % 3 === 0 ? [row] : [],
    )
    expect(lost.length).toBeGreaterThan(2)
    for (const row of lost) expect([row, after[row]!.verdict]).toEqual([row, 'lost'])
  })
  test.each([8, 9, 10, 12])(
    'a stretch with %i that start with a zero is no exception to what all rows say',
    (many) => {
      const inside = (row: number) => row >= 180 && row < 180 + 2 * many
      const struck = (row: number) => (inside(row) ? row % 2 === 0 : row % 4 === 0)
      const originals = before.map((text, row) =>
        inside(row) && struck(row) ? `0${1 + next(9)}${text.slice(2)}` : text,
      )
      // Whether one went on behind its digits shows in none of those that were struck.
      const went = originals.map((text, row) =>
        struck(row) && next(2) ? `${text.slice(0, 5)}-${digits(4)}` : text,
      )
      const after = verdicts(went.map((text, row) => (struck(row) ? bare(front(text)) : text)))
      const short = went.flatMap((text, row) => (text.startsWith('0') && struck(row) ? [row] : []))
      expect(short.length).toBeGreaterThan(many)
      for (const row of short) expect([row, after[row]!.mend]).toEqual([row, undefined])
    },
  )
  test('where no value has a hyphen, they have not', () => {
    const plain = before.map((text) => text.slice(0, 5))
    const after = verdicts(plain.map(hereAndThere))
    const lost = plain.flatMap((text, row) => (text.startsWith('0') && row % 3 === 0 ? [row] : []))
    expect(lost.length).toBeGreaterThan(5)
    for (const row of lost) expect([row, after[row]!.mend]).toEqual([row, plain[row]])
  })
  test('printed with decimals, where those with a hyphen were left alone, they lost zeros', () => {
    const after = verdicts(before.map((text) => (/-/.test(text) ? text : `${bare(text)}.0`)))
    before.forEach((text, row) => {
      if (!/-/.test(text)) expect([row, after[row]!.mend]).toEqual([row, text])
    })
  })
  describe('where it is gone from every row', () => {
    const seen = before.map((text) => bare(front(text)))
    const short = seen.flatMap((text, row) => (text.length < 5 ? [row] : []))

    test('nothing tells that more stood there: what lost a zero is open, and the column says how to settle it', () => {
      expect(short.length).toBeGreaterThan(8)
      const after = verdicts(seen)
      for (const row of short)
        expect(after[row]).toMatchObject({ verdict: 'lost', possible: 10001n })
      const { told } = columnRuns(postcodes, evidenceOf(postcodes, seen))
      expect(told.map((run) => runWhy(run, 1, seen.length, [])).join()).toContain(
        'If all of them are digits only, write that into the stored mask ("{5}"), and they can be mended.',
      )
    })
    test('one mask for both shapes is told without naming another', () => {
      const { told } = columnRuns(of('{5}[-{4}]'), evidenceOf(of('{5}[-{4}]'), seen))
      expect(told.map((run) => openWhy(run)).join()).toContain(
        'write that into the stored mask, and',
      )
    })
    test('it is settled where the stored mask has five digits', () => {
      const five = of('{5}')
      const runs = columnRuns(five, evidenceOf(five, seen))
      for (const row of short)
        expect(judge(five, seen[row]!, 10, runs.around(row)).mend).toBe(before[row]!.slice(0, 5))
      expect(runs.told.map((run) => openWhy(run)).filter(Boolean)).toEqual([])
    })
    test('a handful says too little for doubt', () => {
      const few = seen.slice(0, short[5]! + 1)
      const after = verdicts(few)
      for (const row of short.slice(0, 6)) expect(after[row]!.mend).toBe(before[row]!.slice(0, 5))
    })
    test('an apostrophe in front of a whole one is only that', () => {
      const marked = seen.map((text) => (text.length === 5 ? `'${text}` : text))
      const after = verdicts(marked)
      marked.forEach((text, row) => {
        if (text.startsWith("'")) expect([text, after[row]!.mend]).toEqual([text, text.slice(1)])
      })
    })
  })
  test('a lone one lost its zero', () => {
    expect(judge(postcodes, '2664')).toMatchObject({ verdict: 'mendable', mend: '02664' })
  })
})

test('what has few digits before its exponent was shortened, between others at whose letter a reader stopped', () => {
  // Numbers beyond 2^31 - 1 with six digits, as some programs print all that no integer of theirs holds.
  const rounded = (value: string) => {
    const unit = 10n ** BigInt(value.length - 6)
    return `${((BigInt(value) + unit / 2n) / unit) * unit}`
  }
  const printed = (text: string) => {
    const value = bare(text.replace('X', ''))
    if (BigInt(value) < 1n << 31n) return value
    const [first, ...more] = rounded(value)
    return `${first}.${more.slice(0, 5).join('')}e+09`
  }
  const drawn = (fits: (text: string) => boolean): string => {
    const text = book()
    return fits(text) ? text : drawn(fits)
  }
  const isLong = (text: string) => /^[3-9]\d{9}$/.test(text)
  // Rounded it is a number of a book, too.
  const isAnother = (text: string) => isLong(text) && fit(books, rounded(text)).ok
  const withX = () => drawn((text) => /^[1-9]\d{8}X$/.test(text))
  const originals = Array.from({ length: 30 }, () => [
    ...Array.from({ length: 30 }, () => drawn(isLong)),
    withX(),
    withX(),
    drawn(isAnother),
    withX(),
    withX(),
  ]).flat()
  const seen = originals.map(printed)
  const { around } = columnRuns(books, evidenceOf(books, seen))
  seen.forEach((text, row) => {
    if (!text.includes('e')) return
    const { mend } = judge(books, text, 10, around(row))
    expect([text, mend]).toEqual([text, undefined])
  })
})
