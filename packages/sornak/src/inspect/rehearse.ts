// Hand-overs, rehearsed: what would come out of one, which values would be damaged, and which of them
// could not be turned back.

import { CHANNELS } from '../channel/channels.js'
import type { Definition } from '../identifier/definition.js'
import { keyOf } from '../identifier/fit.js'
import { holds } from '../identifier/holds.js'
import { judge } from './verdict.js'

/** One channel of a hand-over, in one of its forms. */
export interface Passage {
  readonly channel: string
  readonly form: string
}

/** A file or load into another system: conversions in the order in which they happen. */
export interface HandOver {
  readonly id: string
  readonly title: string
  readonly passages: readonly Passage[]
}

const through = (id: string, title: string, ...passages: [string, string][]): HandOver => ({
  id,
  title,
  passages: passages.map(([channel, form]) => ({ channel, form })),
})

/** The hand-overs that ship. A rules file may add its own. */
export const HAND_OVERS: ReadonlyMap<string, HandOver> = new Map(
  [
    through(
      'spreadsheet',
      'A CSV file opened in a spreadsheet',
      ['evaluated', 'power of ten'],
      ['evaluated', 'decimal'],
      ['date-guess', 'd-MMM'],
      ['number-read', 'integer'],
      ['fifteen-digits', 'cut'],
    ),
    through(
      'spreadsheet-saved',
      'The same, and saved as CSV from narrow columns',
      ['evaluated', 'power of ten'],
      ['evaluated', 'decimal'],
      ['date-guess', 'd-MMM'],
      ['number-read', 'integer'],
      ['fifteen-digits', 'cut'],
      ['short-display', '6 E+15'],
    ),
    through(
      'json-numbers',
      'JSON with numbers, read by a script',
      ['evaluated', 'decimal'],
      ['number-read', 'integer'],
      ['binary64', 'shortest'],
    ),
    through(
      'import-guess',
      'An import that guesses types, with a blank in the column',
      ['evaluated', 'decimal'],
      ['number-read', 'integer'],
      ['binary64', 'shortest'],
      ['decimal-tail', '.0'],
    ),
    through('numeric-column', 'A column of exact numbers', ['number-read', 'integer']),
    through(
      'int32-column',
      'A column of 32-bit integers that takes what it can',
      ['number-read', 'integer'],
      ['clamped', 'int32'],
    ),
    through(
      'int64-column',
      'A column of 64-bit integers that takes what it can',
      ['number-read', 'integer'],
      ['clamped', 'int64'],
    ),
    through(
      'double-column',
      'A column of 64-bit binary numbers',
      ['evaluated', 'decimal'],
      ['number-read', 'integer'],
      ['binary64', 'shortest'],
    ),
    through(
      'real-column',
      'A column of 32-bit binary numbers',
      ['number-read', 'integer'],
      ['binary32', 'all digits'],
    ),
    through('octal-reader', 'A script or configuration file that reads a leading zero as octal', [
      'other-base',
      'octal',
    ]),
  ].map((one) => [one.id, one]),
)

/**
 * What comes out of a hand-over.
 *
 * @example
 * handedOver(HAND_OVERS.get('json-numbers'), '00417') // '417'
 * handedOver(HAND_OVERS.get('spreadsheet-saved'), '4300222233334444') // '4.30022E+15'
 */
export function handedOver({ id, passages }: HandOver, text: string): string {
  const whole = passages.reduce(
    (value, { channel, form }) => CHANNELS.get(channel)!.forward(value, form),
    text,
  )
  // A spreadsheet shows numbers with an exponent only where they are wider than eleven digits.
  return id === 'spreadsheet-saved' && /^\d{1,11}$/.test(text)
    ? text.replace(/^0+(?=\d)/, '')
    : whole
}

export interface Rehearsed {
  readonly handOver: HandOver
  values: number
  /** Values that would arrive as others. */
  damaged: number
  /** Of those, the ones that could not be turned back from what arrives. */
  lost: number
  /** The first that is damaged and the first that is lost, before and after. */
  readonly examples: (readonly [before: string, after: string, lost: boolean])[]
}

export interface Rehearsal {
  readonly results: readonly Rehearsed[]
  /** One value as it stands now. What does not fit is damaged already and not rehearsed. */
  add(text: string): void
}

export function rehearsal(definition: Definition, handOvers: readonly HandOver[]): Rehearsal {
  const results = handOvers.map((handOver): Rehearsed => ({
    handOver,
    values: 0,
    damaged: 0,
    lost: 0,
    examples: [],
  }))
  return {
    results,
    add(text) {
      if (!holds(definition, text)) return
      // Many hand-overs leave the same of a value.
      const known = new Map<string, boolean>()
      const isLost = (after: string) => {
        let lost = known.get(after)
        if (lost === undefined) known.set(after, (lost = judge(definition, after, 2).mend !== text))
        return lost
      }
      for (const result of results) {
        result.values++
        const after = handedOver(result.handOver, text)
        if (after === text || same(definition, text, after)) continue
        result.damaged++
        const lost = isLost(after)
        if (lost) result.lost++
        if (!result.examples.some(([, , before]) => before === lost))
          result.examples.push([text, after, lost])
      }
    },
  }
}

// Where zeros are padding, a value without them is the same.
const same = (definition: Definition, before: string, after: string) =>
  holds(definition, after) && keyOf(definition, before) === keyOf(definition, after)
