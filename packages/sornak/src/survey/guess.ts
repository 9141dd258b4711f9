// A look at a column -> what it seems to hold, and why. Catalog entries are scored by how unlikely it is that
// so many values fit them by chance, and by the words of the header; damaged values are judged and do not
// speak against an entry that explains them.

import type { FindingCode } from '../channel/channel.js'
import { CATALOG, fromCatalog } from '../identifier/catalog/catalog.js'
import type { Definition } from '../identifier/definition.js'
import { holds } from '../identifier/holds.js'
import { identifier } from '../identifier/identifier.js'
import { spaceOf } from '../identifier/space.js'
import { judge } from '../inspect/verdict.js'
import type { ColumnLook } from './column.js'
import { headerBits, looksNamed } from './header.js'

export interface Guess {
  readonly kind: 'catalog' | 'own' | 'date' | 'quantity' | 'words' | 'text' | 'nothing'
  /** For `catalog` its name, for `own` the stored mask. */
  readonly entry?: string
  readonly stored?: string
  readonly definition?: Definition
  /** Of the sample: values that fit, and values that are damaged, by finding. */
  readonly fits: number
  readonly damaged: ReadonlyMap<FindingCode, number>
  /** Other entries that explain the column as well. */
  readonly others: readonly string[]
  /** A sentence or two. */
  readonly why: string
}

const ENOUGH = 8
/** So many values are looked at first: where not one in ten of them fits, less than three in ten of all do. */
const GLANCE = 60
/** Bits within which two entries count as equally good. */
const CLOSE = 4

export function guess(look: ColumnLook): Guess {
  const { sample } = look
  if (sample.length === 0) return plain('nothing', 'There are no values.')
  const dates = share(sample, /^(?:\d{4}-\d{2}-\d{2}|\d{1,2}[./]\d{1,2}[./]\d{2,4})(?:[T ].*)?$/)
  const scored = entries()
    .map((entry) => ({ ...entry, ...score(entry, look) }))
    .filter(({ bits, held }) => held && bits >= ENOUGH)
    .sort((a, b) => b.bits - a.bits)
  const best = scored[0]
  if (best && !(dates > 0.9 && best.header <= 0)) {
    const others = scored.slice(1).filter(({ bits }) => bits > best.bits - CLOSE)
    return {
      kind: 'catalog',
      entry: best.name,
      definition: best.definition,
      ...damageOf(best.definition, sample),
      others: others.map(({ name }) => name),
      why: [
        `${percent(best.fitting)} of the values fit "${best.name}"`,
        best.header > 0 ? ', and the header says so too' : '',
        best.bits - Math.max(0, best.header) >= ENOUGH
          ? '; by chance they would hardly do'
          : '; the values alone would not tell',
        '.',
      ].join(''),
    }
  }
  if (dates > 0.9) return plain('date', 'The values are dates.')
  return own(look) ?? without(look)
}

interface Entry {
  readonly name: string
  readonly definition: Definition
}

let known: Entry[] | undefined
// Entries of dates and numbers say too little of a value.
const entries = (): Entry[] =>
  (known ??= [...CATALOG.keys()]
    .map((name) => ({ name, definition: fromCatalog(name)! }))
    .filter(({ definition }) => definition.stored.masks.every(({ kind }) => kind === 'characters')))

function score({ name, definition }: Entry, { sample, header }: ColumnLook) {
  const words = headerBits(name, definition.title, header)
  // Few entries are worth the whole sample.
  const step = Math.ceil(sample.length / GLANCE)
  const some = sample.filter((_, i) => i % step === 0)
  if (some.filter((text) => holds(definition, text)).length < 0.1 * some.length)
    return { bits: 0, held: false, fitting: 0, header: words }
  const fitting = sample.filter((text) => holds(definition, text))
  const shareFitting = fitting.length / sample.length
  if (shareFitting < 0.3) return { bits: 0, held: false, fitting: shareFitting, header: words }
  // A check digit speaks anew with every value; what slots leave out, only once for each character met.
  const checks = definition.check ? Math.min(fitting.length, 40) * Math.log2(10) : 0
  const most = checks + placeBits(definition, fitting) + words
  // What does not fit only takes from it, and takes long to be judged.
  const misfit = shareFitting > 0.97 || most < ENOUGH ? 0 : misfits(definition, sample)
  const bits = most - 40 * misfit
  return { bits, held: misfit < 0.1, fitting: shareFitting, header: words }
}

// How unlikely it is that the characters met at each place are all among those that it takes.
function placeBits(definition: Definition, fitting: readonly string[]): number {
  let bits = 0
  for (const { places } of spaceOf(definition).layouts) {
    const of = fitting.filter((text) => text.length === places.length)
    if (of.length < 0.3 * fitting.length) continue
    places.forEach(({ chars }, i) => {
      const texts = chars.map((code) => String.fromCharCode(code))
      const all = texts.every((char) => /\d/.test(char))
        ? 10
        : texts.some((char) => /\d/.test(char))
          ? 36
          : 26
      const met = new Set(of.map((text) => text[i])).size
      for (let k = 0; k < Math.min(met, chars.length) && chars.length < all; k++)
        bits += Math.log2((all - k) / (chars.length - k))
    })
  }
  return bits
}

function misfits(definition: Definition, sample: readonly string[]): number {
  const some = sample.slice(0, 80)
  const bad = some.filter((text) => {
    const { verdict, findings } = judge(definition, text, 1)
    return verdict === 'misfit' && !findings.includes('missing-mark')
  })
  return bad.length / some.length
}

function damageOf(definition: Definition, sample: readonly string[]) {
  const damaged = new Map<FindingCode, number>()
  let fits = 0
  for (const text of sample) {
    const { verdict, findings } = judge(definition, text, 1)
    if (verdict === 'intact') fits++
    for (const code of findings.slice(0, 1)) damaged.set(code, (damaged.get(code) ?? 0) + 1)
  }
  return { fits, damaged }
}

// An identifier of one's own: one width, or one arrangement of letters and digits.
function own(look: ColumnLook): Guess | undefined {
  const { sample, header, leadingZeros, different } = look
  const shapes = new Map<string, number>()
  for (const text of sample) {
    const shape = shapeOf(text)
    shapes.set(shape, (shapes.get(shape) ?? 0) + 1)
  }
  const [first] = [...shapes].sort((a, b) => b[1] - a[1])
  if (!first) return undefined
  const [shape, count] = first
  const usual = count / sample.length
  const varied = different > sample.length / 4
  const digits = /^9+$/.test(shape)
  const named = looksNamed(header)
  const numbers = look.digitsOnly + look.exponents + look.decimalTails
  const mostlyDigits = numbers > 0.9 * (look.values - look.blank)
  if (digits || mostlyDigits) {
    if (!mostlyDigits || !varied) return undefined
    const width = Math.max(
      ...[...look.widths].filter(([, n]) => n * 20 > look.digitsOnly).map(([w]) => w),
    )
    const wide = look.widths.get(width) ?? 0
    if (named && areRunning(look, width))
      return withMask(
        `{1..${width}}`,
        sample,
        'Running numbers from 1 on, and the header names an identifier.',
      )
    const fixed = wide > 0.5 * look.digitsOnly
    if (!Number.isFinite(width) || (!fixed && !(named && leadingZeros))) return undefined
    if (!named && leadingZeros === 0 && width < 8) return undefined
    const reasons = [
      `${percent(wide / look.digitsOnly)} of the numbers have ${width} digits`,
      leadingZeros
        ? ', and some start with a zero'
        : named
          ? ', and the header names an identifier'
          : '',
    ]
    return withMask(`{${width}}`, sample, `${reasons.join('')}.`)
  }
  const letters = /[A]/.test(shape) && /9/.test(shape)
  if (!letters || usual < 0.6 || !varied) return undefined
  const mask = shape.replace(/A+|9+|[{}[\]\\]/g, (run) =>
    run[0] === 'A' ? `{${run.length} upper}` : run[0] === '9' ? `{${run.length}}` : `\\${run}`,
  )
  return withMask(
    mask,
    sample,
    `${percent(usual)} of the values have one arrangement of letters and digits.`,
  )
}

// Most numbers of fewer digits are there, each once: they were counted, and lost no zeros.
function areRunning({ widths, leadingZeros, sample, different }: ColumnLook, width: number) {
  const possible = 9 * 10 ** (width - 2)
  const narrower = widths.get(width - 1) ?? 0
  return (
    width > 1 &&
    leadingZeros === 0 &&
    different === sample.length &&
    narrower <= possible &&
    narrower >= 0.8 * possible
  )
}

function withMask(stored: string, sample: readonly string[], why: string): Guess {
  const definition = identifier({ stored })
  return { kind: 'own', stored, definition, ...damageOf(definition, sample), others: [], why }
}

function without({ sample, different, digitsOnly, values, blank }: ColumnLook): Guess {
  if (different <= Math.max(2, sample.length / 20))
    return plain(
      'words',
      `${different === 1 ? 'One value' : `${different} different values`} all over.`,
    )
  if (share(sample, /^[+-]?[\d.,\s]+$/u) > 0.9)
    return plain(
      'quantity',
      digitsOnly === values - blank
        ? 'Numbers of several widths, none with a zero in front.'
        : 'Numbers with decimals or separators.',
    )
  return plain('text', 'Text without one arrangement.')
}

const plain = (kind: Guess['kind'], why: string): Guess => ({
  kind,
  fits: 0,
  damaged: new Map(),
  others: [],
  why,
})

const shapeOf = (text: string) => text.replace(/\p{Lu}/gu, 'A').replace(/\d/g, '9')
const share = (sample: readonly string[], pattern: RegExp) =>
  sample.filter((text) => pattern.test(text)).length / sample.length
const percent = (n: number) => `${n >= 1 ? 100 : Math.min(99, Math.floor(n * 100))}%`
