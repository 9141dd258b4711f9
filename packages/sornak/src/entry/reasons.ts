// The reasons that a field gives, one function each. They are spoken by screen readers, so they are one
// sentence, and they never read the whole value out.

import type { Reason } from './state.js'

const said = (code: Reason['code'], at: number, message: string): Reason => ({ code, at, message })

const named = (char: string) =>
  char === ' ' ? 'A space' : /^\p{L}$/u.test(char) ? `The letter ${char}` : `“${char}”`

export const reasons = {
  wrong: (at: number, char: string, expected: string): Reason =>
    said('wrong-character', at, `${named(char)} does not belong here; ${expected} does.`),
  full: (at: number): Reason =>
    said('full', at, 'There is no room for more. Delete something first.'),
  putRight: (at: number, expected: string): Reason =>
    said('put-right', at, `Put it right first; ${expected} belongs here.`),
  separator: (at: number, char: string): Reason =>
    said('separator', at, `${named(char)} is not needed here; separators come by themselves.`),
  noFit: (at: number, why: string): Reason =>
    said('does-not-fit', at, `Not all of it fits, so nothing was put in. ${why}`),
  kept: (at: number, expected: string): Reason =>
    said('does-not-fit', at, `It does not fit; ${expected || 'the end'} belongs here.`),
  nothing: (at: number, todo: string): Reason =>
    said('nothing-there', at, `There is nothing to ${todo} here.`),
}
