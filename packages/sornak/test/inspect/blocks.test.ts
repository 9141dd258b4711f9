// Identifiers as they are issued: in blocks that start alike. Nearly all of a phone list may lie below the limit of an
// integer type, or be an area away from it, and nothing ever happened to them.

import { describe, expect, test } from 'vitest'
import fc from 'fast-check'
import { columnRuns, fromCatalog, judge, type ColumnRuns, type Definition } from 'sornak'
import { spread } from '../../src/inspect/runs/spread.js'
import { bitsOf } from '../../src/inspect/short/chance-of-counts.js'
import { bare, digits, evidenceOf, next, of } from './converted-column.js'

const among = (...starts: string[]) => starts[next(starts.length)]!

const accused = (made: Definition, seen: readonly string[], { around }: ColumnRuns) =>
  seen.filter((text, row) => judge(made, text, 5, around(row)).verdict !== 'intact')

const ISSUED: Record<string, readonly [Definition, () => string]> = {
  'one exchange below the limit of 32 bits': [of('{10}'), () => `206555${digits(4)}`],
  'four areas below twice that limit': [
    of('{10}'),
    () => `${among('206', '253', '360', '425')}555${digits(4)}`,
  ],
  'three areas near it': [
    of('{10}'),
    () => `${among('201', '202', '203')}${2 + next(8)}${digits(6)}`,
  ],
  'telephone numbers of the catalog': [
    fromCatalog('phone/us')!,
    () => `${among('206', '425')}555${digits(4)}`,
  ],
  'mobiles of eleven digits': [of('{11}'), () => `${among('138', '150', '188')}${digits(8)}`],
  'accounts of three branches': [of('{12}'), () => `${among('0102', '0301', '1105')}${digits(8)}`],
  'staff numbers that start with a one': [of('{6}'), () => `1${digits(5)}`],
}

/** All digits are still there. */
const WAYS: Record<string, (text: string) => string> = {
  'a decimal tail': (text) => `${bare(text)}.0`,
  grouping: (text) => bare(text).replace(/\B(?=(?:\d{3})+$)/g, ','),
  'a space in front': (text) => ` ${text}`,
  'an apostrophe': (text) => `'${text}`,
  'a formula': (text) => `="${text}"`,
}

const SCENES: Record<string, (row: number) => boolean> = {
  'a block': (row) => row >= 150 && row < 250,
  'here and there': () => next(4) === 0,
  rare: () => next(50) === 0,
  'all rows': () => true,
}

const cases = Object.keys(ISSUED).flatMap((issued) =>
  Object.keys(WAYS).flatMap((way) => Object.keys(SCENES).map((scene) => [issued, way, scene])),
)

describe.each(cases)('%s, %s, %s', (issued, way, scene) => {
  const [made, draw] = ISSUED[issued!]!
  const rows = Array.from({ length: 400 }, (_, row) => {
    const original = draw()
    return { original, seen: SCENES[scene!]!(row) ? WAYS[way!]!(original) : original }
  })
  const runs = columnRuns(
    made,
    evidenceOf(
      made,
      rows.map(({ seen }) => seen),
    ),
  )

  test('all are mended, none is accused, and no integer type is named', () => {
    const wrong = rows.flatMap(({ original, seen }, i) => {
      const { verdict, mend } = judge(made, seen, 5, runs.around(i))
      const right = seen === original ? verdict === 'intact' : mend === original
      return right ? [] : [`${original} ${seen} ${verdict} ${mend}`]
    })
    expect(wrong).toEqual([])
    expect(runs.told.filter(({ channel }) => /wrapped|display/.test(channel))).toEqual([])
  })
})

describe('a zip column read as numbers', () => {
  const made = of('{5}')
  const originals = Array.from(
    { length: 240 },
    () => `${among('021', '070', '100', '606', '981')}${digits(2)}`,
  )
  const seen = originals.map(bare)
  const runs = columnRuns(made, evidenceOf(made, seen))

  test('gets its zeros back: that none of the others starts with one is no wonder', () => {
    const short = seen.flatMap((text, i) =>
      text.length < 5 ? [[judge(made, text, 5, runs.around(i)).mend, originals[i]]] : [],
    )
    expect(short.length).toBeGreaterThan(40)
    expect(short.filter(([mend, original]) => mend !== original)).toEqual([])
  })
})

describe('cast to 16 bits, phones of one exchange', () => {
  const made = of('{10}')
  const cast = (text: string) => BigInt.asIntN(16, BigInt(text)).toString()
  const seen = Array.from({ length: 480 }, (_, row) => {
    const original = `${among('206', '253', '360', '425')}55501${digits(2)}`
    return row >= 180 && row < 300 ? cast(original) : original
  })
  const runs = columnRuns(made, evidenceOf(made, seen))

  const judgedAt = (text: string, row: number) => judge(made, text, 5, runs.around(row)).verdict

  test('the run is named as a whole, and its clean neighbours are left alone', () => {
    const [told, ...others] = runs.told.filter(({ process }) => process === 'wrapped int16')
    expect(others).toEqual([])
    expect(told?.from.index).toBeLessThan(185)
    expect(told?.to.index).toBeGreaterThan(295)
    expect(accused(made, seen.slice(0, 180), runs)).toEqual([])
    expect(seen.slice(300).filter((text, i) => judgedAt(text, 300 + i) !== 'intact')).toEqual([])
  })
})

describe('clean columns', () => {
  test.each<[string, Definition, () => string]>([
    ['codes of eight digits that end in two zeros', of('{8}'), () => `4${digits(5)}00`],
    ['numbers that end in an even digit', of('{10}'), () => `${digits(9)}${2 * next(5)}`],
    ['thousandths of a second', of('{13}'), () => `17${digits(11)}`],
    ['one number again and again', of('{10}'), () => '2065550142'],
    ['serials that start with the day', of('{18}'), () => `20261126${digits(10)}`],
  ])('%s, sorted or not', (_, made, draw) => {
    const drawn = Array.from({ length: 1500 }, draw)
    for (const values of [drawn, [...drawn].sort()]) {
      const runs = columnRuns(made, evidenceOf(made, values))
      expect(runs.told).toEqual([])
      expect(accused(made, values, runs)).toEqual([])
    }
  })
})

describe('serials one after the other', () => {
  const made = of('{18}')
  const issued = (step: () => number) => {
    let last = 202_611_260_000_000_000n
    return Array.from({ length: 400 }, () => (last += BigInt(step())).toString())
  }
  // What binary64 holds of them, by the spacing of its numbers there (IEEE 754): ties go to the even multiple.
  const spacing = 32n
  const binary = (text: string) => {
    const [whole, rest] = [BigInt(text) / spacing, BigInt(text) % spacing]
    const up = rest * 2n > spacing || (rest * 2n === spacing && whole % 2n === 1n)
    return ((whole + (up ? 1n : 0n)) * spacing).toString()
  }

  test('are doubted where binary numbers stand in their place', () => {
    const originals = issued(() => 1 + next(9))
    const seen = originals.map((text, row) => (row >= 100 && row < 300 ? binary(text) : text))
    const runs = columnRuns(made, evidenceOf(made, seen))
    expect(runs.told.map(({ process }) => process)).toEqual(['binary64'])
    const struck = seen.flatMap((text, row) =>
      text === originals[row] ? [] : [judge(made, text, 5, runs.around(row)).verdict],
    )
    expect(struck.filter((verdict) => verdict === 'suspect').length).toBeGreaterThan(
      struck.length * 0.95,
    )
    expect(accused(made, seen.slice(0, 95), runs)).toEqual([])
  })

  test.each([1, 5, 10, 25, 50, 100])('are not where they go on by %i', (step) => {
    const seen = issued(() => step)
    const runs = columnRuns(made, evidenceOf(made, seen))
    expect(runs.told).toEqual([])
    expect(accused(made, seen, runs)).toEqual([])
  })
})

describe('a sequence whose second half went through 32 bits', () => {
  const made = of('{18}')
  let last = 100_200_300_400_500_000n
  const rows = Array.from({ length: 60 }, (_, row) => {
    last += BigInt(1 + next(5))
    const original = last.toString()
    return { original, seen: row < 30 ? original : BigInt.asUintN(32, last).toString() }
  })
  const seen = rows.map((row) => row.seen)
  const runs = columnRuns(made, evidenceOf(made, seen))

  test('goes on where the first half ends: no zeros are put in front of it', () => {
    const invented = rows.flatMap(({ original, seen }, i) => {
      const { mend } = judge(made, seen, 5, runs.around(i))
      return mend !== undefined && mend !== original ? [`${original} ${mend}`] : []
    })
    expect(invented).toEqual([])
  })
})

describe('a number that ends in three zeros behind its separator', () => {
  const made = of('{6}')
  const mendIn = (others: (text: string) => string) => {
    const seen = Array.from({ length: 60 }, () => others(`1${1 + next(9)}${digits(3)}7`))
    const runs = columnRuns(made, evidenceOf(made, [...seen, '173,000']))
    return judge(made, '173,000', 5, runs.around(seen.length)).mend
  }

  test('is grouped as its neighbours are', () => {
    expect(mendIn((text) => text.replace(/(?=...$)/, ','))).toBe('173000')
  })

  test('has decimals as its neighbours have', () => {
    expect(mendIn((text) => `${text},0`)).toBe('000173')
  })

  test('can be both where nothing tells', () => {
    expect(judge(made, '173,000').verdict).toBe('ambiguous')
    expect(mendIn((text) => ` ${text}`)).toBeUndefined()
  })
})

describe('a percent sign', () => {
  const made = of('{5}')
  const originals = Array.from({ length: 60 }, () => `00${1 + next(9)}${digits(2)}`)
  const mendsOf = (convert: (text: string) => string) => {
    const seen = originals.map(convert)
    const runs = columnRuns(made, evidenceOf(made, seen))
    return seen.map((text, row) => judge(made, text, 5, runs.around(row)).mend)
  }

  test('counts a hundred times as much where all its numbers end in two zeros', () => {
    expect(judge(made, '41700%').verdict).toBe('ambiguous')
    expect(mendsOf((text) => `${bare(text)}00%`)).toEqual(originals)
    expect(mendsOf((text) => `${bare(text)}00.00%`)).toEqual(originals)
  })

  test('was put to the number as it was where they end in anything', () => {
    expect(mendsOf((text) => `${bare(text)}%`)).toEqual(originals)
  })

  test('stays open where some end so and others do not', () => {
    let row = 0
    const mends = mendsOf((text) => `${bare(text)}${row++ % 2 ? '00' : ''}%`)
    expect(mends.filter((mend, i) => mend !== undefined && mend !== originals[i])).toEqual([])
    expect(mends.filter((_, i) => i % 2)).toEqual(Array(30).fill(undefined))
  })
})

describe('how evenly numbers lie below a limit', () => {
  const MAX = 2n ** 32n - 1n
  const held = (starts: Record<number, number>, least: string, most: string) =>
    spread(
      {
        starts: Array.from({ length: 100 }, (_, start) => starts[start] ?? 0),
        formedStarts: Array<number>(100).fill(0),
        clean: { fronts: [], least, most, heads: [] },
      },
      MAX,
    )

  test('counts are as likely as one after the other is, whatever their order', () => {
    fc.assert(
      fc.property(fc.array(fc.nat(40), { maxLength: 12 }), (counts) => {
        let [bits, seen] = [0, 0]
        for (const count of counts)
          for (let before = 0; before < count; before++)
            bits += Math.log2((before + 0.5) / (seen++ + 45))
        expect(bitsOf(counts, 90)).toBeCloseTo(bits, 6)
      }),
    )
  })

  test('as many of each start as of any other speak for the type', () => {
    const starts = Object.fromEntries(Array.from({ length: 32 }, (_, i) => [i + 10, 10]))
    expect(held(starts, '1000400000', '4290000000')).toBeGreaterThan(15)
  })

  test('a few starts speak for blocks', () => {
    expect(held({ 20: 80, 25: 80, 36: 80, 42: 80 }, '2065550000', '4255559999')).toBeLessThan(0)
  })

  test('all numbers up to one that is not the limit speak for those issued so far', () => {
    const starts = Object.fromEntries(Array.from({ length: 20 }, (_, i) => [i + 10, 50]))
    expect(held(starts, '1000000100', '2999999000')).toBeLessThan(0)
  })

  test('clean values that all start with a zero say nothing of others', () => {
    const starts = Object.fromEntries(Array.from({ length: 32 }, (_, i) => [i + 10, 10]))
    expect(held(starts, '0000000100', '0999999000')).toBeGreaterThan(15)
  })

  test('where nothing is held, nothing speaks against it', () => {
    expect(held({}, '', '')).toBe(Infinity)
  })
})
