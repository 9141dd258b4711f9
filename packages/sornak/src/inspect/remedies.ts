// What would make a value fit a mask that it does not fit: said, never done. A remedy that could put a
// wrong digit in says what must be known first.

import { hasDigitForLetter, lookAlikes } from '../channel/look-alike.js'
import { formsIn, integerOf, numberTexts, type NumberText } from '../channel/number-text.js'
import { unmark } from '../channel/text-marks.js'
import type { Mask } from '../mask/mask.js'

export type RemedyCode =
  | 'separators-out'
  | 'marks-off'
  | 'look-alikes'
  | 'full-number'
  | 'digits-gone'
  | 'tail-off'
  | 'one-too-many'
  | 'zeros-back'

export interface Remedy {
  readonly code: RemedyCode
  /** The value as it would fit; undefined where it cannot be known. */
  readonly value: string | undefined
  /** What it would be shown as. */
  readonly shown: string | undefined
  /** One sentence: what is in the way, and what would have to be done. Quotes the value. */
  readonly message: string
}

/**
 * Every way that would make the value fit.
 *
 * @example
 * remedies(mask('{5}'), '417')[0].value // '00417'
 * remedies(mask('{4} {4} {4} {4}'), '4.30022E+15')[0].code // 'digits-gone'
 */
export function remedies(mask: Mask, value: string): Remedy[] {
  const found: Remedy[] = []
  const shownOf = (text: string): string | undefined => {
    const shown = mask.show(text)
    if (shown.ok) return shown.text
    const read = mask.read(text)
    const again = read.ok ? mask.show(read.plain) : undefined
    return again?.ok ? again.text : undefined
  }
  if (mask.kind === 'composite' || shownOf(value) !== undefined) return found
  const offer = (code: RemedyCode, text: string, message: (text: string) => string) => {
    const shown = shownOf(text)
    if (shown === undefined || found.some((one) => one.value === text)) return false
    found.push({ code, value: text, shown, message: message(text) })
    return true
  }

  for (const { text } of unmark(value).slice(1))
    offer('marks-off', text, (to) => `Marks or characters that cannot be seen surround "${to}".`)
  const bare = value.replace(/[^\p{L}\p{N}]/gu, '')
  if (bare !== value)
    offer('separators-out', bare, (to) => `It is text with separators; without them it is "${to}".`)
  for (const text of lookAlikes(value))
    offer('look-alikes', text, (to) =>
      hasDigitForLetter(value, to)
        ? `A digit stands where a letter belongs: "${to}".`
        : `A letter stands where a digit belongs: "${to}".`,
    )
  numbers(value, found, offer)
  overlong(value, offer)
  tooShort(value, offer)
  return found
}

type Offer = (code: RemedyCode, text: string, message: (text: string) => string) => boolean

function numbers(value: string, found: Remedy[], offer: Offer): void {
  for (const number of numberTexts(value)) {
    if (number.negative || formsIn(number).length === 0) continue
    const whole = integerOf(number)
    if (number.exponent && number.power > 0) {
      if (found.some(({ code }) => code === 'digits-gone')) continue
      found.push({
        code: 'digits-gone',
        value: undefined,
        shown: undefined,
        message: `It was a number and shows ${number.significant} of its ${number.significant + number.power} digits; the others are gone, and no mask brings them back. Fetch it again at the source.`,
      })
    } else if (whole !== undefined) {
      const digits = `${whole}`
      const [how, said] = printedAs(number)
      offer(how, digits, (to) => `${said}: "${to}".`)
    }
  }
}

function printedAs({ otherBase, exponent, decimals }: NumberText): readonly [RemedyCode, string] {
  if (otherBase) return ['full-number', 'It was printed in another base']
  if (exponent)
    return ['full-number', 'It was printed with a power of ten, and all its digits are there']
  if (decimals === undefined) return ['separators-out', 'It was printed as a number with grouping']
  return ['tail-off', 'It was printed as a number with a decimal tail']
}

function overlong(value: string, offer: Offer): void {
  const chars = [...value]
  if (chars.length < 2 || chars.length > 64) return
  const last = chars.slice(0, -1).join('')
  const first = chars.slice(1).join('')
  offer('one-too-many', last, () => `There is one character too many; without the last it fits.`)
  offer('one-too-many', first, () => `There is one character too many; without the first it fits.`)
}

function tooShort(value: string, offer: Offer): void {
  if (!/^\d{1,63}$/.test(value)) return
  for (let zeros = 1; zeros + value.length <= 64; zeros++) {
    const said = zeros === 1 ? 'a zero' : `${zeros} zeros`
    const message = (to: string) =>
      `With ${said} put back at the front it is "${to}"; right only if zeros were lost there.`
    if (offer('zeros-back', '0'.repeat(zeros) + value, message)) return
  }
}
