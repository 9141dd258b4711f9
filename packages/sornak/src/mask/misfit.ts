// The answer that a value does not fit a mask: where, what stands there, what belongs there.

import { misfitText, misfitTodo } from './messages.js'

export type MisfitCode =
  | 'empty'
  | 'too-short'
  | 'too-long'
  | 'wrong-character'
  | 'hidden'
  | 'digits-lost'
  | 'not-whole'
  | 'two-readings'
  | 'not-decimal'
  | 'decimals'
  | 'sign-missing'
  | 'not-date'
  | 'no-such-day'
  | 'wrong-weekday'
  | 'outside-years'
  | 'fill-ends'
  | 'field-missing'
  | 'not-text'
  | 'record-expected'
  | 'list'

export interface Misfit {
  readonly code: MisfitCode
  /** UTF-16 offset into the given text. */
  readonly at: number
  /** The same place counted in characters (code points) from 1, as messages say it. */
  readonly place: number
  /** The character found there; empty at the end of the text. */
  readonly found: string
  /** What belongs there, in plain words. */
  readonly expected: string
  /** One sentence that says all of this. It quotes the value: hide it where the value is hidden. */
  readonly message: string
  /** The way out. */
  readonly todo: string
}

export interface NoFit {
  readonly ok: false
  readonly misfit: Misfit
}

export type Shown =
  | {
      readonly ok: true
      readonly text: string
      /** Set where the value is longer than the width it should fill; it stands whole. */
      readonly longer?: true
      /** Set where decimals were rounded away, as the mask says. */
      readonly rounded?: true
    }
  | NoFit

export type Read =
  | {
      readonly ok: true
      readonly plain: string
      /** Whether the text stands exactly as the mask shows it. */
      readonly strict: boolean
      /** What each field of a record holds, for a composite. */
      readonly fields?: Readonly<Record<string, string>>
    }
  | NoFit

export function misfit(
  code: MisfitCode,
  text: string,
  at: number,
  expected: string,
  found: string = text.slice(at, at + ((text.codePointAt(at) ?? 0) > 0xffff ? 2 : 1)),
): NoFit {
  let place = 1
  for (let i = 0; i < at; i += (text.codePointAt(i) ?? 0) > 0xffff ? 2 : 1) place++
  const bare = { code, at, place, found, expected, message: '', todo: misfitTodo({ code }) }
  return { ok: false, misfit: { ...bare, message: misfitText(bare) } }
}
