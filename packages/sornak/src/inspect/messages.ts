// Why a verdict was given, in one or two sentences: place first, then what is left. Built from text
// that has been hidden already, so that no sentence shows what the rules file hides.

import type { FindingCode } from '../channel/channel.js'
import { CHANNELS } from '../channel/channels.js'
import type { IntegerType } from '../channel/integer-limits.js'
import { hasDigitForLetter } from '../channel/look-alike.js'
import type { Definition } from '../identifier/definition.js'
import { hide, hidesAnything } from '../identifier/reveal.js'
import { misfitText } from '../mask/messages.js'
import type { Companion } from './beside.js'
import { printsRound } from './evidence/process-channel.js'
import type { Slip } from './evidence/slips.js'
import type { EvidenceRun } from './runs/evidence-run.js'
import type { ColumnType, StoredCounts } from './storage.js'
import type { Judgement } from './judgement.js'

export function why(
  definition: Definition,
  judgement: Judgement,
  seen: string,
  shown?: string,
): string {
  const sentences = judgement.findings.map((code) =>
    code === 'display-differs'
      ? `Its display format shows ${shown}.`
      : sentence(code, definition, judgement, seen),
  )
  return [...sentences.filter(Boolean), ending(judgement)].filter(Boolean).join(' ')
}

/** What leaves the values of a run open, and what would settle it; undefined where nothing does. */
export function openWhy({
  lacking = 0,
  bound,
  strange,
  digitsOnly,
}: EvidenceRun): string | undefined {
  const sentences = [
    lacking > 0 && lackingWhy(lacking),
    bound && boundWhy(bound),
    strange > 0 && strangeWhy(strange),
    digitsOnly && digitsOnlyWhy(digitsOnly),
  ].filter(Boolean)
  return sentences.length > 0 ? sentences.join(' ') : undefined
}

/**
 * Why a run of rows is told, in a sentence or two.
 *
 * @param alongside other columns that were converted in the same rows
 */
export function runWhy(
  run: EvidenceRun,
  from: number,
  to: number,
  alongside: readonly string[],
): string {
  const { channel, process, bits, suspect, inForm } = run
  const how = process === 'fifteen-cut' ? ', cut' : process === 'fifteen-rounded' ? ', rounded' : ''
  const plain = printsRound(process) && inForm('exponent') === 0
  const title = plain ? 'A few digits, and zeros behind them' : channelTitle(channel)
  const others = alongside.map((header) => `"${header}"`).join(', ')
  return [
    `${title}${how}: rows ${from} to ${to} speak for it with ${bits} bits of evidence.`,
    others && `${others} ${alongside.length === 1 ? 'was' : 'were'} converted in the same rows.`,
    openWhy(run),
    suspect && DOUBT,
  ]
    .filter(Boolean)
    .join(' ')
}

function lackingWhy(digits: number): string {
  const [lost, zeros] =
    digits === 1 ? ['1 digit', 'a zero'] : [`${digits} digits`, `${digits} zeros`]
  return `Every value lacks ${lost}, and none is complete: they lost ${zeros} each, or the field was too narrow. If all of them start with "${'0'.repeat(digits)}", write that into the stored mask, and they can be mended.`
}

const boundWhy = ({ max, bits, signed }: IntegerType) =>
  `None of these is complete, and none is beyond ${grouped(max)}, which some come close to: they lost their zeros, or started again from below in an integer column of ${bits} bits${signed ? '' : ' without a sign'}. One value of the source tells which.`

const strangeWhy = (zeros: number) =>
  `Each of these would have lost ${zeros} zeros or more, and hardly any other value of the column starts with so many: something else may have taken digits from them. One value of the source tells what.`

function digitsOnlyWhy(masks: readonly string[]): string {
  const list = masks.length > 0 ? ` (${masks.map((mask) => `"${mask}"`).join(' or ')})` : ''
  return `None goes on behind its digits, as values of this identifier may, and a reader that stops there leaves only those. If all of them are digits only, write that into the stored mask${list}, and they can be mended.`
}

/** Why the rows are told in which another column is damaged. */
export function besideWhy(
  { process, bits, alike, rows, elsewhere }: Companion,
  channel: string,
  other: string,
): string {
  const zeros = process === 'number-read'
  const share = `${percent(zeros ? 1 - elsewhere : elsewhere)} elsewhere`
  return `${channelTitle(channel)}: of the ${rows} values beside a damaged "${other}", ${
    zeros
      ? `${rows - alike} start with a zero (${share})`
      : `${alike} are such as it prints (${share})`
  }; ${bits} bits of evidence. ${DOUBT}`
}

const DOUBT = 'Values there that fit may be others than they were.'

const channelTitle = (channel: string) =>
  CHANNELS.get(channel)?.title ?? (channel === 'display' ? 'Stored as it is shown' : channel)

const percent = (share: number) => `${(100 * share).toFixed(share < 0.1 ? 1 : 0)}%`

export function zerosWhy(bits: number): string {
  return `No value starts with a zero, where some should (${bits} bits of evidence).`
}

/** What a column is stored as, in a sentence or two. */
export function storedWhy({ as }: StoredCounts, type: ColumnType | undefined): string {
  const parts = Object.entries(as).filter(([, count]) => count > 0)
  const counted = parts
    .map(([what, count]) => `${about(BigInt(count))} ${count === 1 ? what : PLURALS[what]}`)
    .join(', ')
  const what =
    type?.as === undefined ? `Values are stored as ${counted}` : `The column is ${type.name}`
  return `${what}, not text: zeros at the front cannot be kept there, and long digits may be rounded.`
}

const PLURALS: Readonly<Record<string, string>> = {
  number: 'numbers',
  date: 'dates',
  boolean: 'truth values',
  error: 'errors',
}

export const smallWhy = ({ name }: ColumnType, phrase: string): string =>
  `The column type ${name} cannot hold every value: ${phrase}.`

export const displayWhy = (count: number, stored: string, shown: string): string =>
  `${count === 1 ? '1 value shows' : `${about(BigInt(count))} values show`} something other than is stored, such as ${stored} shown as ${shown}.`

const grouped = (count: bigint) => count.toString().replace(/\B(?=(\d{3})+$)/g, ',')

/** How many, in words that stay readable: `12`, `about 10 million million`. */
export function about(count: bigint): string {
  if (count < 100_000n) return grouped(count)
  const digits = count.toString()
  const power = digits.length - 1
  return `about ${digits[0]}${digits[1] === '0' ? '' : `.${digits[1]}`} × 10^${power}`
}

function sentence(
  code: FindingCode,
  definition: Definition,
  judgement: Judgement,
  seen: string,
): string {
  const digits = seen.replace(/\D/g, '').length
  const left = judgement.mend ?? judgement.candidates[0]?.text
  const zeros = left === undefined ? 0 : lead(left) - lead(seen)
  switch (code) {
    case 'zeros-lost':
      if (judgement.mend === undefined || zeros <= 0) return 'Zeros at the front may be gone.'
      if (judgement.findings.length > 1)
        return `${cap(zeroWords(zeros))} at the front ${zeros === 1 ? 'is' : 'are'} gone.`
      return `${digits === 1 ? '1 digit' : `${digits} digits`} where ${left!.replace(/\D/g, '').length} belong; ${zeroWords(zeros)} at the front ${zeros === 1 ? 'is' : 'are'} gone.`
    case 'zeros-added':
      return 'There are more zeros at the front than belong to it.'
    case 'exponent':
      return 'It was printed with a power of ten.'
    case 'digits-rounded':
      return 'Its last digits were rounded or cut to zeros.'
    case 'decimal-tail':
      return 'A decimal tail was added.'
    case 'grouped':
      return 'Thousands separators were added.'
    case 'evaluated':
      return 'A code was worked out as if it were a number.'
    case 'stray-mark':
      return 'Marks or spaces around the value became part of it.'
    case 'hidden-character':
      return `It holds characters that cannot be seen (${invisible(seen)}).`
    case 'foreign-digit':
      return 'It is written with digits of another script.'
    case 'display-stored':
      return 'It stands as it is shown, not as it is stored.'
    case 'duplicate':
      return `It must be unique, and stands in record ${judgement.first} already.`
    case 'missing-mark':
      return judgement.verdict === 'blank' || judgement.verdict === 'misfit'
        ? 'A program wrote a word for a missing value.'
        : 'It may stand for no value, or for one that could not be read.'
    case 'missing':
      return 'A value is required here.'
    case 'overflow-mark':
      return 'A program wrote a mark in place of the value.'
    case 'check-digit':
      return `The check digit is not right (${definition.check?.scheme.title ?? 'check digit'}).`
    case 'reserved':
      return reserved(judgement)
    case 'unexplained':
      return unexplained(definition, judgement)
    case 'wrapped':
      return 'It was too large for an integer column and started again from below.'
    case 'clamped':
      return 'It was too large for an integer column, which put its limit instead.'
    case 'base-changed':
      return 'It was read or printed in another base.'
    case 'date-made':
      return 'It was taken for a date, or shown as one.'
    case 'sign-gained':
      return /^\W*\+/.test(seen) ? 'A plus was added.' : 'A minus was added.'
    case 'scaled':
      return 'It is shown as a percentage or an amount, or counts hundredths.'
    case 'look-alike':
      return left !== undefined && hasDigitForLetter(seen, left)
        ? 'A digit stands where a letter that looks like it belongs.'
        : 'A letter stands where a digit that looks like it belongs.'
    case 'case-changed':
      return 'Its letters changed between capital and small.'
    case 'cut-short':
      return 'Characters were cut off.'
    default:
      return ''
  }
}

function ending(judgement: Judgement): string {
  const { verdict, proof, possible, counted, trusted, slip, several } = judgement
  const most = counted ? '' : 'at most '
  if (verdict === 'mendable') {
    if (trusted) return 'Exactly one member of the trusted list could have become this.'
    return proof === 'exact'
      ? 'Exactly one original is possible.'
      : 'One original is left; all others together have less than 1 chance in 1000.'
  }
  if (verdict === 'ambiguous') {
    const typed = slip ? ` ${SLIP_WORDS[slip]}` : ''
    return `There are ${most}${about(possible!)} possible originals.${typed}${several ? ` ${SEVERAL}` : ''}`
  }
  if (verdict === 'lost') {
    return possible === null
      ? 'The original cannot be known from it; fetch it again at the source.'
      : `There are ${most}${about(possible)} possible originals; fetch it again at the source.`
  }
  if (verdict === 'suspect')
    return `It fits, but ${convertedWith(judgement)}; ${most}${about(possible!)} originals come out as this one.`
  if (verdict === 'misfit') return 'No likely conversion explains it.'
  return ''
}

const SEVERAL =
  'Several programs printed numbers of this column, and any of them may have left this one.'

const SLIP_WORDS: Readonly<Record<Slip, string>> = {
  'digit-wrong': 'Or a digit was mistyped.',
  'digit-added': 'Or a digit too many was typed.',
  'digit-left-out': 'Or a character was left out in typing.',
  'other-kind': 'Or another character was mistyped there.',
}

function convertedWith({ beside, findings }: Judgement): string {
  if (findings.includes('clamped')) return 'other rows hold the same limit'
  const others = beside === undefined ? 'its neighbours' : `values beside a damaged "${beside}"`
  return `${others} were converted`
}

function reserved({ fit }: Judgement): string {
  if (!fit || fit.ok || fit.code !== 'reserved') return 'It lies in a reserved range.'
  const part = fit.part === 'value' ? 'The value' : `The part "${fit.part}"`
  return fit.rule === 'never'
    ? `${part} lies in a range that is never issued.`
    : `${part} is not among those allowed.`
}

function unexplained(definition: Definition, { fit }: Judgement): string {
  if (!fit || fit.ok || fit.code !== 'shape') return 'It does not fit.'
  const { misfit } = fit
  if (!hidesAnything(definition.reveal)) return misfit.message
  const expected = misfit.code === 'two-readings' ? 'two different values' : misfit.expected
  return misfitText({ ...misfit, found: hide(misfit.found), expected })
}

const zeroWords = (n: number) => (n === 1 ? 'the zero' : `the ${n <= 9 ? WORDS[n] : n} zeros`)
const WORDS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight', 'nine']
const lead = (text: string) => /^\D*(0*)(?=\d)/.exec(text)?.[1]?.length ?? 0
const cap = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

function invisible(text: string): string {
  const points = [...text].filter((char) => /[\p{Cc}\p{Cf}\p{Zs}]/u.test(char) && char !== ' ')
  const names = [...new Set(points)].map(
    (char) => `U+${char.codePointAt(0)!.toString(16).toUpperCase().padStart(4, '0')}`,
  )
  return names.slice(0, 3).join(', ')
}
