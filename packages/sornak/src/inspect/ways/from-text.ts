// Ways of damage that are undone on the text as it stands: marks, display forms, look-alike letters, dates,
// and brackets that became a sign.

import type { FindingCode } from '../../channel/channel.js'
import { decimalsFor } from '../../channel/evaluated.js'
import { label } from '../../channel/label.js'
import { letterCase } from '../../channel/letter-case.js'
import { hasLookAlike, lookAlike } from '../../channel/look-alike.js'
import { formsIn, integerOf, numberTexts } from '../../channel/number-text.js'
import { sixtyTexts } from '../../channel/other-base.js'
import { sign } from '../../channel/sign.js'
import type { Unmarked } from '../../channel/text-marks.js'
import { timeGuess } from '../../channel/time-guess.js'
import type { Definition } from '../../identifier/definition.js'
import { holds } from '../../identifier/holds.js'
import { filled } from '../../identifier/layout.js'
import { spaceOf, type Space } from '../../identifier/space.js'
import {
  formsOf,
  holdsLookAlikes,
  holdsSeparators,
  readIn,
  restore,
  showsLookAlikes,
  showsSeparators,
  storesSeparators,
  storedOf,
} from './forms.js'
import { fromDate } from './from-date.js'
import { pointedIn, withFewerDecimals } from './from-decimals.js'
import { asSum } from './from-sum.js'
import { FEWER_DECIMALS, way, type Hypothesis } from './hypothesis.js'
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

/**
 * As people write any long number, whether a mask shows it so or not: three groups or more, or two that are no date, as none is
 * with a space between them.
 */
const SEPARATED = /^\(?\d+(?:(?:[-./_ ]|\)[ -]?)\d+){2,}$|^\d{3,}[-_]\d{3,}$|^\d+ \d+$/

export function asDisplayed(definition: Definition, { text, findings }: Unmarked): Hypothesis[] {
  const found = readAsForm(definition, text, text, findings)
  if (found.length > 0) return found
  const joined =
    showsSeparators(definition) || SEPARATED.test(text)
      ? withoutSeparators(text)
      : groupsJoined(definition, text)
  return joined.flatMap((bare) =>
    readAsForm(definition, bare, text, findings).map((one) => ({
      ...one,
      weight: TOGETHER.displayedLoosely,
    })),
  )
}

/** A long number with decimals is no value of which its point is a separator, whichever that is. */
const AMOUNT = /^\d{6,}[.,]\d{1,2}$/

function readAsForm(
  definition: Definition,
  text: string,
  seen: string,
  findings: readonly FindingCode[],
): Hypothesis[] {
  return formsOf(definition).flatMap((form): Hypothesis[] => {
    const read = readIn(form, text)
    if (!read || (!read.strict && AMOUNT.test(text))) return []
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
  const bare = text.replace(/[ \-./()_]/g, '')
  if (/^00\d/.test(bare) && bare.length > 9) return [`+${trunkLess(text).slice(2)}`, bare]
  if (/^\+\d+ ?\(0\)/.test(text)) return [trunkLess(text)]
  return separatedAnyhow(text) ? [bare] : []
}

/** Letters and digits in groups. */
const GROUPS = /^(?=.*[A-Za-z])(?=.*\d)[A-Za-z\d]+(?:[ \-./_][A-Za-z\d]+)+$/

// A code that holds no separators, written in groups.
const groupsJoined = (definition: Definition, text: string) =>
  GROUPS.test(text) && !storesSeparators(spaceOf(definition)) ? [text.replace(/[ \-./_]/g, '')] : []

const trunkLess = (text: string) => text.replace('(0)', '').replace(/[ \-./()_]/g, '')

const unfilled = (text: string) =>
  Array.from(/^0*/.exec(text)![0], (_, at) => text.slice(at + 1)).filter((one) => one !== '')

// Digits of codes with colons, which no mask reads without these; zeros in front are gone.
const withColons = ({ layouts }: Space, digits: string) =>
  layouts.flatMap(({ places }) => {
    const slots = places.filter(({ slot }) => slot).length
    const hasColons = places.some(({ slot, chars }) => !slot && chars[0] === COLON)
    if (!hasColons || digits.length > slots) return []
    return filled(places, digits.padStart(slots, '0'))
  })

const COLON = 58

// Groups of digits with separators between them that are no number with decimals and no date.
function separatedAnyhow(text: string): boolean {
  if (!/^\+?[(]?\d+(?:[ \-./()_]{1,2}\d+)+$/.test(text)) return false
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
    marks = findings,
  ) => {
    const held = [...new Set(texts.flatMap((one) => storedOf(definition, one, separated)))]
    if (held.length) found.push(way(process, [...marks, channel], [...marks, code], held, weight))
  }
  const from = (channel: typeof lookAlike) =>
    channel.inverse(text).flatMap((one) => (one.kind === 'texts' ? one.texts : []))
  const letters = hasLookAlike(text) || holdsLookAlikes(space) || showsLookAlikes(definition)
  if (letters && !whole) offer('look-alike', 'look-alike', from(lookAlike), TOGETHER.lookAlike)
  if (!whole && /\p{L}/u.test(text))
    offer('letter-case', 'case-changed', from(letterCase), TOGETHER.caseChanged)
  // A code was filled up to a wider field, as numbers are.
  if (!whole && /^0+\d*[A-Za-z][\dA-Za-z]*$/.test(text))
    offer('repadded', 'zeros-added', unfilled(text), TOGETHER.filled)
  // What was printed as a number may have been one of a day or of base sixty before.
  const printed = numberTexts(text).flatMap((number) => {
    const [form] = formsIn(number)
    const value = integerOf(number)
    return form === undefined || value === undefined ? [] : { form, value, ...number }
  })
  const bare: Unmarked[] = [
    { text, findings },
    ...printed
      .filter(({ negative, padded }) => !negative && !padded)
      .map(({ form, value }) => ({ text: `${value}`, findings: [...findings, form] })),
  ]
  found.push(...bare.flatMap((one) => fromDate(definition, space, one)))
  if (!separated) return found
  if (/^-?\d/.test(text)) offer('sign', 'sign-gained', from(sign), TOGETHER.signGained)
  for (const { text: digits, findings: marks } of bare) {
    if (!/^[1-9]\d*$/.test(digits) || digits.length > 11) continue
    offer('base-sixty', 'base-changed', sixtyTexts(digits), TOGETHER.evaluated, 'other-base', marks)
    const codes = withColons(space, digits)
    offer('display', 'display-stored', codes, TOGETHER.colonsLeftOut, 'display', marks)
  }
  if (/[:.,]/.test(text)) offer('time-guess', 'date-made', from(timeGuess), TOGETHER.dated)
  if (!whole && pointedIn(space).length > 0) {
    offer('evaluated', 'evaluated', decimalsFor(text, space.widths.at(-1) ?? 0), TOGETHER.evaluated)
    const more = withFewerDecimals(space, text)
    offer(FEWER_DECIMALS, 'digits-rounded', more, TOGETHER.fewerDecimals, 'short-display')
  }
  if (/^-?(?:\d+|\d*[.,]\d+)$/.test(text)) found.push(...asSum(definition, space, text, findings))
  for (const { form, value, negative } of printed)
    found.push(...asSum(definition, space, `${negative ? '-' : ''}${value}`, [...findings, form]))
  return found
}
