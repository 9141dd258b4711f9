// Ways of damage that are undone on the text as it stands: marks, display forms, look-alike letters, dates,
// sums, brackets that became a sign, and text that was cut short.

import { arithmetic, valueOf, workedOut, type ZeroLed } from '../channel/arithmetic.js'
import type { FindingCode } from '../channel/channel.js'
import { dateGuess } from '../channel/date-guess.js'
import { label } from '../channel/label.js'
import { letterCase } from '../channel/letter-case.js'
import { lookAlike } from '../channel/look-alike.js'
import { sixtyTexts } from '../channel/other-base.js'
import { sign } from '../channel/sign.js'
import type { Unmarked } from '../channel/text-marks.js'
import type { Definition } from '../identifier/definition.js'
import { holds } from '../identifier/holds.js'
import { endingWith, startingWith } from '../identifier/parts-of-space.js'
import { remembered } from '../identifier/remembered.js'
import type { Space } from '../identifier/space.js'
import type { MaskList } from '../mask/list.js'
import type { Hypothesis } from './hypothesis.js'
import { TOGETHER } from './weights.js'

export function asItStands(definition: Definition, { text, findings }: Unmarked): Hypothesis[] {
  if (findings.length === 0 || !holds(definition, text)) return []
  return [way('marks', findings, findings, [text], TOGETHER.marked)]
}

/** Behind a word that names it stands the value or a display form, with nothing else done to it. */
export function asLabelled(definition: Definition, { text, findings }: Unmarked): Hypothesis[] {
  return label.inverse(text).flatMap((inner) => {
    if (inner.kind !== 'texts') return []
    const [bare = ''] = inner.texts
    const named: Unmarked = { text: bare, findings: [...new Set([...findings, label.finding])] }
    return [...asItStands(definition, named), ...asDisplayed(definition, named)]
  })
}

export function asDisplayed(definition: Definition, { text, findings }: Unmarked): Hypothesis[] {
  const found = readAsForm(definition, text, text, findings)
  if (found.length > 0 || !showsSeparators(definition)) return found
  return withoutSeparators(text).flatMap((bare) =>
    readAsForm(definition, bare, text, findings).map((one) => ({
      ...one,
      weight: TOGETHER.displayedLoosely,
    })),
  )
}

function readAsForm(
  definition: Definition,
  text: string,
  seen: string,
  findings: readonly FindingCode[],
): Hypothesis[] {
  return formsOf(definition).flatMap((form): Hypothesis[] => {
    const read = form.read(text)
    if (!read.ok) return []
    const original = restore(definition, read.plain)
    if (original === undefined || original === seen) return []
    return [
      way(
        'display',
        [...findings, 'display'],
        [...findings, 'display-stored'],
        [original],
        read.strict ? TOGETHER.displayed : TOGETHER.displayedLoosely,
      ),
    ]
  })
}

// People put separators where they like; what is left without them tells as much. An international prefix may be
// written as 00, and the zero that is dialled at home may stand in brackets behind it (ITU-T E.123).
function withoutSeparators(text: string): string[] {
  const bare = text.replace(/[ \-./()]/g, '')
  if (/^00\d/.test(bare) && bare.length > 9) return [`+${trunkLess(text).slice(2)}`, bare]
  if (/^\+\d+ ?\(0\)/.test(text)) return [trunkLess(text)]
  return separatedAnyhow(text) ? [bare] : []
}

const trunkLess = (text: string) => text.replace('(0)', '').replace(/[ \-./()]/g, '')

// Groups of digits with separators between them that are no number with decimals and no date.
function separatedAnyhow(text: string): boolean {
  if (!/^\+?[(]?\d+(?:[ \-./()]{1,2}\d+)+$/.test(text)) return false
  return !/^\d+\.\d+$|^\d{1,4}[/-]\d{1,2}$|^\d{1,4}([-./])\d{1,2}\1\d{1,4}$/.test(text)
}

/**
 * Letters for digits, dates, sums, signs, base sixty: where the definition holds such texts at all.
 * @param whole the text is a value as it stands: none of its letters need be another
 */
export function textual(
  definition: Definition,
  space: Space,
  { text, findings }: Unmarked,
  whole: boolean,
): Hypothesis[] {
  if (text.length > 64) return []
  const found: Hypothesis[] = []
  const separated = holdsSeparators(definition)
  const offer = (
    process: string,
    code: FindingCode,
    texts: readonly string[],
    weight: number,
    channel = process,
  ) => {
    const held = [...new Set(texts.flatMap((one) => storedOf(definition, one, separated)))]
    if (held.length)
      found.push(way(process, [...findings, channel], [...findings, code], held, weight))
  }
  const from = (channel: typeof lookAlike) =>
    channel.inverse(text).flatMap((one) => (one.kind === 'texts' ? one.texts : []))
  const letters = /\p{L}|\|/u.test(text) || holdsLookAlikes(space) || showsLookAlikes(definition)
  if (letters && !whole) offer('look-alike', 'look-alike', from(lookAlike), TOGETHER.lookAlike)
  if (!whole && /\p{L}/u.test(text))
    offer('letter-case', 'case-changed', from(letterCase), TOGETHER.caseChanged)
  if (/[A-Za-z]{3}|\d[-/.]\d|^\d{5}$/.test(text) && (separated || holdsLetters(space)))
    offer(
      'date-guess',
      'date-made',
      from(dateGuess),
      /^\d+$/.test(text) && !storesSeparators(space) ? TOGETHER.evaluatedDisplay : TOGETHER.dated,
    )
  if (!separated) return found
  if (/^-?\d/.test(text)) offer('sign', 'sign-gained', from(sign), TOGETHER.signGained)
  if (/^[1-9]\d*$/.test(text) && text.length < 12)
    offer('base-sixty', 'base-changed', sixtyTexts(text), TOGETHER.evaluated, 'other-base')
  if (/^-?\d+(?:[.,]\d+)?$/.test(text)) found.push(...asSum(definition, space, text, findings))
  return found
}

/** Nothing happened to a value that fits. */
export const unchanged = (seen: string): Hypothesis => way('unchanged', [], [], [seen], 1)

/** Only the front or the end is left. `alone`: nothing else explains the text. */
export function cut(space: Space, seen: string, alone: boolean): Hypothesis[] {
  // One or two characters say nothing of where they were cut from, and letters alone are often words.
  if (seen.length < 1 || seen.length > 48 || !/\d/.test(seen)) return []
  const longer = space.widths.filter((width) => width > seen.length)
  const sides = longer.flatMap((width) =>
    [startingWith, endingWith].map((side) => ({ width, subset: side(space, seen, width) })),
  )
  const weight = (alone ? TOGETHER.onlyCut : TOGETHER.cutShort) / sides.length
  const found = sides.map(({ width, subset }) => ({
    process: `cut-short by ${width - seen.length}`,
    subset,
  }))
  // A field that holds so many characters takes more from wide values than from narrow ones, and nothing from one that it
  // holds: as likely as any other width is that of what is seen.
  if (space.widths.length > 1 && longer.length)
    found.push({ process: `cut-short to ${seen.length}`, subset: startingWith(space, seen) })
  const fits = holds(space.definition, seen)
  return found.flatMap(({ process, subset }): Hypothesis[] => {
    if (subset.count === 0n) return []
    const toWidth = process === `cut-short to ${seen.length}`
    const whole = fits && toWidth ? weight / (longer.length + 1) : 0
    const cutShort: Hypothesis = {
      originals: { kind: 'subset', subset },
      process,
      channels: ['cut-short'],
      findings: ['cut-short'],
      weight: weight - whole,
      per: 'all',
    }
    return whole
      ? [cutShort, way(process, ['cut-short'], ['cut-short'], [seen], whole)]
      : [cutShort]
  })
}

/** Every form in which a value may be shown or come in, its own stored form read loosely included. */
export function formsOf({ stored, displays, alsoRead }: Definition): MaskList[] {
  return [...new Set([stored, ...displays.values(), ...(alsoRead ? [alsoRead] : [])])]
}

/** The stored text of a plain value, where it fits. */
export function restore(definition: Definition, plain: string): string | undefined {
  const stored = definition.stored.show(plain)
  return stored.ok && holds(definition, stored.text) ? stored.text : undefined
}

// The text itself where it is a stored one, or the stored text of which it is a display form.
function storedOf(definition: Definition, text: string, displayed: boolean): string[] {
  if (holds(definition, text)) return [text]
  if (!displayed) return []
  return formsOf(definition).flatMap((form) => {
    const read = form.read(text)
    const original = read.ok && read.strict ? restore(definition, read.plain) : undefined
    return original === undefined ? [] : [original]
  })
}

// 413 <- 555-0142: the first run of digits runs through all it can be, the others follow from it while
// there is one; more than two runs are too many to solve, and are counted.
// Runs of digits, or of what may be digits, joined by hyphens or a slash.
const RUN = /\{(?:\w+:\s*)?(?:\d+\.\.)?(\d+)(?: of "0\.\.9[^"]*")?\}/.source
const TWO_RUNS = new RegExp(`^${RUN}([-/])${RUN}$`)
const THREE_RUNS = new RegExp(`^${RUN}-${RUN}-${RUN}$`)

function asSum(
  definition: Definition,
  space: Space,
  text: string,
  marks: readonly FindingCode[],
): Hypothesis[] {
  const [sum] = arithmetic.inverse(text)
  if (sum?.kind !== 'sums') return []
  const texts = new Set<string>()
  let many = 0n
  const own = definition.stored.masks.some(({ text: shape }) => /\}[-/]\{/.test(shape))
  // Where values may be digits only, these will have been.
  const only = own && space.integers.count === 0n
  const weight = only || text.startsWith('-') ? TOGETHER.evaluated : TOGETHER.evaluatedDisplay
  for (const form of formsOf(definition)) {
    for (const { text: shape } of form.masks) {
      const runs = TWO_RUNS.exec(shape)
      if (!runs) {
        const three = THREE_RUNS.exec(shape)
        if (three) many += sumsOfThree(three.slice(1).map(Number), sum.value)
        continue
      }
      const [first, operator, second] = [Number(runs[1]), runs[2], Number(runs[3])]
      if (first > 4) {
        if (operator === '-') many += differences(first, second, sum.value)
        continue
      }
      if (second > 6) continue
      for (let a = 0n; a < 10n ** BigInt(first); a++) {
        const start = `${a}`.padStart(first, '0')
        for (const end of otherRuns(start, operator!, second, sum.value)) {
          const whole = start + operator + end
          if (READINGS.some((read) => workedOut(whole, read) === sum.value))
            for (const held of storedOf(definition, whole, true)) texts.add(held)
        }
      }
    }
  }
  const channels = [...marks, 'arithmetic']
  const findings: FindingCode[] = [...marks, 'evaluated']
  const found: Hypothesis[] = []
  if (texts.size) found.push(way('arithmetic', channels, findings, [...texts], weight))
  if (many > 0n)
    found.push({
      ...way('arithmetic', channels, findings, [], weight),
      originals: {
        kind: 'subset',
        subset: { count: many, bound: many, exact: false, list: () => [] },
      },
    })
  return found
}

// How many a - b come to the value, at most: where zeros at the front make it octal, either may be read so.
function differences(first: number, second: number, value: string): bigint {
  if (value.includes('.')) return 0n
  const [most, least] = [10n ** BigInt(first), -(10n ** BigInt(second))]
  const sum = BigInt(value)
  if (sum <= least || sum >= most) return 0n
  return 2n * (first < second ? most : -least)
}

// How many a - b - c come to the value, at most: the first run follows from the other two.
function sumsOfThree([a = 0, b = 0, c = 0]: readonly number[], value: string): bigint {
  if (value.includes('.')) return 0n
  const [first, second, third] = [a, b, c].map((digits) => 10n ** BigInt(digits))
  const sum = BigInt(value)
  if (sum >= first! || sum < 2n - second! - third!) return 0n
  return second! * third! < first! * second! ? second! * third! : first! * second!
}

const READINGS: readonly ZeroLed[] = ['decimal', 'octal']

// What may stand behind the operator, in so many digits: either run may have been read as octal.
function otherRuns(start: string, operator: string, length: number, value: string): string[] {
  const runs = READINGS.flatMap((read) => {
    const b = otherRun(valueOf(start, read), operator, value)
    if (b === undefined || b < 0n) return []
    return [b.toString(), `0${b.toString(8)}`].filter((digits) => digits.length <= length)
  })
  return [...new Set(runs.map((digits) => digits.padStart(length, '0')))]
}

function otherRun(a: bigint, operator: string, value: string): bigint | undefined {
  if (operator === '-') return value.includes('.') ? undefined : a - BigInt(value)
  const [whole = '0', fraction = ''] = value.split('.')
  const scaled = BigInt(whole + fraction)
  if (scaled <= 0n) return undefined
  const unit = 10n ** BigInt(fraction.length)
  // Rounded: the printed quotient has few digits, the divisor is whole.
  return (a * unit * 2n + scaled) / (scaled * 2n)
}

const literalsOf = (definition: Definition): string[] =>
  formsOf(definition)
    .flatMap(({ masks }) => masks)
    .flatMap(({ nodes }) => nodes)
    .map((node) => (node.kind === 'literal' ? node.text : ''))

/** Whether a form of it has separators at all, spaces too. */
const showsSeparators = remembered((definition: Definition) =>
  literalsOf(definition).some((text) => /[ \-./()]/.test(text)),
)

/** Whether a form of it has separators that dates, sums and times have. */
const holdsSeparators = remembered(
  (definition: Definition) =>
    literalsOf(definition).some((text) => /[-/.:()]/.test(text)) ||
    formsOf(definition).some(takesSeparators),
)

const takesSeparators = ({ masks }: MaskList) =>
  masks.some(
    ({ kind, program }) =>
      kind === 'date' ||
      program.slots.some(({ chars }) => chars.kind === 'any' || chars.kind === 'of'),
  )

// Whether values can hold one of these characters.
function holdsAny(chars: string): (space: Space) => boolean {
  const codes = Array.from(chars, (char) => char.charCodeAt(0))
  return remembered(({ layouts }) =>
    layouts.some(({ places }) =>
      places.some((place) => codes.some((code) => place.chars.includes(code))),
    ),
  )
}

/** Whether a form of it has letters that may be taken for digits. */
const showsLookAlikes = remembered((definition: Definition) =>
  literalsOf(definition).some((text) => /[OIZSB]/.test(text)),
)

/** A letter that names of months have. */
const holdsLetters = holdsAny('M')
const holdsLookAlikes = holdsAny('OIZSB')
/** A separator that dates have. */
const storesSeparators = holdsAny('-/.')

function way(
  process: string,
  channels: readonly string[],
  findings: readonly FindingCode[],
  texts: readonly string[],
  weight: number,
): Hypothesis {
  return { originals: { kind: 'texts', texts }, process, channels, findings, weight, per: 'all' }
}
