// What a locale writes around and between the digits of a number, asked of the platform (`Intl`) once
// for each locale and style.

import type { Grouping, Quantity } from './quantity.js'

export interface LocaleFacts {
  readonly point: string
  readonly group: Grouping
  /** Fewest digits before the first separator is written, counted in front of the last group. */
  readonly groupFrom: number
  /** The ten digits of its numbering system. */
  readonly digits: readonly string[]
  readonly positive: Affixes
  readonly negative: Affixes
  readonly plus: Affixes
  /** Signs that may stand at either end of a text of this style. */
  readonly currency: string | undefined
  readonly percentSign: string | undefined
  readonly minusSign: string
  readonly plusSign: string
  /** Decimals that the currency has by standard; undefined for plain numbers. */
  readonly decimals: number | undefined
}

export type Affixes = readonly [before: string, after: string]

const known = new Map<string, LocaleFacts>()

/** @throws {RangeError} for a locale or currency code that is not well formed. */
export function factsFor(
  { locale = 'en', currency, percent }: Quantity,
  reader?: string,
): LocaleFacts {
  const tag =
    locale === 'reader' ? (reader ?? new Intl.NumberFormat().resolvedOptions().locale) : locale
  const key = `${tag}|${currency ?? ''}|${percent ? '%' : ''}`
  let facts = known.get(key)
  if (!facts) known.set(key, (facts = ask(tag, currency, percent === true)))
  return facts
}

function ask(locale: string, currency: string | undefined, percent: boolean): LocaleFacts {
  const style: Intl.NumberFormatOptions =
    currency !== undefined
      ? { style: 'currency', currency }
      : percent
        ? { style: 'percent' }
        : { style: 'decimal' }
  const bare = { ...style, maximumFractionDigits: 0, minimumFractionDigits: 0 }
  const parts = (more: Intl.NumberFormatOptions, value: bigint | number) =>
    new Intl.NumberFormat(locale, { ...bare, ...more }).formatToParts(value)
  const find = (list: Intl.NumberFormatPart[], type: string) =>
    list.find((part) => part.type === type)?.value
  const around = (list: Intl.NumberFormatPart[]): Affixes => {
    const first = list.findIndex(({ type }) => type === 'integer')
    const last = list.findLastIndex(({ type }) => type === 'integer')
    const join = (some: Intl.NumberFormatPart[]) => some.map(({ value }) => value).join('')
    return [join(list.slice(0, first)), join(list.slice(last + 1))]
  }
  const plain = new Intl.NumberFormat(locale, { useGrouping: false })
  const negative = parts({}, -1)
  const plus = parts({ signDisplay: 'always' }, 1)
  const long = parts({}, 12_345_678_901_234n)
  const sizes = long.filter(({ type }) => type === 'integer').map(({ value }) => [...value].length)
  const short = [1000n, 10_000n, 100_000n].findIndex((value) =>
    parts({}, value).some(({ type }) => type === 'group'),
  )
  const half = new Intl.NumberFormat(locale, { ...style, minimumFractionDigits: 1 })
  return {
    point: find(half.formatToParts(0.5), 'decimal') ?? '.',
    group: {
      separator: find(long, 'group') ?? '',
      first: sizes.at(-1) ?? 3,
      next: sizes.at(-2) ?? 3,
    },
    groupFrom: short < 0 ? Infinity : short + 1,
    digits: Array.from({ length: 10 }, (_, digit) => plain.format(digit)),
    positive: around(parts({}, 1)),
    negative: around(negative),
    plus: around(plus),
    currency: find(plus, 'currency'),
    percentSign: find(plus, 'percentSign'),
    minusSign: find(negative, 'minusSign') ?? '-',
    plusSign: find(plus, 'plusSign') ?? '+',
    decimals:
      currency === undefined
        ? undefined
        : new Intl.NumberFormat(locale, style).resolvedOptions().maximumFractionDigits,
  }
}
