// Identifiers of the catalog after conversions that really ran (fixtures/make-conversions.py), in the scenes in which
// one explanation is easily taken for another.

import { readFileSync } from 'node:fs'
import { describe, expect, test } from 'vitest'
import { columnRuns, fromCatalog, judge } from 'sornak'
import { evidenceOf } from './converted-column.js'

interface Fixture {
  readonly identifiers: Record<string, { readonly originals: readonly string[] }>
  readonly cases: readonly {
    readonly identifier: string
    readonly conversion: string
    readonly seen: readonly (string | null)[]
  }[]
}

const path = new URL('../fixtures/catalog-conversions.json', import.meta.url)
const { identifiers, cases } = JSON.parse(readFileSync(path, 'utf8')) as Fixture

const CASES = [
  ['book/isbn-10', 'c uint32', 'wrapped numbers of ten digits are as short as cut ones'],
  ['book/isbn-10', 'node bitwise or', 'what ends in a letter became zero'],
  ['book/isbn-10', 'mawk plus 0', 'what ends in a letter was read up to it, and shortened'],
  ['person/cn', 'perl plus 0', 'what ends in a letter was read up to it, and rounded'],
  ['item/gtin-8', 'postgres real', 'single precision prints seven digits, and eight'],
  ['phone/it', 'postgres real', 'so it does of numbers of several widths'],
  ['card/payment', 'node currency', 'digits behind 2^53 are gone behind a currency sign'],
  ['card/payment', 'sqlite real', 'fifteen digits of numbers of several widths'],
  ['card/payment', 'cut first 15', 'a field that holds fifteen characters'],
  ['phone/de', 'c %.10g', 'ten digits of numbers of several widths'],
  ['device/sim', 'python rounded to 15 digits', 'rounded twice, to binary numbers and to digits'],
  ['bank/account-mx', 'python rounded to 15 digits', 'some binary numbers end in zeros'],
  ['phone/it', 'c uint32', 'a few numbers come up to the limit of 32 bits, and none beyond'],
  ['social-security/us', 'tcl expr', 'two values that were octal'],
  ['postcode/de', 'perl oct', 'octal as far as it goes, in five digits'],
  ['postcode/us', 'bc scale', 'worked out as a difference'],
  ['phone/fr', 'bash arithmetic', 'octal, where numbers of two lengths came out'],
] as const

describe.each(CASES)('%s, %s: %s', (key, conversion) => {
  const definition = fromCatalog(key)!
  const { originals } = identifiers[key]!
  const { seen } = cases.find((one) => one.identifier === key && one.conversion === conversion)!
  const after = seen.map((text, row) => text ?? originals[row]!)

  test.each([
    ['all rows', after, 0],
    ['between others', [...originals, ...after, ...originals], originals.length],
  ])('%s', (_, column, first) => {
    const runs = columnRuns(definition, evidenceOf(definition, column))
    const wrong: string[] = []
    let told = 0
    originals.forEach((original, row) => {
      const text = after[row]!
      const { mend, verdict, candidates } = judge(definition, text, 1000, runs.around(first + row))
      if (mend !== undefined && mend !== original) wrong.push(`${original} as ${text}: ${mend}`)
      if (verdict === 'ambiguous' && !candidates.some((one) => one.text === original))
        wrong.push(`${original} as ${text}: not in the list`)
      if (verdict !== 'intact') told++
    })
    expect(wrong).toEqual([])
    expect(told).toBeGreaterThan(0)
  })
})
