// All wording of mask problems and misfits: one function a code. Every problem carries a corrected
// example that is itself well formed.

import { nearest } from '../words/nearest.js'
import { DATE_SYMBOLS, type PatternTrouble } from '../date/pattern.js'
import { ownKindNames, SLOT_WORDS } from './own-kinds.js'
import { KIND_NAMES } from './tree.js'
import type { MaskProblem, MaskProblemCode } from './problem.js'
import type { Misfit } from './misfit.js'

const OPTIONS = SLOT_WORDS.slice(SLOT_WORDS.indexOf('pad'))

const place = (at: number) => `At character ${at + 1}:`
const splice = (text: string, from: number, to: number, put: string) =>
  text.slice(0, from) + put + text.slice(to)

const problem = (
  code: MaskProblemCode,
  at: number,
  message: string,
  todo: string,
  example: string,
): MaskProblem => ({ code, at, message: `${place(at)} ${message}`, todo, example })

export const problems = {
  maskEmpty: (): MaskProblem =>
    problem(
      'mask-empty',
      0,
      'the mask has no slot, so it can hold no value.',
      'Write a slot in braces, such as "{5}".',
      '{5}',
    ),

  slotOpen: (text: string, start: number, at: number): MaskProblem =>
    problem(
      'slot-open',
      start,
      'the slot that starts here is never closed.',
      'Write "}" after the count, or "\\{" for a plain brace.',
      trialFix(text, splice(text, at, at, '}'), splice(text, start, start, '\\')),
    ),

  slotEmpty: (text: string, start: number, end: number): MaskProblem =>
    problem(
      'slot-empty',
      start,
      'this slot does not say what goes into it.',
      'Write how many characters it takes, such as "{3}", or what kind, such as "{letter}".',
      trialFix(text, splice(text, start, end, '{1}')),
    ),

  slotToken: (text: string, start: number, at: number): MaskProblem =>
    problem(
      'slot-token',
      at,
      `"${String.fromCodePoint(text.codePointAt(at)!)}" has no meaning inside a slot.`,
      'A slot holds a name, a count, a kind and options: "{area: 3 digit, pad}". Text that stands as it is goes outside the braces.',
      trialFix(text, splice(text, start, text.indexOf('}', at) + 1 || text.length, '{1}')),
    ),

  countZero: (text: string, at: number, length: number): MaskProblem =>
    problem(
      'count-zero',
      at,
      'a slot of no characters holds nothing.',
      'Give it at least one character, or take it out.',
      trialFix(text, splice(text, at, at + length, '1')),
    ),

  countReversed: (text: string, at: number, min: string, max: string): MaskProblem =>
    problem(
      'count-reversed',
      at,
      `the count runs from ${min} down to ${max}.`,
      `Write the smaller number first: "${max}..${min}".`,
      trialFix(text, splice(text, at, at + min.length + 2 + max.length, `${max}..${min}`)),
    ),

  countLarge: (text: string, at: number, length: number, most: number): MaskProblem =>
    problem(
      'count-large',
      at,
      `a mask is at most ${most} characters wide; this goes beyond.`,
      'Give a smaller count, or "1.." for a value of any length.',
      trialFix(text, splice(text, at, at + length, '1')),
    ),

  kindUnknown: (
    text: string,
    word: string,
    at: number,
    end: number,
    first: boolean,
  ): MaskProblem => {
    const near = nearest(word, [...SLOT_WORDS, ...ownKindNames()])
    const named = first && !near
    return problem(
      'kind-unknown',
      at,
      `there is no kind or option "${word}".`,
      (near ? `Did you mean "${near}"? ` : '') +
        (named ? `A name is followed by a colon: "{${word}: 3}". ` : '') +
        `Kinds: ${[...KIND_NAMES, 'of "CHARS"', 'number', 'date', 'text', ...ownKindNames()].join(', ')}. Options: ${OPTIONS.join(', ')}.`,
      trialFix(
        text,
        splice(text, at, at + word.length, NEEDS[near ?? ''] ?? near ?? ''),
        splice(text, at, at + word.length, `${word}:`),
        splice(text, at, end - 1, '1'),
      ),
    )
  },

  kindRepeated: (text: string, word: string, at: number): MaskProblem =>
    problem(
      'kind-repeated',
      at,
      `this slot already has a count or a kind; "${word}" is a second one.`,
      'One slot holds characters of one kind; write two slots side by side for two kinds.',
      trialFix(text, splice(text, at, at + word.length, '')),
    ),

  setMissing: (text: string, at: number): MaskProblem =>
    problem(
      'set-missing',
      at,
      '"of" is not followed by the characters it takes.',
      'Write them in quotes: of "A..Z0..9".',
      trialFix(text, splice(text, at, at + 2, 'of "A..Z0..9"')),
    ),

  setReversed: (text: string, at: number, raw: string, low: string, high: string): MaskProblem =>
    problem(
      'set-reversed',
      at,
      `the range "${low}..${high}" runs backwards.`,
      `Write "${high}..${low}".`,
      trialFix(
        text,
        splice(text, at, at + raw.length, raw.replace(`${low}..${high}`, `${high}..${low}`)),
      ),
    ),

  optionRepeated: (text: string, word: string, at: number): MaskProblem =>
    problem(
      'option-repeated',
      at,
      `the option "${word}" is given twice.`,
      'Keep one of them.',
      trialFix(text, splice(text, at, at + word.length, '')),
    ),

  optionArgument: (text: string, at: number, raw: string): MaskProblem =>
    problem(
      'option-argument',
      at,
      `${raw} is not one character.`,
      'An option takes exactly one character in quotes: pad "0".',
      trialFix(
        text,
        splice(text, at, at + raw.length, '"0"'),
        splice(text, at, at + raw.length, ''),
      ),
    ),

  quoteOpen: (text: string, at: number): MaskProblem =>
    problem(
      'quote-open',
      at,
      'the quote that starts here is never closed.',
      'Write a second quote after the characters, and "}" after that.',
      trialFix(text, `${text}"}`, `${text.slice(0, at)}"0"}`),
    ),

  braceStray: (text: string, at: number): MaskProblem =>
    problem(
      'brace-stray',
      at,
      'this brace closes no slot.',
      'Write "\\}" for a plain brace, or "{" where the slot starts.',
      trialFix(text, splice(text, at, at, '\\')),
    ),

  bracketStray: (text: string, at: number): MaskProblem =>
    problem(
      'bracket-stray',
      at,
      'this bracket closes no section.',
      'Write "\\]" for a plain bracket, or "[" where the section starts.',
      trialFix(text, splice(text, at, at, '\\')),
    ),

  sectionOpen: (text: string, at: number): MaskProblem =>
    problem(
      'section-open',
      at,
      'the section that starts here is never closed.',
      'Write "]" at its end, or "\\[" for a plain bracket.',
      trialFix(text, `${text}]`, splice(text, at, at, '\\')),
    ),

  sectionEmpty: (text: string, at: number, end: number): MaskProblem =>
    problem(
      'section-empty',
      at,
      'this section can be there without a single character in its slots, so nothing says when it is.',
      'Put a slot of at least one character into it, or write "\\[" for a plain bracket.',
      trialFix(text, splice(text, end - 1, end - 1, '{1}'), splice(text, at, end, '')),
    ),

  escapeEnd: (text: string, at: number): MaskProblem =>
    problem(
      'escape-end',
      at,
      'the backslash at the end has nothing to make literal.',
      'Write "\\\\" for a plain backslash.',
      trialFix(text, `${text}\\`),
    ),

  nameDuplicate: (text: string, at: number, name: string): MaskProblem =>
    problem(
      'name-duplicate',
      at,
      `the name "${name}" stands on an earlier slot already.`,
      'Give this part another name, since rules speak of parts by name.',
      trialFix(
        text,
        splice(text, text.indexOf(name, at), text.indexOf(name, at) + name.length, `${name}2`),
      ),
    ),

  twoLayouts: (at: number, witness: string, example: string): MaskProblem =>
    problem(
      'two-layouts',
      at,
      `the value "${witness}" could fill the slots in more than one way.`,
      'Give the slots before the last fixed counts, so that every value has one place for each character.',
      example,
    ),

  twoReadings: (at: number, witness: string, example: string): MaskProblem =>
    problem(
      'two-readings',
      at,
      `the text "${witness}" could be read in more than one way, because a slot takes characters that also stand in the mask.`,
      'Give the slot a fixed count, or a kind that does not take the character beside it.',
      example,
    ),

  countMisplaced: (text: string, at: number, end: number, kind: string): MaskProblem =>
    problem(
      'count-misplaced',
      at,
      `"${kind}" takes no count of characters.`,
      kind === 'number'
        ? 'Say how many digits with "whole" and "decimals", such as "{number, whole 6}".'
        : `Write "{${NEEDS[kind] ?? kind}}"; for a count of any characters write "{3 any}".`,
      trialFix(text, splice(text, at, end, `{${NEEDS[kind] ?? kind}}`), `{${NEEDS[kind] ?? kind}}`),
    ),

  optionUnknown: (
    text: string,
    word: string,
    at: number,
    known: readonly string[],
  ): MaskProblem => {
    const near = nearest(word, known)
    return problem(
      'option-unknown',
      at,
      `there is no option "${word}" here.`,
      (near ? `Did you mean "${near}"? ` : '') + `Options: ${known.join(', ')}.`,
      trialFix(
        text,
        splice(text, at, at + word.length, near ?? ''),
        splice(text, at, at + word.length, NEEDS[near ?? ''] ?? ''),
      ),
    )
  },

  optionNeeds: (
    text: string,
    option: string,
    at: number,
    end: number,
    expected: string,
    example: string,
  ): MaskProblem =>
    problem(
      'option-argument',
      at,
      `"${option}" is not followed by ${expected}.`,
      `For example: ${example}.`,
      trialFix(
        text,
        splice(text, at, at + option.length, example),
        splice(text, at, end - 1, example),
        splice(text, at, end - 1, ''),
      ),
    ),

  optionsClash: (text: string, at: number, end: number, one: string, other: string): MaskProblem =>
    problem(
      'options-clash',
      at,
      `"${one}" and "${other}" cannot both be said of one number.`,
      'Keep the one that is meant.',
      trialFix(text, splice(text, at, end, '{number}')),
    ),

  marksClash: (text: string, at: number, end: number, mark: string): MaskProblem =>
    problem(
      'marks-clash',
      at,
      `"${mark}" cannot tell digits, groups and decimals apart.`,
      'Choose a separator and a decimal mark that differ and are no digits or signs.',
      trialFix(text, splice(text, at, end, '{number, group " ", point ","}')),
    ),

  dateMissing: (text: string, at: number, end: number): MaskProblem =>
    problem(
      'date-pattern',
      at,
      'the date has no pattern.',
      `Write one, such as "{date yyyy-MM-dd}". Symbols: ${DATE_SYMBOLS}.`,
      trialFix(text, splice(text, at, end, '{date yyyy-MM-dd}')),
    ),

  datePattern: (
    text: string,
    at: number,
    written: string,
    { at: inside, found, expected, code, better }: PatternTrouble,
  ): MaskProblem =>
    problem(
      'date-pattern',
      at + (code === 'date-fields' ? 0 : inside),
      code === 'date-symbol'
        ? `"${found}" is no symbol of a calendar date${MEANINGS[found[0] ?? ''] ?? ''}.`
        : code === 'date-quote'
          ? 'the quote that starts here is never closed.'
          : `"${written}" does not make one date; ${expected} belong${expected.startsWith('one') ? 's' : ''} in it.`,
      `${expected && code === 'date-symbol' ? `Did you mean "${expected}"? ` : ''}Symbols: ${DATE_SYMBOLS}; other letters stand in single quotes.`,
      trialFix(text, splice(text, at, at + written.length, better), '{date yyyy-MM-dd}'),
    ),

  kindsMixed: (text: string, at: number, end: number): MaskProblem =>
    problem(
      'kinds-mixed',
      at,
      'a number or a date stands alone in its mask, with nothing but text around it.',
      'Use one mask for each value, or character slots for all of them.',
      trialFix(text, splice(text, at, end, '{1}'), text.slice(at, end)),
    ),

  fromMissing: (text: string, at: number, end: number): MaskProblem =>
    problem(
      'from-missing',
      at,
      'this slot does not say which field fills it, though others do.',
      'Write "from" and the name of the field in every slot, or in none.',
      trialFix(text, splice(text, end - 1, end - 1, ' from field')),
    ),

  firstAlone: (text: string, at: number, end: number): MaskProblem =>
    problem(
      'first-alone',
      at,
      '"first" takes the first characters of a field, and this slot names none.',
      'Add "from" and the name of the field: "{1 upper, first, from region}".',
      trialFix(text, splice(text, end - 1, end - 1, ' from field'), splice(text, at, end, '{1}')),
    ),

  fillWithout: (text: string, at: number, end: number): MaskProblem =>
    problem(
      'fill-without-width',
      at,
      '"align" and "fill" say nothing without a width.',
      'Add the least width: "width 12".',
      trialFix(text, splice(text, end - 1, end - 1, ' width 12')),
    ),

  hideTaken: (text: string, at: number, end: number, hide: string): MaskProblem =>
    problem(
      'hide-taken',
      at,
      `the slot is hidden behind "${hide}", which it also takes as a character.`,
      'Choose a character that cannot stand in the slot, such as "•".',
      trialFix(
        text,
        splice(text, at, end, text.slice(at, end).replace(/hide\s*"(?:[^"\\]|\\.)*"/, 'hide')),
        splice(text, at, end, '{1 hide}'),
      ),
    ),
}

/** Words that need an argument, with an example of one. */
const NEEDS: Readonly<Record<string, string>> = {
  of: 'of "A..Z"',
  number: 'number',
  date: 'date yyyy-MM-dd',
  from: 'from field',
  width: 'width 12',
  align: 'align right width 12',
  fill: 'fill "." width 12',
  decimals: 'decimals 2',
  whole: 'whole 6',
  point: 'point ","',
  scientific: 'scientific 2',
  base: 'base 16',
  sign: 'sign always',
  negative: 'negative brackets',
  currency: 'currency ZAR',
  locale: 'locale en',
  round: 'round half-even',
  pivot: 'pivot 1950',
}

const MEANINGS: Readonly<Record<string, string>> = {
  m: ' (minutes)',
  D: ' (day of the year)',
  Y: ' (year of the week)',
  h: ' (hours)',
  H: ' (hours)',
  s: ' (seconds)',
}

/** One sentence for a misfit: what stands where, and what belongs there. */
export function misfitText(misfit: Misfit): string {
  const where = `character ${misfit.place}`
  switch (misfit.code) {
    case 'empty':
      return `There is no character; ${misfit.expected} belongs here.`
    case 'too-short':
      return `It ends after ${count(misfit.place - 1)}; still missing: ${misfit.expected}.`
    case 'too-long':
      return `It goes on at ${where} with "${misfit.found}", where the mask has ended.`
    case 'wrong-character':
      return `"${misfit.found}" at ${where}, where ${misfit.expected} belongs.`
    case 'hidden':
      return `"${misfit.found}" at ${where} stands for a character that is hidden; the value cannot be read from it.`
    case 'digits-lost':
      return `The number ${misfit.found} lies beyond 2^53, so digits are already lost.`
    case 'not-whole':
      return `The number ${misfit.found} is not a whole number; an identifier is text.`
    case 'two-readings':
      return `It can be read as ${misfit.expected}.`
    case 'not-decimal':
      return `"${misfit.found}" is not a number written in full; ${misfit.expected} belongs here.`
    case 'decimals':
      return `Digits go on at ${where} behind the decimal mark, where the mask has ${misfit.expected}.`
    case 'sign-missing':
      return `The sign "${misfit.expected}" is missing, so it is not clear what the number means.`
    case 'not-date':
      return `It is not a calendar date; ${misfit.expected} belongs here.`
    case 'no-such-day':
      return `There is no such day: ${misfit.expected} belongs at ${where}.`
    case 'wrong-weekday':
      return `The weekday at ${where} is not that of the date, which is ${misfit.expected}.`
    case 'outside-years':
      return `Two digits cannot say this year; ${misfit.expected} can be shown.`
    case 'fill-ends':
      return `It begins or ends with "${misfit.found}", which the mask uses to fill up to its width.`
    case 'field-missing':
      return `The record has no field "${misfit.expected}".`
    case 'not-text':
      return `The field "${misfit.expected}" is not text.`
    case 'record-expected':
      return `The mask is filled from the fields ${misfit.expected}, so a record is needed.`
    case 'list':
      return `It fits none of the masks; the nearest expected ${misfit.expected} at ${where}${misfit.found ? ` and found "${misfit.found}"` : ''}.`
  }
}

/** What to do about a misfit. */
export function misfitTodo(misfit: Pick<Misfit, 'code'>): string {
  switch (misfit.code) {
    case 'empty':
    case 'too-short':
      return 'Give the whole value; leading zeros belong to it.'
    case 'too-long':
      return 'Check for a digit too many, or use a mask that is wide enough.'
    case 'wrong-character':
      return 'Take the character out, or use a mask with a slot that takes it.'
    case 'not-decimal':
      return 'Write digits with a point, such as -1234.50, without separators.'
    case 'decimals':
      return 'Round the value first, or let the mask have more decimals.'
    case 'sign-missing':
      return 'Add the sign.'
    case 'not-date':
    case 'no-such-day':
      return 'Write year, month and day as yyyy-MM-dd.'
    case 'wrong-weekday':
      return 'Check which of the two is right.'
    case 'outside-years':
      return 'Show the year with four digits, or set "pivot".'
    case 'fill-ends':
      return 'Choose another fill character, one that no value begins or ends with.'
    case 'field-missing':
    case 'record-expected':
      return 'Give a record with all fields of the mask.'
    case 'not-text':
      return 'Give the field as text.'
    case 'hidden':
      return 'Give the full value instead of its hidden form.'
    case 'digits-lost':
    case 'not-whole':
      return 'Pass the value as a string from where it was read.'
    case 'two-readings':
      return 'Write the separators as the mask has them.'
    case 'list':
      return 'Check the value, or add a mask for this length to the list.'
  }
}

export const count = (n: number): string => (n === 1 ? '1 character' : `${n} characters`)

let accepts: (text: string) => boolean = () => true
/** Lets the parser tell whether a proposed correction is well formed; set once by mask.ts. */
export function useParser(test: (text: string) => boolean): void {
  accepts = test
}

function trialFix(_text: string, ...proposals: string[]): string {
  return proposals.find((proposal) => accepts(proposal)) ?? '{3}-{4}'
}
